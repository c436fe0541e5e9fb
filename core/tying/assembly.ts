import { FAMILIES } from '../rig/families'
import type { RigSpec } from '../rig/spec'
import type { KnotId } from './knots'

/** What is threaded or tied, from the rod to the bait; lengths in m. */
export type ThreadPart =
  | {
      readonly id:
        | 'line'
        | 'leaderKnot'
        | 'stop'
        | 'peg'
        | 'bullet'
        | 'bead'
        | 'swivel'
        | 'ring'
        | 'jointedHead'
        | 'clip'
        | 'head'
        | 'hook'
        | 'baitRing'
        | 'nail'
        | 'spike'
        | 'trailing'
        | 'pegBend'
        | 'dropperWeight'
    }
  | { readonly id: 'leader' | 'trace' | 'dropper' | 'wire'; readonly lengthM: number }

/** How a rig is put on the line: what is threaded, in order, and which knots it asks for, the usual one first. */
export interface Assembly {
  readonly parts: readonly ThreadPart[]
  readonly knots: readonly KnotId[]
}

/** A leader that is tied ahead of everything else. */
export interface LeaderAhead {
  readonly lengthM: number
  /** of wire: on a swivel, not knotted */ readonly wire?: boolean
}

const named = (...ids: Exclude<ThreadPart['id'], 'leader' | 'trace' | 'dropper' | 'wire'>[]): ThreadPart[] =>
  ids.map(id => ({ id }))

/** What stands between the line and the bait, by the way of rigging. */
function partsOf(spec: RigSpec): ThreadPart[] {
  const family = FAMILIES[spec.family]
  const lengthM = spec.leaderM ?? family.hangs?.leaderM ?? 0
  switch (spec.family) {
    case 'L1':
      return spec.peg === 'free'
        ? named('bullet', 'bead', 'hook')
        : spec.peg === 'half'
          ? named('stop', 'bullet', 'hook')
          : named('peg', 'bullet', 'hook')
    case 'L2':
      return named('stop', 'bullet', 'hook')
    case 'L3':
      return [...named('bullet', 'bead', 'swivel'), { id: 'trace', lengthM }, ...named('hook')]
    case 'L4':
      return [...named('hook'), { id: 'dropper', lengthM }, ...named('dropperWeight')]
    case 'L5':
      return [...named('ring', 'hook'), { id: 'wire', lengthM }, ...named('dropperWeight')]
    case 'L6':
      return named('hook', 'baitRing')
    case 'L7':
      return named('hook', 'baitRing', 'nail')
    case 'L9':
      return named('hook', 'spike')
    case 'J3':
    case 'J6':
      return named('jointedHead', 'hook')
    case 'J4':
      return named('clip', 'hook')
    case 'E6':
      return named('head', 'trailing')
    default:
      return named(
        family.group === 'open' || family.group === 'trailer' || spec.family.startsWith('J')
          ? 'head'
          : 'hook',
      )
  }
}

/** Knots at the hook, the usual one first. */
function hookKnots({ family, pointRest, weightKg }: RigSpec): KnotId[] {
  if (family === 'L4') return ['straightHook']
  if (family === 'L2' || family === 'O3') return ['harness', 'doubled']
  // what should swing hangs in a loop; what should stay in line does not
  return pointRest === 'open' || weightKg === 0
    ? ['openLoop', 'doubled', 'snug']
    : ['doubled', 'snug', 'openLoop']
}

/** How a rig is put on the line. @param leader tied between line and rig, where there is one */
export function assemblyOf(spec: RigSpec, leader?: LeaderAhead): Assembly {
  const parts = [
    ...named('line'),
    ...(leader
      ? ([{ id: leader.wire ? 'swivel' : 'leaderKnot' }, { id: 'leader', lengthM: leader.lengthM }] as const)
      : []),
    ...partsOf(spec),
    ...(spec.pinned ? named('pegBend') : []),
  ]
  const has = (id: ThreadPart['id']): boolean => parts.some(part => part.id === id)
  return {
    parts,
    knots: [
      ...hookKnots(spec),
      ...(has('stop') ? (['slidingStop'] as const) : []),
      ...(leader && !leader.wire ? (['wrappedLeader'] as const) : []),
      ...(has('trailing') ? (['harness'] as const) : []),
    ],
  }
}

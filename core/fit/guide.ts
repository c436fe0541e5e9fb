import type { Straightness } from '../fall/straightness'
import type { AssembledRig } from '../rig/assemble'
import { dimsOf } from '../rig/dims'
import { FAMILIES } from '../rig/families'
import { REST_DEPTH_M } from '../rig/placement'
import type { KeeperId } from '../tackle/keepers'
import { PLASTICS } from '../tackle/materials'
import type { FitResult } from './evaluateFit'

/** A mark along the bait, m from the nose as fished. */
export interface RigMark {
  readonly id: 'neck' | 'eye' | 'bend' | 'exit' | 'weight' | 'point'
  readonly atM: number
}

/** One thing to do with the hands; lengths in m, from the nose where it is a place. */
type RigStep =
  | { readonly id: 'trim'; readonly cutM: number }
  | { readonly id: 'layAlong'; readonly exitM: number }
  | { readonly id: 'bendLevel'; /** gap closed (+) or opened by pliers */ readonly closedM: number }
  | { readonly id: 'slit'; /** plastic left over the back */ readonly skinM: number }
  | { readonly id: 'wetHead' | 'seatWeight' | 'enterNose' | 'closeJoint' | 'screwOn' | 'turnHook' | 'pin' }
  | { readonly id: 'pierceEye' | 'hookOnce'; readonly atM: number }
  | { readonly id: 'bringOut'; readonly exitM?: number }
  | { readonly id: 'seat'; readonly keeper: KeeperId }
  | { readonly id: 'hangTrailing'; readonly bendM: number }
  | {
      readonly id: 'setWeight'
      /** line between weight and hook; free on the line without */ readonly apartM?: number
    }
  | { readonly id: 'enterChin'; readonly neckM: number }
  | { readonly id: 'comeOut'; readonly pushM: number; readonly exitM: number }
  | { readonly id: 'restPoint'; /** plastic over it; flush when 0 */ readonly coverM: number }
  | ({ readonly id: 'checkStraight' } & Partial<Straight>)

/** Crookedness at which it no longer falls straight, and what it does then. */
type Straight = Pick<Straightness, 'withinM' | 'then'>
type Then = NonNullable<Straightness['then']>

/** What commonly goes wrong. */
type RigFault =
  | { readonly id: 'besideSeam' | 'tooFarAlong' | 'tooLittle' | 'tooMuch' | 'tooDeep' }
  | { readonly id: 'crooked'; readonly withinM: number; readonly then: Then }

/** What keeps a rig in order. */
type RigCare = 'apart' | 'stretch' | 'noElastomer' | 'layBack' | 'glue' | 'change'

export interface RiggingGuide {
  readonly marks: readonly RigMark[]
  readonly steps: readonly RigStep[]
  readonly wrong: readonly RigFault[]
  readonly care: readonly RigCare[]
  /**
   * plastic to push toward the nose so that the bait lies flat over the bend, m; 0 for hooks that stay open
   */
  readonly allowanceM: number
}

/**
 * How to rig it, from the computed places: marks in metres from the nose, steps, what commonly goes wrong,
 * care.
 * @param straight crookedness at which it spins or leans over, from the fall; nothing where it does neither
 */
export function riggingGuide(rig: AssembledRig, fit: FitResult, straight?: Straight): RiggingGuide {
  const { spec, baitSpec } = rig
  const hidden = spec.pointRest !== 'open'
  const allowanceM = hidden ? spareOverBend(rig) : 0
  return {
    marks: marksOf(rig, fit),
    steps: [
      ...firstSteps(rig, fit),
      ...holdSteps(rig, fit, allowanceM),
      ...lastSteps(rig),
      { id: 'checkStraight', ...straight },
    ],
    wrong: [
      { id: 'besideSeam' },
      ...(straight?.withinM === undefined || !straight.then
        ? []
        : [{ id: 'crooked', withinM: straight.withinM, then: straight.then } as const]),
      ...(hidden
        ? ([{ id: 'tooLittle' }, { id: 'tooMuch' }, { id: 'tooDeep' }] as const)
        : [{ id: 'tooFarAlong' } as const]),
    ],
    care: [
      ...(PLASTICS[baitSpec.material].elastomer === true
        ? (['apart', 'stretch'] as const)
        : (['noElastomer'] as const)),
      ...(hidden ? (['layBack'] as const) : []),
      ...(fit.holding.keeper === 'glue' ? (['glue'] as const) : []),
      'change',
    ],
    allowanceM,
  }
}

const exitOf = ({ spec }: AssembledRig, fit: FitResult): number | undefined => spec.exitAtM ?? fit.exitM

/** Places along the bait, from the nose on. */
function marksOf(rig: AssembledRig, fit: FitResult): RigMark[] {
  const { parts, bait } = rig
  const { path } = parts.placement
  const weight = parts.compacts.find(c => c.massKg > LEAST_WEIGHT_KG && c.at[0] < 0)
  const exitM = fit.exitM === undefined ? undefined : exitOf(rig, fit)
  const marks: RigMark[] = [
    ...(path.eye.s > 0.001 ? [{ id: 'eye', atM: path.eye.s } as const] : []),
    ...(parts.dims.neckM > 0 && !parts.onTop
      ? [{ id: 'neck', atM: path.eye.s + parts.dims.neckM } as const]
      : []),
    ...(weight ? [{ id: 'weight', atM: -weight.at[0] } as const] : []),
    { id: 'point', atM: path.tip.s },
    ...(exitM === undefined ? [] : [{ id: 'exit', atM: exitM } as const]),
    { id: 'bend', atM: fit.bendM },
  ]
  return marks.filter(m => m.atM > 0 && m.atM < bait.lengthM).sort((a, b) => a.atM - b.atM)
}

/** Weight that is worth a mark, kg. */
const LEAST_WEIGHT_KG = 0.0003
/** Skin left over a slit, m. Typical. */
const SKIN_M = 0.003

/** Share of the wire's detour in the bend that the plastic has to be longer by. *Assumed.* */
const ROUND_BEND = 0.35
/** Parts of a side of the bend's polygon in which it is asked whether it lies in the plastic. */
const BEND_PARTS = 8

/**
 * Plastic to push forward, m: about a third of what the wire of the bend that lies in the plastic is longer
 * than its run along the bait: the plastic has to go round it. 0 for a bend that stands clear of the bait.
 */
export function spareOverBend({ parts: { placement }, bait }: AssembledRig): number {
  const { points, bendStart } = placement.path
  let detour = 0
  for (let i = bendStart; i < points.length - 2; i++) {
    const [a, b] = [points[i]!, points[i + 1]!]
    const more = (Math.hypot(b.s - a.s, b.z - a.z) - Math.abs(b.s - a.s)) / BEND_PARTS
    for (let k = 0; k < BEND_PARTS; k++) {
      const part = (k + 0.5) / BEND_PARTS
      const [s, z] = [a.s + part * (b.s - a.s), a.z + part * (b.z - a.z)]
      if (s > 0 && s < bait.lengthM && z > bait.bottomAt(s) && z < bait.topAt(s)) detour += more
    }
  }
  return ROUND_BEND * detour
}

function firstSteps(rig: AssembledRig, fit: FitResult): RigStep[] {
  const { trimM, slit, levelled } = rig.spec
  const exitM = exitOf(rig, fit)
  return [
    ...(levelled && rig.spec.pointRest !== 'open'
      ? [
          {
            id: 'bendLevel',
            closedM: dimsOf(FAMILIES[rig.spec.family].hookStyle, rig.spec).gapM - rig.parts.dims.gapM,
          } as const,
        ]
      : []),
    ...(trimM ? [{ id: 'trim', cutM: trimM } as const] : []),
    ...(exitM === undefined ? [] : [{ id: 'layAlong', exitM } as const]),
    ...(slit ? [{ id: 'slit', skinM: SKIN_M } as const] : []),
  ]
}

/** How the hook goes into the bait, by how it is held. */
function holdSteps(rig: AssembledRig, fit: FitResult, pushM: number): RigStep[] {
  const { spec, parts } = rig
  if (parts.inside) return [{ id: 'wetHead' }, { id: 'pierceEye', atM: parts.tie.s }]
  if (parts.onTop)
    return [
      { id: 'hookOnce', atM: Math.max(0, parts.tie.s) },
      ...(parts.compacts.length > 0 ? [{ id: 'seatWeight' } as const] : []),
    ]
  if (spec.pointRest !== 'open') return weedless(rig, fit, pushM)
  const exitM = exitOf(rig, fit)
  return [
    { id: 'enterNose' },
    { id: 'bringOut', ...(exitM === undefined ? {} : { exitM }) },
    { id: 'seat', keeper: fit.holding.keeper },
    ...(parts.trailing
      ? [{ id: 'hangTrailing', bendM: Math.max(...parts.trailing.points.map(p => p.s)) } as const]
      : []),
  ]
}

function weedless(rig: AssembledRig, fit: FitResult, pushM: number): RigStep[] {
  const { spec, parts } = rig
  const exitM = exitOf(rig, fit)
  return [
    fit.holding.keeper === 'screw' && parts.placement.path.eye.s < 0
      ? { id: 'screwOn' }
      : { id: 'enterChin', neckM: parts.dims.neckM },
    { id: 'turnHook' },
    ...(exitM === undefined ? [] : [{ id: 'comeOut', pushM, exitM } as const]),
    ...(spec.pointRest === 'open'
      ? []
      : [{ id: 'restPoint', coverM: REST_DEPTH_M[spec.pointRest] } as const]),
  ]
}

function lastSteps({ spec, parts }: AssembledRig): RigStep[] {
  const { group } = FAMILIES[spec.family]
  const { second } = parts
  return [
    ...(group === 'jointed' && second ? [{ id: 'closeJoint' } as const] : []),
    ...(group === 'line' && second
      ? [
          {
            id: 'setWeight',
            ...(Number.isFinite(second.tetherM) ? { apartM: second.tetherM } : {}),
          } as const,
        ]
      : []),
    ...(spec.pinned ? [{ id: 'pin' } as const] : []),
  ]
}

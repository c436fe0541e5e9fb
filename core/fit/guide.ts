import type { Straightness } from '../fall/straightness'
import type { AssembledRig } from '../rig/assemble'
import { FAMILIES } from '../rig/families'
import { REST_DEPTH_M } from '../rig/placement'
import { KEEPERS } from '../tackle/keepers'
import { PLASTICS } from '../tackle/materials'
import type { FitResult } from './evaluateFit'
import { mm } from './text'

/** A mark along the bait, m from the nose as fished. */
export interface RigMark {
  readonly id: 'neck' | 'eye' | 'bend' | 'exit' | 'weight' | 'point'
  readonly name: string
  readonly atM: number
}

/** One thing to do with the hands. */
export interface RigStep {
  readonly title: string
  readonly text: string
  readonly marks: readonly RigMark['id'][]
}

export interface RiggingGuide {
  readonly marks: readonly RigMark[]
  readonly steps: readonly RigStep[]
  readonly wrong: readonly string[]
  readonly care: readonly string[]
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
export function riggingGuide(
  rig: AssembledRig,
  fit: FitResult,
  straight?: Pick<Straightness, 'withinM' | 'then'>,
): RiggingGuide {
  const { parts, spec, bait, baitSpec } = rig
  const { path } = parts.placement
  const allowanceM = spec.pointRest === 'open' ? 0 : spareOverBend(rig)
  const marks: RigMark[] = [
    ...(path.eye.s > 0.001 ? [{ id: 'eye', name: 'eye', atM: path.eye.s } as const] : []),
    ...(parts.dims.neckM > 0 && !parts.onTop
      ? [{ id: 'neck', name: 'out of the chin', atM: path.eye.s + parts.dims.neckM } as const]
      : []),
    ...parts.compacts
      .filter(c => c.massKg > 0.0003 && c.at[0] < 0)
      .slice(0, 1)
      .map(c => ({ id: 'weight', name: 'middle of the weight', atM: -c.at[0] }) as const),
    { id: 'point', name: 'point', atM: path.tip.s },
    ...(fit.exitM === undefined
      ? []
      : [{ id: 'exit', name: 'point comes out', atM: spec.exitAtM ?? fit.exitM } as const]),
    { id: 'bend', name: 'back of the bend', atM: fit.bendM },
  ]
  return {
    marks: marks.filter(m => m.atM > 0 && m.atM < bait.lengthM).sort((a, b) => a.atM - b.atM),
    steps: stepsOf(rig, fit, allowanceM, straight),
    wrong: wrongOf(rig, straight),
    care: careOf(PLASTICS[baitSpec.material].elastomer === true, spec.pointRest !== 'open'),
    allowanceM,
  }
}

/**
 * Plastic to push forward, m: a third of the length of wire through the plastic at the bend beyond its run
 * along the bait: the plastic has to go round it.
 */
export function spareOverBend({
  parts: {
    placement: { path, exitM },
  },
  bait,
}: AssembledRig): number {
  let length = 0
  let run = 0
  for (let i = path.bendStart; i < path.points.length - 1; i++) {
    const [a, b] = [path.points[i]!, path.points[i + 1]!]
    if (b.z > bait.topAt(Math.min(b.s, bait.lengthM)) || b.s > (exitM ?? Infinity) + path.wireM) break
    length += Math.hypot(b.s - a.s, b.z - a.z)
    run += Math.abs(b.s - a.s)
  }
  return Math.max(0, 0.35 * (length - run))
}

function stepsOf(
  rig: AssembledRig,
  fit: FitResult,
  allowanceM: number,
  straight: Pick<Straightness, 'withinM' | 'then'> | undefined,
): RigStep[] {
  const { spec, parts } = rig
  const family = FAMILIES[spec.family]
  const exit = spec.exitAtM ?? fit.exitM
  const steps: RigStep[] = []
  const step = (title: string, text: string, ...marks: RigMark['id'][]): void =>
    void steps.push({ title, text, marks })
  if (spec.trimM)
    step('Cut the nose', `Cut ${mm(spec.trimM)} off the worn nose, square, away from your hand.`)
  if (exit !== undefined)
    step(
      'Lay it alongside',
      `Lay the hook against the bait with its eye at the nose. Mark the back at ${mm(exit)}: there the point comes out.`,
      'exit',
    )
  if (spec.slit)
    step(
      'Slit the belly',
      'Slit the belly along the seam under the gap. Stop well short of the back: leave a skin of 3 mm or more.',
      'bend',
    )
  if (parts.inside) {
    step(
      'Wet the head',
      'Wet head and hook. Push them up inside the body from the open end, eye to the back.',
    )
    step(
      'Pierce the eye',
      `Press the eye out through the back ${mm(parts.tie.s)} from the nose, dead centre.`,
      'eye',
    )
  } else if (parts.onTop) {
    step(
      'Hook it',
      `Pass the point once through, dead centre, ${mm(Math.max(0, parts.tie.s))} from the nose. A ring there saves baits.`,
      'eye',
    )
    if (parts.compacts.length > 0)
      step('Seat the weight', 'Push the weight in along the middle until only its end shows.', 'weight')
  } else if (spec.pointRest === 'open') {
    step(
      'Enter the nose',
      'Put the point in dead centre of the nose and thread the bait along the shank, keeping to the middle.',
    )
    step(
      'Bring it out',
      exit === undefined
        ? 'Bring the point out on the back.'
        : `Bring the point out at the mark, ${mm(exit)}, on the seam of the back.`,
      'exit',
    )
    step(
      'Seat it',
      `Slide the bait up until the nose is square on the head and the ${KEEPERS[fit.holding.keeper].name} holds it.`,
    )
    if (parts.trailing)
      step(
        'Hang the trailing hook',
        `Lay the trailing hook along the back, its bend ${mm(Math.max(...parts.trailing.points.map(p => p.s)))} from the nose.`,
      )
  } else weedless(rig, fit, allowanceM, step)
  if (family.group === 'jointed' && parts.second)
    step('Close the joint', 'Clip the weight on. The joint must swing freely upward: no plastic in it.')
  if (family.group === 'line' && parts.second)
    step(
      'Set the weight',
      Number.isFinite(parts.second.tetherM)
        ? `Weight and hook ${Math.round(parts.second.tetherM * 100)} cm apart.`
        : 'Leave the weight free on the line, with no peg.',
    )
  if (spec.pinned)
    step(
      'Pin the bait',
      'Push a peg through the bait inside the bend, so that it cannot slide down; trim it flush.',
      'bend',
    )
  step(
    'Check that it is straight',
    straight?.withinM === undefined
      ? 'Sight along it from nose to tail. Hang it by the line: it must hang straight.'
      : `Sight along it from nose to tail. More than ${mm(straight.withinM)} off at the tail and it ${straight.then}: take it off and start again.`,
  )
  return steps
}

function weedless(
  { spec, parts }: AssembledRig,
  fit: FitResult,
  allowanceM: number,
  step: (title: string, text: string, ...marks: RigMark['id'][]) => void,
): void {
  const exit = spec.exitAtM ?? fit.exitM
  if (fit.holding.keeper === 'screw' && parts.placement.path.eye.s < 0)
    step(
      'Screw it on',
      'Set the centring pin dead centre in the nose and turn the bait on until the nose meets the ring.',
    )
  else
    step(
      'Enter the nose',
      `Put the point in dead centre of the nose. Push ${mm(parts.dims.neckM)} in and come out of the chin, on the seam.`,
      'neck',
    )
  step(
    'Turn the hook',
    'Draw it through to the neck and turn the hook over, so that the point faces the belly.',
  )
  if (exit !== undefined) {
    step(
      'Come out on the back',
      `Push the bait ${mm(allowanceM)} toward the nose, so that it lies flat over the bend. Go in at the belly and come out at the mark, ${mm(exit)}, on the seam of the back.`,
      'exit',
    )
  }
  if (spec.pointRest !== 'open') {
    const depth = REST_DEPTH_M[spec.pointRest]
    step(
      'Rest the point',
      depth === 0
        ? 'Let the point lie flush in the slot or along the back.'
        : `Push the back up over the point: ${mm(depth)} of plastic over it.`,
      'point',
    )
  }
}

function wrongOf(
  { spec }: AssembledRig,
  straight: Pick<Straightness, 'withinM' | 'then'> | undefined,
): string[] {
  return [
    'In or out beside the seam: the bait lies crooked and turns.',
    ...(straight?.withinM === undefined
      ? []
      : [
          `Crooked by ${mm(straight.withinM)} or more at the tail: it ${straight.then}${straight.then === 'spins' ? ' and twists the line' : ''}.`,
        ]),
    ...(spec.pointRest === 'open'
      ? ['Too far along the shank: the bait bunches behind the head and the tail stiffens.']
      : [
          'Too little plastic between nose and exit: the bait is drawn into a bow.',
          'Too much: it bunches, and the point stands off the back.',
          'Point buried deeper than you think: it never comes clear.',
        ]),
  ]
}

function careOf(elastomer: boolean, hidden: boolean): string[] {
  return [
    ...(elastomer
      ? [
          'Store this elastomer apart from plastisol baits: together they melt.',
          'Stretch it once or twice before the first cast.',
        ]
      : ['Do not mix with elastomer baits in one box: they melt together.']),
    ...(hidden ? ['Lay the point back in its place after every bite and every few casts.'] : []),
    'Change the bait when the nose no longer holds, or cut the nose back and rig it again.',
  ]
}

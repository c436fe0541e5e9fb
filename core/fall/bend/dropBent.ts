import { fromHeadingPitchRoll, rotate, type Quaternion, type Vec3 } from '../../numerics/quaternion'
import { rungeKutta4 } from '../../numerics/rk4'
import { failure, success, type Outcome } from '../../outcome'
import { stepAt, type HydroBody } from '../hydroBody'
import {
  hanging,
  hangsAt,
  heldIn,
  heldUpWatch,
  LIMIT_S,
  neverDone,
  reachOf,
  stillSinking,
  surroundingsOf,
  TOO_FAST,
  tooFast,
  USUAL_START,
  type Drop,
  type DropFailure,
  type DropOptions,
  type Start,
} from '../drop'
import { DEFAULT_FACTORS } from '../factors'
import { holdLine, LINE_STEP_S } from '../holdLine'
import { chainEnd } from '../lineEnd'
import { STANDARD_GRAVITY } from '../loads'
import { lineRecorder, recorder, SAMPLE_STRIDE } from '../recorder'
import { chainMotion, chainStateSize, givesWay, LINK_STATE, ROOT_STATE, type Link } from './chain'

/** A drop of a bait that bends: as of a rigid one, of the part that the hook holds, and how all of it is bent. */
export interface BentDrop extends Drop {
  /**
   * attitudes of the links behind the root against their parents, w x y z each, at every sample
   */
  readonly bent: Float64Array
}

/** A heavy rig with a trailing tail falls so much faster than broadside, at which the drag's rate is judged. */
const FASTER = 1.5
const ITERATIONS = 24

/** Rate at which a chain swings quickest about its straight shape, 1/s: by power iteration. */
export function quickestSwing(links: readonly Link[]): number {
  const joints = links.length - 1
  if (joints === 0) return 0
  const accelerate = givesWay(links)
  const moments = new Float64Array(3 * joints)
  const turned = Float64Array.from({ length: 3 * joints }, (_, i) => 1 + 0.1 * i)
  const answer = new Float64Array(3 * joints)
  let rate = 0
  for (let n = 0; n < ITERATIONS; n++) {
    const size = Math.hypot(...turned)
    for (let j = 0; j < joints; j++)
      for (let k = 0; k < 3; k++)
        moments[3 * j + k] = (links[j + 1]!.stiffness[k]! * turned[3 * j + k]!) / size
    accelerate(moments, answer)
    turned.set(answer)
    rate = Math.hypot(...answer)
  }
  return Math.sqrt(rate)
}

/**
 * A step that follows the quickest swing, and how the water stops the lightest link. With steps half as long again all
 * that falls limp falls alike, and a stiff chain may run away in its bounds, unseen.
 */
export function stepOf(links: readonly Link[], whole: HydroBody): number {
  const stopped = Math.max(...links.map(({ body }) => body.dampingPerM)) * whole.quickMS
  return stepAt(FASTER * stopped + quickestSwing(links))
}

/**
 * Drops a bait that bends until its first part touches the bottom, in still water or a current, on a slack line or one
 * that is held. Deterministic, fixed step, fourth order.
 * @param whole the rig as one body, whose fall decides how fast the water goes by
 * @throws RangeError unless depth and step are positive, and when a line is held that is not there
 */
export function dropBent(
  links: readonly Link[],
  whole: HydroBody,
  options: DropOptions,
): Outcome<BentDrop, DropFailure> {
  const { hold, lineStepS = LINE_STEP_S } = options
  const most = hold && hold.mode !== 'slack' ? lineStepS : Infinity
  const stepS = options.stepS ?? Math.min(most, stepOf(links, whole))
  let done = dropInSteps(links, whole, { ...options, stepS })
  for (let finer = 2; finer <= FINEST && !done.ok && done.code === 'unstable'; finer *= 2)
    done = dropInSteps(links, whole, { ...options, stepS: stepS / finer })
  return done
}

/** Steps are halved where a tail is quicker than it was judged, down to this part. */
export const FINEST = 4

function dropInSteps(
  links: readonly Link[],
  whole: HydroBody,
  options: DropOptions & { readonly stepS: number },
): Outcome<BentDrop, DropFailure> {
  const { depthM, limitS = LIMIT_S, viscous = true, gravityMS2 = STANDARD_GRAVITY } = options
  const { factors = DEFAULT_FACTORS, line } = options
  const { stepS } = options
  if (!(depthM > 0 && stepS > 0)) throw new RangeError('dropBent: depthM and stepS must be positive')
  if (whole.displacedKg >= whole.geometry.massKg)
    return failure('floats', 'It floats: it never sinks in this water.')
  const size = chainStateSize(links)
  const y = chainStart(links, options.start)
  const around = surroundingsOf(options)
  const onLine = line && !around.pull ? { line } : {}
  const motion = chainMotion(links, { factors, viscous, gravityMS2, ...onLine }, around)
  const sinkingN = (whole.geometry.massKg - whole.displacedKg) * gravityMS2
  const held = heldIn({ options, body: whole, around, from: [0, 0, 0], sinkingN }, (given, pull) =>
    holdLine(given, pull, motion.rate, size, chainEnd(links[0]!.body.tieAt, motion.carried)),
  )
  const hangs = held && hanging(held, depthM, reachOf(whole))
  if (hangs) return hangs
  const advance = stepperFor(links, motion.rate)
  const draw = held && lineRecorder(held)
  const heldUp = held && heldUpWatch()
  const every = Math.max(1, Math.floor((options.lineStepS ?? LINE_STEP_S) / stepS + 1e-9))
  const seen = lookerAt(links, whole)
  const record = recorder(links.length)
  const keep = (t: number, last = false): Float64Array => record(t, seen(y), last)
  keep(0)
  // no point of it comes farther from the root's middle than this, however it is bent
  const reachM = 1.1 * (reachOf(whole) + Math.hypot(...links[0]!.body.tieAt))
  const before = new Float64Array(size)
  const most = Math.ceil(limitS / stepS)
  for (let n = 1; n <= most; n++) {
    before.set(y)
    if (held && (n - 1) % every === 0) held.before(y, every * stepS)
    draw?.(n * stepS)
    advance(y, stepS)
    if (!Number.isFinite(y[2]!))
      return failure('unstable', 'The calculation broke down for this rig; no figure can be given.')
    if (viscous && tooFast(before[2]!, y[2]!, stepS)) return failure('unstable', TOO_FAST)
    if (y[2]! - reachM < -depthM && lowestOf(links, y) <= -depthM) {
      let [early, late] = [0, stepS]
      for (let k = 0; k < 30; k++) {
        const part = (early + late) / 2
        y.set(before)
        advance(y, part)
        if (lowestOf(links, y) <= -depthM) late = part
        else early = part
      }
      const timeS = (n - 1) * stepS + late
      const drawn = draw ? { linePath: draw() } : {}
      return success({ ...parted(keep(timeS, true), links.length - 1), timeS, depthM, steps: n, ...drawn })
    }
    keep(n * stepS)
    if (heldUp?.(n * stepS, y[2]!)) return hangsAt(-y[2]!)
  }
  return held ? neverDone(limitS) : stillSinking(limitS)
}

/**
 * State of a chain at rest and straight, its tie point at the surface.
 * @param more numbers behind those of the chain, left zero
 */
export function chainStart(
  links: readonly Link[],
  { heading, pitch, roll }: Start = USUAL_START,
  more = 0,
): Float64Array {
  const y = new Float64Array(chainStateSize(links) + more)
  const q = fromHeadingPitchRoll(heading, pitch, roll)
  const tie = rotate(q, links[0]!.body.tieAt)
  for (let k = 0; k < 3; k++) y[k] = -tie[k]!
  y.set(q, 3)
  for (let n = 1; n < links.length; n++) y[ROOT_STATE + LINK_STATE * (n - 1)] = 1
  return y
}

/** State of a chain at rest as a fall's last sample has it: straight, where it fell as one body. */
export function stateAtEnd(links: readonly Link[], whole: HydroBody, drop: Drop | BentDrop): Float64Array {
  const y = chainStart(links)
  const last = drop.samples.subarray(drop.samples.length - SAMPLE_STRIDE)
  const q: Quaternion = [last[4]!, last[5]!, last[6]!, last[7]!]
  const [a, b] = [whole.geometry.centre, links[0]!.body.geometry.centre]
  const off = rotate(q, [a[0] - b[0], a[1] - b[1], a[2] - b[2]])
  for (let k = 0; k < 3; k++) y[k] = last[1 + k]! - off[k]!
  y.set(q, 3)
  if (!('bent' in drop)) return y
  const turns = drop.bent.subarray(drop.bent.length - 4 * (links.length - 1))
  for (let n = 1; n < links.length; n++)
    y.set(turns.subarray(4 * (n - 1), 4 * n), ROOT_STATE + LINK_STATE * (n - 1))
  return y
}

/**
 * Advances a chain's state and keeps its quaternions of unit length.
 * @param size numbers of the state, where there are more behind those of the chain
 */
export function stepperFor(
  links: readonly Link[],
  rate: (y: Float64Array, dy: Float64Array) => void,
  size = chainStateSize(links),
): (y: Float64Array, step: number) => void {
  const advance = rungeKutta4(size, rate)
  const starts = links.map((_, n) => (n === 0 ? 3 : ROOT_STATE + LINK_STATE * (n - 1)))
  return (y, step) => {
    advance(y, step)
    for (const at of starts) {
      const length = Math.hypot(y[at]!, y[at + 1]!, y[at + 2]!, y[at + 3]!)
      for (let k = 0; k < 4; k++) y[at + k]! /= length
    }
  }
}

/**
 * What is kept of a state: place of the rig's own centre of gravity, as it lies on the root when straight, the root's
 * attitude, and those of the links behind it.
 */
export function lookerAt(links: readonly Link[], whole: HydroBody): (y: Float64Array) => Float64Array {
  const [a, b] = [whole.geometry.centre, links[0]!.body.geometry.centre]
  const from: Vec3 = [a[0] - b[0], a[1] - b[1], a[2] - b[2]]
  const seen = new Float64Array(3 + 4 * links.length)
  return y => {
    const off = rotate([y[3]!, y[4]!, y[5]!, y[6]!], from)
    for (let k = 0; k < 3; k++) seen[k] = y[k]! + off[k]!
    for (let n = 0; n < links.length; n++) {
      const at = n === 0 ? 3 : ROOT_STATE + LINK_STATE * (n - 1)
      for (let k = 0; k < 4; k++) seen[3 + 4 * n + k] = y[at + k]!
    }
    return seen
  }
}

/** Attitude of each link behind the root against the one that it hangs on, w x y z each. */
export const shapeOf = (links: readonly Link[], y: Float64Array): Float64Array =>
  Float64Array.from(
    { length: 4 * (links.length - 1) },
    (_, i) => y[ROOT_STATE + LINK_STATE * (i >> 2) + (i & 3)]!,
  )

/** Samples as a rigid rig has them, and beside them how the bait is bent. */
export function parted(packed: Float64Array, joints: number): Pick<BentDrop, 'samples' | 'bent'> {
  const stride = SAMPLE_STRIDE + 4 * joints
  const count = packed.length / stride
  const samples = new Float64Array(SAMPLE_STRIDE * count)
  const bent = new Float64Array(4 * joints * count)
  for (let n = 0; n < count; n++) {
    samples.set(packed.subarray(n * stride, n * stride + SAMPLE_STRIDE), SAMPLE_STRIDE * n)
    bent.set(packed.subarray(n * stride + SAMPLE_STRIDE, (n + 1) * stride), 4 * joints * n)
  }
  return { samples, bent }
}

/** Where every link is: place of its centre of gravity in the world, and attitude. */
export function placesOf(
  links: readonly Link[],
  y: Float64Array,
): { readonly at: Vec3; readonly q: Quaternion }[] {
  const found: { readonly at: Vec3; readonly q: Quaternion }[] = []
  for (const [n, { parent, jointAt, jointOnParent }] of links.entries()) {
    if (n === 0) {
      found.push({ at: [y[0]!, y[1]!, y[2]!], q: [y[3]!, y[4]!, y[5]!, y[6]!] })
      continue
    }
    const start = ROOT_STATE + LINK_STATE * (n - 1)
    const on = found[parent]!
    const q = product(on.q, [y[start]!, y[start + 1]!, y[start + 2]!, y[start + 3]!])
    const [joint, back] = [rotate(on.q, jointOnParent), rotate(q, jointAt)]
    found.push({
      at: [on.at[0] + joint[0] - back[0], on.at[1] + joint[1] - back[1], on.at[2] + joint[2] - back[2]],
      q,
    })
  }
  return found
}

/** One turn after another: first b, then a. */
export const product = (a: Quaternion, b: Quaternion): Quaternion => [
  a[0] * b[0] - a[1] * b[1] - a[2] * b[2] - a[3] * b[3],
  a[0] * b[1] + a[1] * b[0] + a[2] * b[3] - a[3] * b[2],
  a[0] * b[2] - a[1] * b[3] + a[2] * b[0] + a[3] * b[1],
  a[0] * b[3] + a[1] * b[2] - a[2] * b[1] + a[3] * b[0],
]

/** Lowest point of all links, m. */
export const lowestOf = (links: readonly Link[], y: Float64Array): number => outermost(links, y, -1)

/** Height of the highest (+1) or lowest (-1) point of all links, m. */
export function outermost(links: readonly Link[], y: Float64Array, way: 1 | -1): number {
  let most = -Infinity
  for (const [n, { at, q }] of placesOf(links, y).entries()) {
    const { outline, centre } = links[n]!.body.geometry
    const up = [
      2 * (q[1] * q[3] - q[0] * q[2]),
      2 * (q[2] * q[3] + q[0] * q[1]),
      1 - 2 * (q[1] * q[1] + q[2] * q[2]),
    ]
    for (let i = 0; i < outline.length; i += 3) {
      const z =
        up[0]! * (outline[i]! - centre[0]) +
        up[1]! * (outline[i + 1]! - centre[1]) +
        up[2]! * (outline[i + 2]! - centre[2])
      most = Math.max(most, way * (at[2] + z))
    }
  }
  return way * most
}

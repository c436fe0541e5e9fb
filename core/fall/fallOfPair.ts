import { failure, success, type Outcome } from '../outcome'
import {
  hanging,
  hangsAt,
  heldUpWatch,
  LIMIT_S,
  neverDone,
  reachOf,
  stillSinking,
  tooFast,
  TOO_FAST,
  type Drop,
  type DropFailure,
  type DropOptions,
} from './drop'
import type { HeldBeside } from './holdLine'
import type { HydroBody } from './hydroBody'
import { lineRecorder, recorder } from './recorder'
import type { Tether, TetheredWeight } from './tether'

/** Resolves the swing of a few millimetres of tether; a held line goes with it. */
export const TETHER_STEP_S = 0.005

/** A rig of two bodies is taken to hang still when it has moved slower than this for so long, m/s and s. */
const STILL_MS = 0.01
const STILL_S = 0.5

/** What a drop has besides where a weight hangs on its own: `weightPath` is its place (x y z, m) for every sample. */
export interface WithWeight {
  readonly weightPath: Float64Array
  /** when the weight touched the bottom, s; the time of the whole drop where it never did */
  readonly weightTimeS: number
  /** what ended the drop: a bait that sinks touched, or it hangs still over the weight on the bottom */
  readonly ending: 'bottom' | 'hovers'
}

/** `untilWeight`: a bait that floats is not waited for once its weight is down */
export type PairOptions = DropOptions & { readonly untilWeight?: boolean }

/** A bait and a weight of its own as one motion, however the bait is reckoned. */
export interface FallingPair extends Pick<Tether, 'state' | 'afterStep'> {
  /** the bait's numbers, its place first, then place and velocity of the weight */ readonly y: Float64Array
  readonly weightFrom: number
  readonly advance: (y: Float64Array, stepS: number) => void
  /** height of the bait's lowest point, m */ readonly lowest: (y: Float64Array) => number
  /** takes the bait's motion from it */ readonly stop: (y: Float64Array) => void
  readonly record: (t: number, y: Float64Array, last?: boolean) => Float64Array
  readonly held?: HeldBeside
}

/** Length of a tether in so deep a water as the rig is let go, m. */
export const tetherAtFirst = ({ tetherM }: TetheredWeight, depthM: number): number =>
  Number.isFinite(tetherM) ? Math.min(tetherM, depthM / 2) : 0

/** @returns the drop with its samples as they were recorded */
export function fallOfPair(
  { y, weightFrom, advance, lowest, stop, record, held, state, afterStep }: FallingPair,
  body: HydroBody,
  weight: TetheredWeight,
  options: PairOptions & { readonly stepS: number },
): Outcome<Omit<Drop, 'samples'> & WithWeight & { readonly packed: Float64Array }, DropFailure> {
  const { depthM, stepS, limitS = LIMIT_S, viscous = true } = options
  const weightZ = weightFrom + 2
  const bodySinks = body.geometry.massKg - body.displacedKg
  const free = !Number.isFinite(weight.tetherM)
  if ((free ? bodySinks : bodySinks + weight.massKg - weight.displacedKg) <= 0)
    return failure('floats', 'It floats: it never sinks in this water.')
  const hangs = held && hanging(held, depthM, reachOf(body) + weight.diameterM + (free ? 0 : weight.tetherM))
  if (hangs) return hangs
  const recordWeight = recorder(0)
  const draw = held && lineRecorder(held)
  const heldUp = held && heldUpWatch()
  record(0, y)
  recordWeight(0, y.subarray(weightFrom))
  afterStep(y)
  const before = new Float64Array(y.length)
  let weightTimeS = Infinity
  let heightM = lowest(y) + depthM
  let stillFor = 0
  /** The weight stops where it met the bottom within the step. */
  const landWeight = (fromM: number, t: number): void => {
    const radiusM = weight.diameterM / 2
    weightTimeS = t - stepS * (1 - partTo(fromM - radiusM + depthM, y[weightZ]! - radiusM + depthM))
    state.grounded = true
    y[weightZ] = -depthM + radiusM
    y.fill(0, weightFrom + 3, weightFrom + 6)
    held?.line.takeIn()
  }
  /** The drop as it stands after a part of the last step. */
  const dropped = (steps: number, part: number, ending: WithWeight['ending']) => {
    const timeS = steps * stepS - stepS * (1 - part)
    for (let i = 0; i < y.length; i++) y[i] = before[i]! + part * (y[i]! - before[i]!)
    return {
      packed: record(timeS, y, true),
      weightPath: recordWeight(timeS, y.subarray(weightFrom), true),
      timeS,
      depthM,
      steps,
      weightTimeS: Math.min(weightTimeS, timeS),
      ending,
      ...(draw ? { linePath: draw() } : {}),
    }
  }
  const every = Math.max(1, Math.floor((options.lineStepS ?? TETHER_STEP_S) / stepS + 1e-9))
  for (let n = 1; n <= Math.ceil(limitS / stepS); n++) {
    before.set(y)
    if (held && (n - 1) % every === 0) held.before(y, every * stepS)
    draw?.(n * stepS)
    advance(y, stepS)
    const t = n * stepS
    if (!Number.isFinite(y[2]!))
      return failure('unstable', 'The calculation broke down for this rig; no figure can be given.')
    if (viscous && tooFast(before[2]!, y[2]!, stepS)) return failure('unstable', TOO_FAST)
    if (!state.grounded && y[weightZ]! - weight.diameterM / 2 <= -depthM) landWeight(before[weightZ]!, t)
    afterStep(y)
    stillFor =
      state.grounded &&
      Math.hypot(y[0]! - before[0]!, y[1]! - before[1]!, y[2]! - before[2]!) < STILL_MS * stepS
        ? stillFor + stepS
        : 0
    const aboveM = lowest(y) + depthM
    // what floats is carried on to the bottom behind its weight, stops there and rises again
    const touched = aboveM <= 0 && bodySinks > 0
    if (aboveM <= 0 && !touched) stop(y)
    const enough = options.untilWeight === true && state.grounded && bodySinks < 0
    if (touched) return success(dropped(n, partTo(heightM, aboveM), 'bottom'))
    if (stillFor > STILL_S || enough) return success(dropped(n, 1, 'hovers'))
    heightM = aboveM
    record(t, y)
    recordWeight(t, y.subarray(weightFrom))
    if (!state.grounded && heldUp?.(t, y[weightZ]!)) return hangsAt(-y[weightZ]!)
  }
  return held ? neverDone(limitS) : stillSinking(limitS)
}

/** Part of a step until something that went from one height to another, not above 0, met the bottom. */
const partTo = (fromM: number, toM: number): number =>
  fromM > toM ? Math.max(0, fromM) / (Math.max(0, fromM) - toM) : 1

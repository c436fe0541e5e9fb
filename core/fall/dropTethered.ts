import { failure, success, type Outcome } from '../outcome'
import { DEFAULT_FACTORS } from './factors'
import {
  hanging,
  hangsAt,
  heldIn,
  heldUpWatch,
  lowestPoint,
  neverDone,
  reachOf,
  startState,
  stillSinking,
  surroundingsOf,
  tooFast,
  TOO_FAST,
  USUAL_START,
  LIMIT_S,
  type Drop,
  type DropFailure,
  type DropOptions,
} from './drop'
import { holdLine, type HeldBeside } from './holdLine'
import type { HydroBody } from './hydroBody'
import { lineDragPerSpeed } from './lineDrag'
import { bodyEnd, weightEnd } from './lineEnd'
import { makeLoads, STANDARD_GRAVITY } from './loads'
import { kirchhoff, stepperOf } from './motion'
import { lineRecorder, recorder } from './recorder'
import {
  coupleTether,
  inertiaOf,
  TETHERED_SIZE,
  tetheredState,
  type Tether,
  type TetheredWeight,
} from './tether'

/** Where a state has the height of the weight. */
const WEIGHT_Z = 15

/** Resolves the swing of a few millimetres of tether; a held line goes with it. */
export const TETHER_STEP_S = 0.005

/** A rig of two bodies is taken to hang still when it has moved slower than this for so long, m/s and s. */
const STILL_MS = 0.01
const STILL_S = 0.5

/** A drop of bait and weight: `weightPath` holds the weight's place (x y z, m) for every sample. */
export interface TetheredDrop extends Drop {
  readonly weightPath: Float64Array
  /** when the weight touched the bottom, s; the time of the whole drop where it never did */
  readonly weightTimeS: number
  /** what ended the drop: a bait that sinks touched, or it hangs still over the weight on the bottom */
  readonly ending: 'bottom' | 'hovers'
}

/**
 * Drops a bait with a weight that hangs on its own until the bait touches the bottom or hangs still above it.
 * @param options with `untilWeight` a bait that floats is not waited for once its weight is down
 * @throws RangeError unless depth and step are positive
 */
export function dropTethered(
  body: HydroBody,
  weight: TetheredWeight,
  options: DropOptions & { readonly untilWeight?: boolean },
): Outcome<TetheredDrop, DropFailure> {
  const { depthM, stepS = Math.min(TETHER_STEP_S, body.stepS), limitS = LIMIT_S, viscous = true } = options
  if (!(depthM > 0 && stepS > 0)) throw new RangeError('dropTethered: depthM and stepS must be positive')
  const bodySinks = body.geometry.massKg - body.displacedKg
  const free = !Number.isFinite(weight.tetherM)
  if ((free ? bodySinks : bodySinks + weight.massKg - weight.displacedKg) <= 0)
    return failure('floats', 'It floats: it never sinks in this water.')
  const y = tetheredState(
    body,
    startState(body, options.start ?? USUAL_START),
    weight,
    free ? 0 : Math.min(weight.tetherM, depthM / 2),
  )
  const { rate, state, afterStep, held } = coupled(body, weight, options, y)
  const hangs = held && hanging(held, depthM, reachOf(body) + weight.diameterM + (free ? 0 : weight.tetherM))
  if (hangs) return hangs
  const advance = stepperOf(rate, TETHERED_SIZE)
  const record = recorder()
  const recordWeight = recorder(0)
  const draw = held && lineRecorder(held)
  const heldUp = held && heldUpWatch()
  record(0, y)
  recordWeight(0, y.subarray(13))
  afterStep(y)
  const before = new Float64Array(TETHERED_SIZE)
  let weightTimeS = Infinity
  let heightM = lowestPoint(body, y) + depthM
  let stillFor = 0
  /** The weight stops where it met the bottom within the step. */
  const landWeight = (fromM: number, t: number): void => {
    const radiusM = weight.diameterM / 2
    weightTimeS = t - stepS * (1 - partTo(fromM - radiusM + depthM, y[WEIGHT_Z]! - radiusM + depthM))
    state.grounded = true
    y[WEIGHT_Z] = -depthM + radiusM
    y.fill(0, 16, 19)
    held?.line.takeIn()
  }
  /** The drop as it stands after a part of the last step. */
  const dropped = (steps: number, part: number, ending: TetheredDrop['ending']): TetheredDrop => {
    const timeS = steps * stepS - stepS * (1 - part)
    for (let i = 0; i < TETHERED_SIZE; i++) y[i] = before[i]! + part * (y[i]! - before[i]!)
    return {
      samples: record(timeS, y, true),
      weightPath: recordWeight(timeS, y.subarray(13), true),
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
    if (!state.grounded && y[WEIGHT_Z]! - weight.diameterM / 2 <= -depthM) landWeight(before[WEIGHT_Z]!, t)
    afterStep(y)
    stillFor =
      state.grounded &&
      Math.hypot(y[0]! - before[0]!, y[1]! - before[1]!, y[2]! - before[2]!) < STILL_MS * stepS
        ? stillFor + stepS
        : 0
    const aboveM = lowestPoint(body, y) + depthM
    // what floats is carried on to the bottom behind its weight, stops there and rises again
    const touched = aboveM <= 0 && bodySinks > 0
    if (aboveM <= 0 && !touched) y.fill(0, 7, 13)
    const enough = options.untilWeight === true && state.grounded && bodySinks < 0
    if (touched) return success(dropped(n, partTo(heightM, aboveM), 'bottom'))
    if (stillFor > STILL_S || enough) return success(dropped(n, 1, 'hovers'))
    heightM = aboveM
    record(t, y)
    recordWeight(t, y.subarray(13))
    if (!state.grounded && heldUp?.(t, y[WEIGHT_Z]!)) return hangsAt(-y[WEIGHT_Z]!)
  }
  return held ? neverDone(limitS) : stillSinking(limitS)
}

/** Part of a step until something that went from one height to another, not above 0, met the bottom. */
const partTo = (fromM: number, toM: number): number =>
  fromM > toM ? Math.max(0, fromM) / (Math.max(0, fromM) - toM) : 1

/** Bait, weight, current and line as one motion. */
function coupled(
  body: HydroBody,
  weight: TetheredWeight,
  options: DropOptions,
  y: Float64Array,
): Tether & { readonly held?: HeldBeside } {
  const { line, factors = DEFAULT_FACTORS, gravityMS2 = STANDARD_GRAVITY, viscous = true } = options
  const around = surroundingsOf(options)
  const open = line && !around.pull ? line : undefined
  const loads = makeLoads(body, {
    factors,
    viscous,
    gravityMS2,
    ...(open && !weight.lineOnWeight ? { line: open } : {}),
  })
  const { pull, ...flow } = around
  const tether = coupleTether(body, weight, kirchhoff(body, loads, weight.lineOnWeight ? flow : around), {
    gravityMS2,
    surroundings: around,
    ...(open && weight.lineOnWeight
      ? {
          lineDrag: (depth: number, speed: number) =>
            lineDragPerSpeed(open, body.water, depth, speed, factors.lineBow),
        }
      : {}),
  })
  const inertKg = inertiaOf(weight)
  const sinkingKg =
    body.geometry.massKg -
    body.displacedKg +
    (Number.isFinite(weight.tetherM) ? weight.massKg - weight.displacedKg : 0)
  const held = heldIn(
    {
      options,
      body,
      around,
      from: weight.lineOnWeight ? y.slice(13, 16) : [0, 0, 0],
      sinkingN: sinkingKg * gravityMS2,
    },
    (given, at) =>
      holdLine(
        given,
        at,
        tether.rate,
        TETHERED_SIZE,
        weight.lineOnWeight ? weightEnd(inertKg) : bodyEnd(body, { weight, inertKg, state: tether.state }),
        WEIGHT_Z,
      ),
  )
  return { ...tether, ...(held ? { held } : {}) }
}

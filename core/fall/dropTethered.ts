import { success, type Outcome } from '../outcome'
import {
  heldIn,
  lowestPoint,
  startState,
  surroundingsOf,
  USUAL_START,
  type Around,
  type Drop,
  type DropFailure,
  type DropOptions,
} from './drop'
import { DEFAULT_FACTORS } from './factors'
import { fallOfPair, tetherAtFirst, TETHER_STEP_S, type PairOptions, type WithWeight } from './fallOfPair'
import { holdLine, type HeldBeside, type ReadEnd } from './holdLine'
import type { HydroBody } from './hydroBody'
import { lineDragPerSpeed } from './lineDrag'
import { bodyEnd, weightEnd, type Hung } from './lineEnd'
import { makeLoads, STANDARD_GRAVITY } from './loads'
import { kirchhoff, STATE_SIZE, stepperOf } from './motion'
import { recorder } from './recorder'
import {
  coupleTether,
  inertiaOf,
  TETHERED_SIZE,
  tetheredState,
  tiedBody,
  type Tether,
  type Tied,
  type TetheredWeight,
} from './tether'

/** A drop of bait and weight. */
export interface TetheredDrop extends Drop, WithWeight {}

/**
 * Drops a bait with a weight that hangs on its own until the bait touches the bottom or hangs still above it.
 * @param options with `untilWeight` a bait that floats is not waited for once its weight is down
 * @throws RangeError unless depth and step are positive
 */
export function dropTethered(
  body: HydroBody,
  weight: TetheredWeight,
  options: PairOptions,
): Outcome<TetheredDrop, DropFailure> {
  const { depthM, stepS = Math.min(TETHER_STEP_S, body.stepS) } = options
  if (!(depthM > 0 && stepS > 0)) throw new RangeError('dropTethered: depthM and stepS must be positive')
  const y = tetheredState(
    body,
    startState(body, options.start ?? USUAL_START),
    weight,
    tetherAtFirst(weight, depthM),
  )
  const { rate, ...pair } = coupled(body, weight, options, y)
  const done = fallOfPair(
    {
      ...pair,
      y,
      weightFrom: STATE_SIZE,
      advance: stepperOf(rate, TETHERED_SIZE),
      lowest: now => lowestPoint(body, now),
      stop: now => void now.fill(0, 7, 13),
      record: recorder(),
    },
    body,
    weight,
    { ...options, stepS },
  )
  if (!done.ok) return done
  const { packed, ...drop } = done.value
  return success({ ...drop, samples: packed })
}

/** Bait, weight, current and line as one motion. */
function coupled(body: HydroBody, weight: TetheredWeight, options: DropOptions, y: Float64Array): Coupled {
  const { line, factors = DEFAULT_FACTORS, gravityMS2 = STANDARD_GRAVITY, viscous = true } = options
  const around = surroundingsOf(options)
  const loads = makeLoads(body, {
    factors,
    viscous,
    gravityMS2,
    ...(line && !around.pull && !weight.lineOnWeight ? { line } : {}),
  })
  const { pull, ...flow } = around
  const tied = tiedBody(body, kirchhoff(body, loads, weight.lineOnWeight ? flow : around))
  return coupledTo(tied, body, weight, options, around, y, hung => bodyEnd(body, hung))
}

export type Coupled = Tether & { readonly held?: HeldBeside }

/**
 * A weight and its line joined to what is tied to it.
 * @param y state at the start; @param endOf reads the line's end where that is tied to the bait
 */
export function coupledTo(
  tied: Tied,
  body: HydroBody,
  weight: TetheredWeight,
  options: DropOptions,
  around: Around,
  y: Float64Array,
  endOf: (hung: Hung) => ReadEnd,
): Coupled {
  const { line, factors = DEFAULT_FACTORS, gravityMS2 = STANDARD_GRAVITY } = options
  const { weightFrom } = tied
  const tether = coupleTether(tied, weight, {
    gravityMS2,
    surroundings: around,
    ...(line && !around.pull && weight.lineOnWeight
      ? {
          lineDrag: (depth: number, speed: number) =>
            lineDragPerSpeed(line, body.water, depth, speed, factors.lineBow),
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
      from: weight.lineOnWeight ? y.slice(weightFrom, weightFrom + 3) : [0, 0, 0],
      sinkingN: sinkingKg * gravityMS2,
    },
    (given, at) =>
      holdLine(
        given,
        at,
        tether.rate,
        y.length,
        weight.lineOnWeight
          ? weightEnd(inertKg, weightFrom)
          : endOf({ weight, inertKg, state: tether.state, weightFrom }),
        weightFrom + 2,
      ),
  )
  return { ...tether, ...(held ? { held } : {}) }
}

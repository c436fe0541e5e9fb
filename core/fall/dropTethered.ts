import { success, type Outcome } from '../outcome'
import {
  heldIn,
  lowestPoint,
  startState,
  surroundingsOf,
  USUAL_START,
  type Drop,
  type DropFailure,
  type DropOptions,
} from './drop'
import { DEFAULT_FACTORS } from './factors'
import { fallOfPair, tetherAtFirst, TETHER_STEP_S, type PairOptions, type WithWeight } from './fallOfPair'
import { holdLine, type HeldBeside } from './holdLine'
import type { HydroBody } from './hydroBody'
import { lineDragPerSpeed } from './lineDrag'
import { bodyEnd, weightEnd } from './lineEnd'
import { makeLoads, STANDARD_GRAVITY } from './loads'
import { kirchhoff, STATE_SIZE, stepperOf } from './motion'
import { recorder } from './recorder'
import {
  coupleTether,
  inertiaOf,
  TETHERED_SIZE,
  tetheredState,
  type Tether,
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
        STATE_SIZE + 2,
      ),
  )
  return { ...tether, ...(held ? { held } : {}) }
}

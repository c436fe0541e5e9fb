import { solveInPlace } from '../../numerics/linear'
import { success, type Outcome } from '../../outcome'
import { surroundingsOf, type DropFailure } from '../drop'
import { coupledTo } from '../dropTethered'
import { DEFAULT_FACTORS } from '../factors'
import { fallOfPair, tetherAtFirst, TETHER_STEP_S, type PairOptions, type WithWeight } from '../fallOfPair'
import type { HydroBody } from '../hydroBody'
import { chainEnd } from '../lineEnd'
import { STANDARD_GRAVITY } from '../loads'
import { recorder } from '../recorder'
import type { Tied, TetheredWeight } from '../tether'
import { chainMotion, chainStateSize, LINK_STATE, ROOT_STATE, type ChainMotion, type Link } from './chain'
import {
  chainStart,
  dropBent,
  FINEST,
  lookerAt,
  lowestOf,
  parted,
  stepOf,
  stepperFor,
  type BentDrop,
} from './dropBent'

/** A drop of a bait that bends and a weight of its own. */
export interface BentPairDrop extends BentDrop, WithWeight {}

/** Numbers of a weight in a state: place and velocity. */
const WEIGHT_STATE = 6

/**
 * Drops a bait that bends with a weight that hangs on its own, tied to the part that the hook holds. As `dropBent` and
 * `dropTethered`; a tether that runs out takes the speed out within its own settling time, without a jerk.
 * @param whole the bait with its hook as one body
 * @throws RangeError unless depth and step are positive, and when a line is held that is not there
 */
export function dropBentPair(
  links: readonly Link[],
  whole: HydroBody,
  weight: TetheredWeight,
  options: PairOptions,
): Outcome<BentPairDrop, DropFailure> {
  const stepS = options.stepS ?? Math.min(TETHER_STEP_S, stepOf(links, whole))
  let done = inSteps(links, whole, weight, { ...options, stepS })
  for (let finer = 2; finer <= FINEST && !done.ok && done.code === 'unstable'; finer *= 2)
    done = inSteps(links, whole, weight, { ...options, stepS: stepS / finer })
  return done
}

/** Drops a bait that bends, with its weight where that hangs on its own. */
export const dropBentAny = (
  links: readonly Link[],
  whole: HydroBody,
  weight: TetheredWeight | undefined,
  options: PairOptions,
): Outcome<BentDrop | BentPairDrop, DropFailure> =>
  weight ? dropBentPair(links, whole, weight, options) : dropBent(links, whole, options)

function inSteps(
  links: readonly Link[],
  whole: HydroBody,
  weight: TetheredWeight,
  options: PairOptions & { readonly stepS: number },
): Outcome<BentPairDrop, DropFailure> {
  const { depthM, stepS, factors = DEFAULT_FACTORS, line, viscous = true } = options
  const { gravityMS2 = STANDARD_GRAVITY } = options
  if (!(depthM > 0 && stepS > 0)) throw new RangeError('dropBentPair: depthM and stepS must be positive')
  const weightFrom = chainStateSize(links)
  const y = chainStart(links, options.start, WEIGHT_STATE)
  y[weightFrom + 2] = -tetherAtFirst(weight, depthM)
  const around = surroundingsOf(options)
  const { pull, ...flow } = around
  const motion = chainMotion(
    links,
    { factors, viscous, gravityMS2, ...(line && !pull && !weight.lineOnWeight ? { line } : {}) },
    weight.lineOnWeight ? flow : around,
  )
  const tied = tiedRoot(links, whole, motion)
  const { rate, ...pair } = coupledTo(tied, whole, weight, options, around, y, hung =>
    chainEnd(tied.at, motion.carried, hung),
  )
  const seen = lookerAt(links, whole)
  const record = recorder(links.length)
  const done = fallOfPair(
    {
      ...pair,
      y,
      weightFrom,
      advance: stepperFor(links, rate, y.length),
      lowest: now => lowestOf(links, now),
      stop: now => stopChain(links, now),
      record: (t, now, last) => record(t, seen(now), last),
    },
    whole,
    weight,
    options,
  )
  if (!done.ok) return done
  const { packed, ...drop } = done.value
  return success({ ...drop, ...parted(packed, links.length - 1) })
}

/** The root of a chain as what a tether is tied to: a pull on it is worked through the chain. */
function tiedRoot(links: readonly Link[], whole: HydroBody, { rate, pulled, carried }: ChainMotion): Tied {
  return {
    water: whole.water,
    at: links[0]!.body.tieAt,
    weightFrom: chainStateSize(links),
    rate,
    velocity: (y, out) => out.set(y.subarray(7, ROOT_STATE)),
    acceleration: (dy, out) => out.set(dy.subarray(7, ROOT_STATE)),
    give(load) {
      const moved = load.slice()
      if (!solveInPlace(carried.slice(), moved)) throw new RangeError('tiedRoot: it carries nothing')
      return load.reduce((sum, l, i) => sum + l * moved[i]!, 0)
    },
    pulled: (y, dy, _, worldN) => pulled(y, dy, worldN),
  }
}

function stopChain(links: readonly Link[], y: Float64Array): void {
  y.fill(0, 7, ROOT_STATE)
  for (let n = 1; n < links.length; n++) {
    const at = ROOT_STATE + LINK_STATE * (n - 1)
    y.fill(0, at + 4, at + LINK_STATE)
  }
}

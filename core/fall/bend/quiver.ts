import { rotate, type Vec3 } from '../../numerics/quaternion'
import type { Drop } from '../drop'
import { DEFAULT_FACTORS, type FallFactors } from '../factors'
import type { HydroBody } from '../hydroBody'
import { STANDARD_GRAVITY } from '../loads'
import { SAMPLE_STRIDE } from '../recorder'
import { chainMotion, chainStateSize, type Link } from './chain'
import { placesOf, stateAtEnd, stepOf, stepperFor, type BentDrop } from './dropBent'
import { sheddingOf, WAKE_STATE } from './shedding'

/** How the ends of a bait quiver in its fall. */
export interface Quiver {
  /** how often to and fro in a second */ readonly hz: number
  /** how far to a side, of the end that goes farthest, m */ readonly swingM: number
}

/** Wakes come to their size, and what was still settling dies away, within this; watched for so long after, s. */
const BEGIN_S = 6
const WATCH_S = 4
/** What takes longer than this to and fro is a bait that turns, s; rates that are looked at, 1/s. */
const SLOW_S = 1
const FASTEST_HZ = 15
const RATES_HZ = 0.1
/** Less than this is nothing that anyone sees, m. */
const SEEN_M = 1e-4

/**
 * How a bait's ends quiver against the part that the hook holds, as vortices leave it in turn: the fall goes on from
 * its end as if there were no bottom, on a slack line.
 * @returns undefined where nothing bends, where the ends keep still, and where the motion cannot be followed
 */
export function quiverOf(
  links: readonly Link[],
  whole: HydroBody,
  drop: Drop | BentDrop,
  factors: FallFactors = DEFAULT_FACTORS,
): Quiver | undefined {
  if (links.length === 1) return undefined
  const size = chainStateSize(links)
  const shed = sheddingOf(links, size)
  const motion = chainMotion(
    links,
    { factors, viscous: true, gravityMS2: STANDARD_GRAVITY },
    { wake: shed.wake },
  )
  const y = new Float64Array(size + WAKE_STATE * links.length)
  y.set(stateAtEnd(links, whole, drop))
  y.set(fallingAt(drop), 7)
  shed.begin(y)
  const rate = (at: Float64Array, dy: Float64Array): void => {
    motion.rate(at, dy)
    shed.follow(motion, at, dy)
  }
  const advance = stepperFor(links, rate, y.length)
  const stepS = stepOf(links, whole)
  const look = endsOf(links)
  const ways: Float64Array[] = look(y).map(() => new Float64Array(Math.ceil(WATCH_S / stepS)))
  for (let t = 0; t < BEGIN_S; t += stepS) advance(y, stepS)
  for (let n = 0; n < ways[0]!.length; n++) {
    advance(y, stepS)
    if (!y.every(Number.isFinite)) return undefined
    look(y).forEach((value, way) => (ways[way]![n] = value))
  }
  const [widest] = ways.map(way => quick(way, stepS)).sort((a, b) => swingOf(b) - swingOf(a))
  const swingM = swingOf(widest!)
  return swingM < SEEN_M ? undefined : { hz: strongest(widest!, stepS), swingM }
}

/** Velocity of a fall at its end in the body's axes, m/s. */
function fallingAt({ samples }: Drop): Vec3 {
  const last = samples.length - SAMPLE_STRIDE
  let before = last - SAMPLE_STRIDE
  // the last step of a fall may be as short as nothing
  while (before > 0 && samples[last]! - samples[before]! < 0.01) before -= SAMPLE_STRIDE
  const over = (k: number): number =>
    (samples[last + k]! - samples[before + k]!) / Math.max(1e-9, samples[last]! - samples[before]!)
  const [w, x, y, z] = samples.subarray(last + 4, last + 8)
  return rotate([w!, -x!, -y!, -z!], [over(1), over(2), over(3)])
}

/** Where the ends of a chain are in the axes of its root, across: y and z of each. */
function endsOf(links: readonly Link[]): (y: Float64Array) => number[] {
  const ends = links.flatMap((_, n) => (n > 0 && !links.some(({ parent }) => parent === n) ? [n] : []))
  return y => {
    const places = placesOf(links, y)
    const { at: from, q } = places[0]!
    return ends.flatMap(n => {
      const { at, q: turned } = places[n]!
      const { jointAt } = links[n]!
      // as far behind the middle as the joint is before it
      const tip = rotate(turned, [-jointAt[0], -jointAt[1], -jointAt[2]])
      const [, side, up] = rotate(
        [q[0], -q[1], -q[2], -q[3]],
        [at[0] + tip[0] - from[0], at[1] + tip[1] - from[1], at[2] + tip[2] - from[2]],
      )
      return [side, up]
    })
  }
}

/** What is left of values at even times without what is slower than a quiver: less their mean over a second. */
function quick(values: Float64Array, stepS: number): Float64Array {
  const half = Math.min(Math.round(SLOW_S / 2 / stepS), (values.length - 1) >> 1)
  const out = new Float64Array(values.length - 2 * half)
  let sum = 0
  for (let n = 0; n < 2 * half; n++) sum += values[n]!
  for (let n = 0; n < out.length; n++) {
    sum += values[n + 2 * half]!
    out[n] = values[n + half]! - sum / (2 * half + 1)
    sum -= values[n]!
  }
  return out
}

/** How far values swing, of a sine of the same spread. */
const swingOf = (values: Float64Array): number =>
  Math.sqrt((2 * values.reduce((sum, v) => sum + v * v, 0)) / values.length)

/** The rate, 1/s, that is strongest in values at even times. */
function strongest(values: Float64Array, stepS: number): number {
  let [most, found] = [0, 0]
  for (let hz = 1 / SLOW_S; hz < FASTEST_HZ; hz += RATES_HZ) {
    let [re, im] = [0, 0]
    for (let n = 0; n < values.length; n++) {
      const turn = 2 * Math.PI * hz * stepS * n
      re += values[n]! * Math.cos(turn)
      im += values[n]! * Math.sin(turn)
    }
    const strength = Math.hypot(re, im)
    if (strength > most) [most, found] = [strength, hz]
  }
  return found
}

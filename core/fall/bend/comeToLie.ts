import { rotate, upInBody, type Quaternion, type Vec3 } from '../../numerics/quaternion'
import { streamAt, type Stream } from '../../water/stream'
import { DEFAULT_FACTORS, type FallFactors } from '../factors'
import type { HydroBody } from '../hydroBody'
import { STANDARD_GRAVITY } from '../loads'
import { pointAt, postureAt, type Rest } from '../rest'
import { chainMotion, LINK_STATE, ROOT_STATE, type Link } from './chain'
import {
  FINEST,
  lookerAt,
  outermost,
  product,
  stateAtEnd,
  stepOf,
  stepperFor,
  type BentDrop,
} from './dropBent'
import { pressing, type Ground } from './ground'

/** What a bait comes to lie in and on. */
export interface LyingIn extends Omit<Ground, 'hinge'> {
  /** a hinge holds the root's tie point this high over the bottom, m: a weight on the bottom and its joint */
  readonly hingeM?: number
  readonly stream?: Stream
  readonly factors?: FallFactors
}

/** It is followed for so long, s; what has moved slower than this for a while lies, m/s and s. */
const LIMIT_S = 12
const STILL_MS = 0.002
const STILL_FOR_S = 0.3
/** Motion over the ground dies away within this besides what water and ground take: it is where it ends that counts. */
const STILLED_S = 1.5

/**
 * How a bait that bends comes to lie on the ground: from where it touched, with the ground under every link, until
 * nothing moves.
 * @param drop its fall, of which the last sample is where it touched
 * @returns undefined where the motion cannot be followed
 */
export function comeToLie(
  links: readonly Link[],
  whole: HydroBody,
  drop: BentDrop,
  { hingeM, stream, factors = DEFAULT_FACTORS, ...bottom }: LyingIn,
): Rest | undefined {
  const from = stateFrom(links, whole, drop)
  const ground: Ground =
    hingeM === undefined ? bottom : { ...bottom, hinge: hingeAt(links[0]!, from, bottom.heightM + hingeM) }
  const flowing = stream ? { stream: streamAt(stream) } : {}
  for (let finer = 1; finer <= FINEST; finer *= 2) {
    const stepS = stepOf(links, whole) / finer
    const { rate } = chainMotion(
      links,
      { factors, viscous: true, gravityMS2: STANDARD_GRAVITY },
      { ...flowing, ground: pressing(links, ground, stepS) },
    )
    const y = from.slice()
    if (lies(y, stepperFor(links, rate), stepS, still(links, flowing.stream)))
      return restOf(links, whole, y, ground)
  }
  return undefined
}

/** @returns whether the motion could be followed; `y` then holds how it lies */
function lies(
  y: Float64Array,
  advance: (y: Float64Array, stepS: number) => void,
  stepS: number,
  slow: (y: Float64Array, stepS: number) => number,
): boolean {
  let stillFor = 0
  for (let t = 0; t < LIMIT_S && stillFor < STILL_FOR_S; t += stepS) {
    advance(y, stepS)
    if (!y.every(Number.isFinite)) return false
    stillFor = slow(y, stepS) < STILL_MS ? stillFor + stepS : 0
  }
  return true
}

/** Takes some of its motion over the ground from a chain. @returns how fast its quickest part moves, m/s */
function still(
  links: readonly Link[],
  stream: ((z: number, out: Float64Array) => void) | undefined,
): (y: Float64Array, stepS: number) => number {
  const flow = new Float64Array(2)
  const lengths = links.map(({ body }) => body.lengthM)
  return (y, stepS) => {
    const keeps = Math.exp(-stepS / STILLED_S)
    stream?.(y[2]!, flow)
    const along = rotate([y[3]!, -y[4]!, -y[5]!, -y[6]!], [flow[0]!, flow[1]!, 0])
    let most = 0
    for (let k = 0; k < 3; k++) {
      const over = keeps * (y[7 + k]! + along[k]!)
      y[7 + k] = over - along[k]!
      most = Math.max(most, Math.abs(over))
    }
    for (let n = 0; n < links.length; n++) {
      const at = n === 0 ? 10 : ROOT_STATE + LINK_STATE * (n - 1) + 4
      for (let k = at; k < at + 3; k++) {
        y[k]! *= keeps
        most = Math.max(most, Math.abs(y[k]!) * lengths[n]!)
      }
    }
    return most
  }
}

/** It comes down leaning by this much more than it fell, rad: nothing stands on an edge for long. *Assumed.* */
const LEANS_RAD = 0.06

/** A chain at rest in the shape of a fall's last sample, rolled a little about its own length. */
function stateFrom(links: readonly Link[], whole: HydroBody, drop: BentDrop): Float64Array {
  const y = stateAtEnd(links, whole, drop)
  const q: Quaternion = [y[3]!, y[4]!, y[5]!, y[6]!]
  y.set(product(q, [Math.cos(LEANS_RAD / 2), Math.sin(LEANS_RAD / 2), 0, 0]), 3)
  return y
}

/** A place right under or over the root's tie point, m. */
function hingeAt({ body: { tieAt } }: Link, y: Float64Array, heightM: number): Vec3 {
  const tie = rotate([y[3]!, y[4]!, y[5]!, y[6]!], tieAt)
  return [y[0]! + tie[0], y[1]! + tie[1], heightM]
}

/** What a chain that lies comes to. */
function restOf(links: readonly Link[], whole: HydroBody, y: Float64Array, { heightM, bed }: Ground): Rest {
  const seen = lookerAt(links, whole)(y)
  const up: Vec3 = upInBody([seen[3]!, seen[4]!, seen[5]!, seen[6]!])
  const pitchRad = Math.asin(Math.max(-1, Math.min(1, up[0])))
  return {
    pitchRad,
    rollRad: Math.atan2(up[1], up[2]),
    posture: postureAt(pitchRad),
    point: pointAt(up),
    highestM: Math.max(0, outermost(links, y, 1) - heightM),
    centreM: seen[2]! - heightM,
    sunkM: bed ? Math.max(0, heightM - outermost(links, y, -1)) : 0,
    bent: seen.slice(7),
  }
}

import type { StrikeRig, Tackle } from './bite'
import { setForceN, type Bite, type BiteChain } from './chain'

/** One moment of a bite: seconds after the mouth closes, the plastic's squeeze, the rod tip's way, and the forces. */
export interface BiteMoment {
  readonly tS: number
  /** share of its height the bait is squeezed */ readonly squeezed: number
  /** way of the rod tip, m; slack is taken up first */ readonly sweptM: number
  /** at the rod and at the hook, which line and rod in series carry alike, N */ readonly hookN: number
  /** what of it drives the point into the jaw: less what the plastic takes, N */ readonly pointN: number
}

/** A bite from the closing of the mouth to its end. */
export interface BiteCourse {
  readonly moments: readonly BiteMoment[]
  /** the rod begins to be swept, s */ readonly setS: number
  /** the point is in to the bend, s; undefined where it never is */ readonly inS?: number
  /** the fish lets go, the hook opens, or the tip has been swept, s */ readonly endS: number
}

/** A mouth shuts on a bait in so long, s: a bass's gape closes in 30 to 60 ms. Typical. */
const SHUT_S = 0.05
/** A firm sweep of the rod lasts so long, s. *Assumed.* */
const SWEEP_S = 0.35
/** Moments of a sweep, and of what comes before it. */
const STEPS = 48

/**
 * The course of one bite in time, by the same chain that decides it: the mouth shuts, the plastic gives; the angler
 * sets after his time to react; slack comes up, then line and rod load; the point goes in, the hook opens, or the fish
 * lets go first.
 * @param bite the bite whose chain it is
 */
export function biteCourse(rig: StrikeRig, tackle: Tackle, bite: Bite, chain: BiteChain): BiteCourse {
  const letsGo = chain.loss === 'letGo'
  const setS = bite.reactS
  const endS = letsGo ? bite.holdS : setS + SWEEP_S
  const at = (tS: number): BiteMoment => {
    const gone = letsGo && tS >= bite.holdS
    const sweptM = (tackle.sweepM * Math.max(0, Math.min(SWEEP_S, tS - setS))) / SWEEP_S
    const pulled = gone ? 0 : setForceN({ ...tackle, sweepM: sweptM }, bite.slackM)
    const hookN = Math.min(pulled, rig.openingLoadN)
    const passed = chain.loss === undefined || chain.loss === 'opens' || chain.loss === 'noForce'
    return {
      tS,
      squeezed: gone ? 0 : chain.squeezed * Math.min(1, tS / SHUT_S),
      sweptM,
      hookN,
      pointN: passed ? Math.max(0, hookN - chain.plasticN) : 0,
    }
  }
  const times = [
    ...Array.from({ length: 6 }, (_, i) => (SHUT_S * i) / 5),
    ...(letsGo
      ? [0.98 * bite.holdS, bite.holdS]
      : Array.from({ length: STEPS + 1 }, (_, i) => setS + (SWEEP_S * i) / STEPS)),
  ]
  const moments = times.filter((t, i) => t <= endS && (i === 0 || t > times[i - 1]!)).map(at)
  const goesIn = moments.find(m => m.pointN >= chain.neededN)
  return { moments, setS, endS, ...(goesIn && chain.neededN > 0 ? { inS: goesIn.tS } : {}) }
}

/** The moment of a course at a time, straight between those it has. */
export function momentOf({ moments }: Pick<BiteCourse, 'moments'>, tS: number): BiteMoment {
  const i = moments.findIndex(m => m.tS >= tS)
  if (i < 0) return moments.at(-1)!
  if (i === 0) return moments[0]!
  const [a, b] = [moments[i - 1]!, moments[i]!]
  const part = (tS - a.tS) / (b.tS - a.tS)
  const between = (of: (m: BiteMoment) => number): number => of(a) + part * (of(b) - of(a))
  return {
    tS,
    squeezed: between(m => m.squeezed),
    sweptM: between(m => m.sweptM),
    hookN: between(m => m.hookN),
    pointN: between(m => m.pointN),
  }
}

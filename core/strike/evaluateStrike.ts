import { logNormal, normal, type Random } from '../numerics/random'
import { wilson } from '../numerics/statistics'
import { measure, type Measure } from '../outcome'
import { BITE, type StrikeRig, type Tackle } from './bite'

/** Steps at which a bite is lost, in the order they come. */
export const LOSSES = ['tailNip', 'notReached', 'noBite', 'noForce', 'opens'] as const
export type LossId = typeof LOSSES[number]

export interface Loss { readonly id: LossId, readonly share: number }

export interface StrikeResult {
  /** chance that a bite becomes a hooked fish */ readonly hookUp: Measure
  /** shares of all bites lost at each step, largest first */ readonly losses: readonly Loss[]
  readonly draws: number
}

export const DRAWS = 4000
/** Bites on which each doubt is tried: enough, since the same bites are compared with and without it. */
const DOUBT_DRAWS = 1200

type Scale = { forceN: number, penetrationN: number, needM: number, slackM: number }
const PLAIN: Scale = { forceN: 1, penetrationN: 1, needM: 1, slackM: 1 }

/** What chance decides of one bite, before any doubt is put on it. SI. */
interface Bite {
  readonly atM: number
  readonly forceN: number
  readonly needM: number
  readonly slackM: number
  readonly penetrationN: number
  /** most the bait is squeezed, share of its height */ readonly squeezeMost: number
  /** share of the bite force held while a bait is drawn through the jaws, 0..1 */ readonly grip: number
}

/**
 * Chance that a bite is hooked, by seeded Monte Carlo over bite place, bite force, jaw and slack. A bite is lost where it
 * first fails: behind the hook; point not squeezed out of the plastic; no gap left over the squeezed body; set too weak to
 * go in; or so hard that the hook opens. A bite away from the point squeezes it only as the bait is drawn through the
 * jaws, with what grip is left. The range adds, in quadrature, the sampling error and the doubt in each median; every
 * doubt is put on the same bites (common random numbers), so that its effect is not blurred by chance.
 * @throws RangeError unless draws is at least 1
 */
export function evaluateStrike(rig: StrikeRig, tackle: Tackle, random: Random, draws = DRAWS): StrikeResult {
  if (!(draws >= 1)) throw new RangeError('evaluateStrike: draws must be at least 1')
  const bites = Array.from({ length: draws }, () => drawBite(rig, random))
  const count = strike(rig, tackle, bites, PLAIN)
  const hooked = draws - lostIn(count)
  const value = hooked / draws
  const [sampleLow, sampleHigh] = wilson(hooked, draws)
  let down = Math.max(0, value - sampleLow) ** 2
  let up = Math.max(0, sampleHigh - value) ** 2
  const some = bites.slice(0, DOUBT_DRAWS)
  const before = lostIn(strike(rig, tackle, some, PLAIN))
  for (const key of Object.keys(PLAIN) as (keyof Scale)[]) {
    for (const factor of [1 / BITE[key].doubt, BITE[key].doubt]) {
      const change = (before - lostIn(strike(rig, tackle, some, { ...PLAIN, [key]: factor }))) / some.length
      if (change < 0) down += change * change
      else up += change * change
    }
  }
  return {
    hookUp: measure(value, Math.max(0, value - Math.sqrt(down)), Math.min(1, value + Math.sqrt(up))),
    losses: LOSSES.map(id => ({ id, share: count[id] / draws })).filter(l => l.share > 0).sort((a, b) => b.share - a.share),
    draws,
  }
}

const lostIn = (count: Record<LossId, number>): number => LOSSES.reduce((sum, id) => sum + count[id], 0)

function strike(rig: StrikeRig, tackle: Tackle, bites: readonly Bite[], scale: Scale): Record<LossId, number> {
  const count: Record<LossId, number> = { tailNip: 0, notReached: 0, noBite: 0, noForce: 0, opens: 0 }
  for (const one of bites) {
    const loss = lossOf(rig, tackle, one, scale)
    if (loss) count[loss]++
  }
  return count
}

function drawBite(rig: StrikeRig, random: Random): Bite {
  return {
    atM: biteAt(rig, random),
    forceN: logNormal(random, BITE.forceN.median, BITE.forceN.gsd),
    needM: logNormal(random, BITE.needM.median, BITE.needM.gsd),
    slackM: logNormal(random, BITE.slackM.median, BITE.slackM.gsd),
    penetrationN: logNormal(random, BITE.penetrationN.median, BITE.penetrationN.gsd),
    squeezeMost: rig.squeezeMost + SQUEEZE_SD * normal(random),
    grip: BITE.gripLeast + (1 - BITE.gripLeast) * random(),
  }
}

function lossOf(rig: StrikeRig, tackle: Tackle, one: Bite, scale: Scale): LossId | undefined {
  if (one.atM > rig.bendM + 0.3 * (rig.lengthM - rig.bendM)) return 'tailNip'
  const grip = Math.abs(one.atM - rig.pointM) <= BITE.reachM ? 1 : one.grip
  if (grip * scale.forceN * one.forceN < rig.guardN) return 'notReached'
  const pressed = grip * scale.forceN * one.forceN / BITE.jawM2 / (3 * rig.modulusPa)
  const squeezed = Math.min(one.squeezeMost, pressed)
  if (rig.coverM > 0 && squeezed * rig.filledM / 2 < rig.coverM + SKIN_M) return 'notReached'
  if (rig.gapM - rig.wireM - rig.filledM * (1 - squeezed) < scale.needM * one.needM) return 'noBite'
  const set = setForceN(tackle, scale.slackM * one.slackM)
  const plastic = rig.modulusPa * (rig.coverM + CUT_M) * rig.wireM * 4
  if (set - plastic < scale.penetrationN * one.penetrationN * (rig.wireM / 0.001) ** 1.5) return 'noForce'
  if (set > rig.openingLoadN) return 'opens'
  return undefined
}

/** Extra squeeze that breaks the skin over a covered point, m. *Assumed.* */
const SKIN_M = 0.0006

/** Spread of the most a bait can be squeezed, from jaw to jaw, as a share of height. *Assumed.* */
const SQUEEZE_SD = 0.05

/** Plastic a point drags through even when it starts on the back, m. *Assumed.* */
const CUT_M = 0.001

/** Middle of the bite, m from the nose: head third, middle third, or tail third. */
function biteAt(rig: StrikeRig, random: Random): number {
  const { head, middle } = BITE.place
  const u = random()
  const third = u < head ? 0 : u < head + middle ? 1 : 2
  return rig.lengthM * (third + random()) / 3
}

/** Force at the hook when the rod is swept, line and rod in series, N. */
export function setForceN(tackle: Tackle, slackM: number): number {
  const lineNPerM = tackle.line.stiffnessN / tackle.distanceM
  const stiffness = 1 / (1 / lineNPerM + 1 / tackle.rodNPerM)
  return Math.min(tackle.rodMostN, tackle.line.strengthN, stiffness * Math.max(0, tackle.sweepM - slackM))
}

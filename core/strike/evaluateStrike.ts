import { logNormal, normal, seededRandom, type Random } from '../numerics/random'
import { wilson } from '../numerics/statistics'
import { measure, type Measure } from '../outcome'
import { BITE, FEEDING, MATCHES, MIDDLING_PA, SCENT_HELD, type StrikeRig, type Tackle } from './bite'

/** Steps at which a bite is lost, in the order they come. */
export const LOSSES = ['tailNip', 'letGo', 'notReached', 'noBite', 'noForce', 'opens'] as const
export type LossId = typeof LOSSES[number]

export interface Loss { readonly id: LossId, readonly share: number }

export interface StrikeResult {
  /** chance that a bite becomes a hooked fish */ readonly hookUp: Measure
  /** shares of all bites lost at each step, largest first */ readonly losses: readonly Loss[]
  /** what is least certain: the median whose doubt moves the figure most */ readonly mainDoubt: keyof Scale
  readonly draws: number
}

export const DRAWS = 4000
/** Bites on which each doubt is tried: enough, since the same bites are compared with and without it. */
const DOUBT_DRAWS = 1200

export type Scale = { forceN: number, penetrationN: number, needM: number, slackM: number, holdS: number, modulusPa: number, sweepM: number }
const PLAIN: Scale = { forceN: 1, penetrationN: 1, needM: 1, slackM: 1, holdS: 1, modulusPa: 1, sweepM: 1 }

/** What chance decides of one bite, before any doubt is put on it. SI. */
export interface Bite {
  /** how much longer than usual it holds on, and how long the set takes, s */ readonly holdS: number
  readonly reactS: number
  /** middle of the bite, m from the nose */ readonly atM: number
  readonly forceN: number
  readonly needM: number
  readonly slackM: number
  readonly penetrationN: number
  /** most the bait is squeezed, share of its height */ readonly squeezeMost: number
  /** share of the bite force held while a bait is drawn through the jaws, 0..1 */ readonly grip: number
}

/**
 * Chance that a bite is hooked, by seeded Monte Carlo over bite place, bite force, jaw and slack. A bite is lost where it
 * first fails: behind the hook; let go before the set; point not squeezed out of the plastic; no gap left over the squeezed body; set too weak to
 * go in; or so hard that the hook opens. A bite away from the point squeezes it only as the bait is drawn through the
 * jaws, with what grip is left. The range adds, in quadrature, the sampling error and the doubt in each median; every
 * doubt is put on the same bites (common random numbers), so that its effect is not blurred by chance.
 * @throws RangeError unless draws is at least 1
 */
export function evaluateStrike(rig: StrikeRig, tackle: Tackle, random: Random, draws = DRAWS): StrikeResult {
  if (!(draws >= 1)) throw new RangeError('evaluateStrike: draws must be at least 1')
  const bites = Array.from({ length: draws }, () => drawBite(rig, tackle, random))
  const count = strike(rig, tackle, bites, PLAIN)
  const hooked = draws - lostIn(count)
  const value = hooked / draws
  const [sampleLow, sampleHigh] = wilson(hooked, draws)
  let down = Math.max(0, value - sampleLow) ** 2
  let up = Math.max(0, sampleHigh - value) ** 2
  const some = bites.slice(0, DOUBT_DRAWS)
  const before = lostIn(strike(rig, tackle, some, PLAIN))
  let mainDoubt: keyof Scale = 'forceN'
  let most = -1
  for (const key of Object.keys(PLAIN) as (keyof Scale)[]) {
    for (const factor of [1 / BITE[key].doubt, BITE[key].doubt]) {
      const change = (before - lostIn(strike(rig, tackle, some, { ...PLAIN, [key]: factor }))) / some.length
      if (Math.abs(change) > most) {
        most = Math.abs(change)
        mainDoubt = key
      }
      if (change < 0) down += change * change
      else up += change * change
    }
  }
  return {
    hookUp: measure(value, Math.max(0, value - Math.sqrt(down)), Math.min(1, value + Math.sqrt(up))),
    losses: LOSSES.map(id => ({ id, share: count[id] / draws })).filter(l => l.share > 0).sort((a, b) => b.share - a.share),
    mainDoubt,
    draws,
  }
}

const lostIn = (count: Record<LossId, number>): number => LOSSES.reduce((sum, id) => sum + count[id], 0)

function strike(rig: StrikeRig, tackle: Tackle, bites: readonly Bite[], scale: Scale): Record<LossId, number> {
  const count: Record<LossId, number> = { tailNip: 0, letGo: 0, notReached: 0, noBite: 0, noForce: 0, opens: 0 }
  for (const one of bites) {
    const { loss } = biteChain(rig, tackle, one, scale)
    if (loss) count[loss]++
  }
  return count
}

/** How much longer a fish holds on than usual: softness and salt of the bait, likeness to food, scent. */
const heldBy = (rig: StrikeRig, { match, scented }: Tackle): number => rig.heldLonger * MATCHES[match].held * (scented ? SCENT_HELD : 1)

/** What chance decides of a fish, whatever bait it takes: against medians, or 0..1. */
export interface Fish {
  readonly third: number, readonly along: number, readonly grip: number, readonly squeeze: number
  readonly force: number, readonly needM: number, readonly slackM: number, readonly penetrationN: number, readonly hold: number, readonly react: number
}

function drawOne(random: Random): Fish {
  return {
    third: random(), along: random(),
    force: logNormal(random, 1, BITE.forceN.gsd), needM: logNormal(random, BITE.needM.median, BITE.needM.gsd), slackM: logNormal(random, BITE.slackM.median, BITE.slackM.gsd),
    penetrationN: logNormal(random, BITE.penetrationN.median, BITE.penetrationN.gsd), squeeze: normal(random), grip: random(),
    hold: logNormal(random, 1, BITE.holdS.gsd), react: logNormal(random, 1, BITE.reactS.gsd),
  }
}

/** Slack of a line at a bite against that of a moving lure at a usual distance: it bows the more the more of it is out. */
const slackOut = ({ moving, distanceM }: Tackle): number => (moving ? 1 : BITE.pausedSlack) * distanceM / BITE.slackAtM

/** The bite of a fish on one bait. */
function biteOf(rig: StrikeRig, tackle: Tackle, fish: Fish): Bite {
  const { moving, feeding } = tackle
  const { head, middle, force, holdS } = FEEDING[feeding]
  const third = fish.third < head ? 0 : fish.third < head + middle ? 1 : 2
  return {
    atM: rig.lengthM * (third + fish.along) / 3,
    forceN: force * BITE.forceN.median * fish.force,
    needM: fish.needM,
    slackM: slackOut(tackle) * fish.slackM,
    penetrationN: fish.penetrationN,
    squeezeMost: rig.squeezeMost + SQUEEZE_SD * fish.squeeze,
    grip: BITE.gripLeast + (1 - BITE.gripLeast) * fish.grip,
    holdS: heldBy(rig, tackle) * holdS * fish.hold,
    reactS: (moving ? BITE.reactS.moving : BITE.reactS.paused) * fish.react,
  }
}

const drawBite = (rig: StrikeRig, tackle: Tackle, random: Random): Bite => biteOf(rig, tackle, drawOne(random))

/** What one bite comes to, step by step: lengths in m, forces in N. */
export interface BiteChain {
  /** share of its height the bait is squeezed */ readonly squeezed: number
  /** plastic over the point, and how much the squeeze uncovers */ readonly coverM: number
  readonly uncoveredM: number
  /** what going through the plastic that is left takes, and what the jaws hold the bait with, N */ readonly throughN: number
  readonly heldN: number
  /** gap left over the squeezed body, and what a jaw needs */ readonly gapM: number
  readonly needM: number
  /** force of the set at the hook; what the plastic takes; what going in takes; what opens the hook */ readonly setN: number
  readonly plasticN: number
  readonly neededN: number
  readonly opensN: number
  /** the first step that fails; undefined where the fish is hooked */ readonly loss?: LossId
}

/** A smaller hook than this one takes hold in proportionally less of a jaw, m of gap. *Assumed*: small hooks are bitten by small jaws. */
const FULL_NEED_GAP_M = 0.0105

/** Follows one bite through its chain. */
export function biteChain(asBuilt: StrikeRig, tackle: Tackle, one: Bite, scale: Scale = PLAIN): BiteChain {
  const behind = one.atM > asBuilt.bendM + 0.3 * (asBuilt.lengthM - asBuilt.bendM)
  if (behind && asBuilt.trailing) return biteChain(trailed(asBuilt, asBuilt.trailing, one.atM), tackle, one, scale)
  const rig = { ...asBuilt, modulusPa: scale.modulusPa * asBuilt.modulusPa }
  const grip = Math.abs(one.atM - rig.pointM) <= BITE.reachM ? 1 : one.grip
  const force = grip * scale.forceN * one.forceN
  const squeezed = Math.min(one.squeezeMost, force / BITE.jawM2 / (3 * rig.modulusPa))
  const uncoveredM = squeezed * rig.filledM / 2
  const gapM = rig.gapM - rig.wireM - rig.filledM * (1 - squeezed)
  const needM = scale.needM * one.needM * Math.min(1, rig.gapM / FULL_NEED_GAP_M)
  const setN = setForceN({ ...tackle, sweepM: scale.sweepM * tackle.sweepM }, scale.slackM * one.slackM)
  const throughN = throughPlasticN(rig, uncoveredM)
  const heldN = JAW_GRIP * force
  // a guard is pressed down by the same pull that drives the point
  const plasticN = throughN + rig.modulusPa * CUT_M * rig.wireM * 4 + rig.guardN
  const neededN = scale.penetrationN * one.penetrationN * (rig.wireM / 0.001) ** 1.5
  const loss = behind ? 'tailNip'
    : scale.holdS * one.holdS < one.reactS ? 'letGo'
      : force < rig.guardN || throughN > heldN ? 'notReached'
        : gapM < needM ? 'noBite'
          : setN - plasticN < neededN ? 'noForce'
            : setN > rig.openingLoadN ? 'opens' : undefined
  return { squeezed, coverM: rig.coverM, uncoveredM, throughN, heldN, gapM, needM, setN, plasticN, neededN, opensN: rig.openingLoadN, ...(loss ? { loss } : {}) }
}

/** What a bite on the tail meets where a small hook trails there: open, and hardly any plastic in its gap. */
function trailed({ trailing: _, ...rig }: StrikeRig, trailing: NonNullable<StrikeRig['trailing']>, atM: number): StrikeRig {
  return { ...rig, ...trailing, coverM: 0, guardN: 0, pointM: atM, bendM: rig.lengthM }
}

/** Plastic that stays over a covered point until the squeeze has gone so much further, m: its skin. *Assumed.* */
const SKIN_M = 0.0006

/**
 * What going through plastic takes: energy of cutting it, J/m², and friction of plastic on wire, Pa, both for plastic of
 * middling softness and in proportion to its stiffness; and how much wider than the wire its barb cuts. *Assumed*, until
 * weighed: needles of 1.2 mm go into soft gels and plastisols of this stiffness with one to three newtons, up to a tenth of
 * one for each millimetre they are in; a barb and a rounder point ask for more.
 */
const THROUGH = { cutJM2: 1500, frictionPa: 25e3, barb: 2 } as const
/** Hold of toothed jaws on a bait, over their press: where the point needs more to go through the plastic, bait and hook slide out together. *Assumed.* */
const JAW_GRIP = 0.5

/** Force that drives a covered point through the plastic that a squeeze has left over it, N; none where it stands clear. */
function throughPlasticN({ coverM, wireM, modulusPa, tough = 1 }: StrikeRig, uncoveredM: number): number {
  const leftM = coverM > 0 ? coverM + SKIN_M - uncoveredM : 0
  if (leftM <= 0) return 0
  return tough * (modulusPa / MIDDLING_PA) * wireM
    * (THROUGH.barb * THROUGH.cutJM2 + Math.PI * THROUGH.frictionPa * leftM)
}

/** Spread of the most a bait can be squeezed, from jaw to jaw, as a share of height. *Assumed.* */
const SQUEEZE_SD = 0.05

/** Plastic a point drags through even when it starts on the back, m. *Assumed.* */
const CUT_M = 0.001

/** Force at the hook when the rod is swept, line and rod in series, N. */
export function setForceN(tackle: Tackle, slackM: number): number {
  const lineNPerM = tackle.line.stiffnessN / tackle.distanceM
  const stiffness = 1 / (1 / lineNPerM + 1 / tackle.rodNPerM)
  return Math.min(tackle.rodMostN, tackle.line.strengthN, stiffness * Math.max(0, tackle.sweepM - slackM))
}

/** Draws so many fish, for letting many rigs be bitten by the very same. */
export function drawFish(seed: number, draws: number): Fish[] {
  const random = seededRandom(seed)
  return Array.from({ length: draws }, () => drawOne(random))
}

/** Share of these fish that one rig hooks. */
export function shareHooked(rig: StrikeRig, tackle: Tackle, fish: readonly Fish[]): number {
  let hooked = 0
  for (const one of fish) if (!takeOf(rig, tackle, one).loss) hooked++
  return hooked / fish.length
}

/** How the take of one fish ends on one rig. */
export const takeOf = (rig: StrikeRig, tackle: Tackle, fish: Fish): BiteChain => biteChain(rig, tackle, biteOf(rig, tackle, fish))

/** A bite of middling force, place and jaw, for looking at the chain step by step. */
export const middlingBite = (rig: StrikeRig, tackle: Tackle): Bite => {
  const { moving, feeding } = tackle
  return {
  atM: rig.pointM, forceN: FEEDING[feeding].force * BITE.forceN.median, needM: BITE.needM.median, slackM: slackOut(tackle) * BITE.slackM.median, penetrationN: BITE.penetrationN.median,
  squeezeMost: rig.squeezeMost, grip: 0.6, holdS: heldBy(rig, tackle) * FEEDING[feeding].holdS, reactS: moving ? BITE.reactS.moving : BITE.reactS.paused,
  }
}

import { logNormal, normal, seededRandom, type Random } from '../numerics/random'
import { BITE, FEEDING, MATCHES, SCENT_HELD, type Mouth, type StrikeRig, type Tackle } from './bite'
import type { Bite } from './chain'

/** How much longer a fish holds on than usual: softness and salt of the bait, likeness to food, scent. */
const heldBy = (rig: StrikeRig, { match, scented }: Tackle): number =>
  rig.heldLonger * MATCHES[match].held * (scented ? SCENT_HELD : 1)

/** What chance decides of a fish, whatever bait it takes: against medians, or 0..1. */
export interface Fish {
  readonly third: number
  readonly along: number
  readonly grip: number
  readonly squeeze: number
  readonly force: number
  readonly needM: number
  readonly slackM: number
  readonly penetrationN: number
  readonly hold: number
  readonly react: number
}

export function drawOne(random: Random): Fish {
  return {
    third: random(),
    along: random(),
    force: logNormal(random, 1, BITE.forceN.gsd),
    needM: logNormal(random, BITE.needM.median, BITE.needM.gsd),
    slackM: logNormal(random, BITE.slackM.median, BITE.slackM.gsd),
    penetrationN: logNormal(random, BITE.penetrationN.median, BITE.penetrationN.gsd),
    squeeze: normal(random),
    grip: random(),
    hold: logNormal(random, 1, BITE.holdS.gsd),
    react: logNormal(random, 1, BITE.reactS.gsd),
  }
}

/**
 * Slack of a line at a bite against that of a moving lure at a usual distance: it bows the more the more of
 * it is out.
 */
const slackOut = ({ moving, distanceM }: Tackle): number =>
  ((moving ? 1 : BITE.pausedSlack) * distanceM) / BITE.slackAtM

/**
 * Where a fish takes a bait, m from the nose.
 * @param taken factor on the odds that it takes head or middle
 */
export function takenAt(
  { lengthM, heightM }: StrikeRig,
  { feeding, mouth }: Tackle,
  { third, along }: Fish,
  taken = 1,
): number {
  const { head, middle } = FEEDING[feeding]
  const front = head + middle
  const odds = taken * (mouth ? Math.min(1, mouth.gapeM / heightM) ** TOO_HIGH : 1)
  const share = (odds * front) / (odds * front + 1 - front)
  return (lengthM * ((third < (share * head) / front ? 0 : third < share ? 1 : 2) + along)) / 3
}

/** Power of gape over height by which the odds fall that a bait too high for the mouth is taken in front. *Assumed.* */
const TOO_HIGH = 2

/** Bite and hardness of jaw against the medians. */
const jawsOf = ({ mouth }: Tackle): Pick<Mouth, 'bite' | 'hard'> => mouth ?? { bite: 1, hard: 1 }

/** The bite of a fish on one bait. */
export function biteOf(rig: StrikeRig, tackle: Tackle, fish: Fish): Bite {
  const { moving, feeding } = tackle
  const { bite, hard } = jawsOf(tackle)
  const { force, holdS } = FEEDING[feeding]
  return {
    atM: takenAt(rig, tackle, fish),
    forceN: bite * force * BITE.forceN.median * fish.force,
    needM: fish.needM,
    slackM: slackOut(tackle) * fish.slackM,
    penetrationN: hard * fish.penetrationN,
    squeezeMost: rig.squeezeMost + SQUEEZE_SD * fish.squeeze,
    grip: BITE.gripLeast + (1 - BITE.gripLeast) * fish.grip,
    holdS: heldBy(rig, tackle) * holdS * fish.hold,
    reactS: (moving ? BITE.reactS.moving : BITE.reactS.paused) * fish.react,
  }
}

/** Spread of the most a bait can be squeezed, from jaw to jaw, as a share of height. *Assumed.* */
const SQUEEZE_SD = 0.05

/** Draws so many fish, for letting many rigs be bitten by the very same. */
export function drawFish(seed: number, draws: number): Fish[] {
  const random = seededRandom(seed)
  return Array.from({ length: draws }, () => drawOne(random))
}

/** A bite of middling force, place and jaw, for looking at the chain step by step. */
export const middlingBite = (rig: StrikeRig, tackle: Tackle): Bite => {
  const { moving, feeding } = tackle
  const { bite, hard } = jawsOf(tackle)
  return {
    atM: rig.pointM,
    forceN: bite * FEEDING[feeding].force * BITE.forceN.median,
    needM: BITE.needM.median,
    slackM: slackOut(tackle) * BITE.slackM.median,
    penetrationN: hard * BITE.penetrationN.median,
    squeezeMost: rig.squeezeMost,
    grip: 0.6,
    holdS: heldBy(rig, tackle) * FEEDING[feeding].holdS,
    reactS: moving ? BITE.reactS.moving : BITE.reactS.paused,
  }
}

import { MIDDLING_PA, BITE, type StrikeRig, type Tackle } from './bite'

/** Steps at which a bite is lost, in the order they come. */
export const LOSSES = ['tailNip', 'letGo', 'notReached', 'noBite', 'noForce', 'opens'] as const
export type LossId = (typeof LOSSES)[number]

/**
 * Factors on what is uncertain of a bite; `taken`: on the odds that head or middle are taken rather than what
 * lies behind them.
 */
export interface Scale {
  forceN: number
  penetrationN: number
  needM: number
  slackM: number
  holdS: number
  modulusPa: number
  sweepM: number
  taken: number
}
export const PLAIN: Readonly<Scale> = {
  forceN: 1,
  penetrationN: 1,
  needM: 1,
  slackM: 1,
  holdS: 1,
  modulusPa: 1,
  sweepM: 1,
  taken: 1,
}

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

/** What one bite comes to, step by step: lengths in m, forces in N. */
export interface BiteChain {
  /** share of its height the bait is squeezed */ readonly squeezed: number
  /** plastic over the point, and how much the squeeze uncovers */ readonly coverM: number
  readonly uncoveredM: number
  /** what going through the plastic that is left takes, and what the jaws hold the bait with, N */
  readonly throughN: number
  readonly heldN: number
  /** gap left over the squeezed body, and what a jaw needs */ readonly gapM: number
  readonly needM: number
  /** force of the set at the hook; what the plastic takes; what going in takes; what opens the hook */
  readonly setN: number
  readonly plasticN: number
  readonly neededN: number
  readonly opensN: number
  /** the first step that fails; undefined where the fish is hooked */ readonly loss?: LossId
}

/**
 * A smaller hook than this one takes hold in proportionally less of a jaw, m of gap. *Assumed*: small hooks
 * are bitten by small jaws.
 */
const FULL_NEED_GAP_M = 0.0105

/** Follows one bite through its chain. */
export function biteChain(
  asBuilt: StrikeRig,
  tackle: Tackle,
  one: Bite,
  scale: Readonly<Scale> = PLAIN,
): BiteChain {
  return { ...follower(asBuilt, tackle, scale)(one, one.atM) }
}

type Following = { -readonly [K in keyof BiteChain]: BiteChain[K] }

/**
 * Follows bites on one rig, one after the other: what it answers is written over by the next.
 * @returns takes a bite and where it is, m from the nose
 */
export function follower(
  asBuilt: StrikeRig,
  tackle: Tackle,
  scale: Readonly<Scale> = PLAIN,
): (one: Bite, atM: number) => Readonly<BiteChain> {
  const plain = { ...asBuilt, modulusPa: scale.modulusPa * asBuilt.modulusPa }
  const tailHook = plain.trailing && trailed(plain, plain.trailing)
  const behindM = plain.bendM + 0.3 * (plain.lengthM - plain.bendM)
  const set = { ...tackle, sweepM: scale.sweepM * tackle.sweepM }
  const stiffness = setStiffness(set)
  const out: Following = {
    squeezed: 0,
    coverM: 0,
    uncoveredM: 0,
    throughN: 0,
    heldN: 0,
    gapM: 0,
    needM: 0,
    setN: 0,
    plasticN: 0,
    neededN: 0,
    opensN: 0,
  }
  return (one, atM) => {
    const behind = atM > behindM
    const rig = behind && tailHook ? tailHook : plain
    const atPoint = rig !== plain || Math.abs(atM - rig.pointM) <= BITE.reachM
    const force = (atPoint ? 1 : one.grip) * scale.forceN * one.forceN
    out.squeezed = Math.min(one.squeezeMost, force / BITE.jawM2 / (3 * rig.modulusPa))
    out.coverM = rig.coverM
    out.uncoveredM = (out.squeezed * rig.filledM) / 2
    out.gapM = rig.gapM - rig.wireM - rig.filledM * (1 - out.squeezed)
    out.needM = scale.needM * one.needM * Math.min(1, rig.gapM / FULL_NEED_GAP_M)
    out.setN = setForceOf(set, stiffness, scale.slackM * one.slackM)
    out.throughN = throughPlasticN(rig, out.uncoveredM)
    out.heldN = JAW_GRIP * force
    // a guard is pressed down by the same pull that drives the point
    out.plasticN = out.throughN + rig.modulusPa * CUT_M * rig.wireM * 4 + rig.guardN
    const thick = rig.wireM / 0.001
    out.neededN = scale.penetrationN * one.penetrationN * thick * Math.sqrt(thick)
    out.opensN = rig.openingLoadN
    if (behind && rig === plain) out.loss = 'tailNip'
    else if (scale.holdS * one.holdS < one.reactS) out.loss = 'letGo'
    else if (force < rig.guardN || out.throughN > out.heldN) out.loss = 'notReached'
    else if (out.gapM < out.needM) out.loss = 'noBite'
    else if (out.setN - out.plasticN < out.neededN) out.loss = 'noForce'
    else if (out.setN > rig.openingLoadN) out.loss = 'opens'
    else delete out.loss
    return out
  }
}

/** What a bite on the tail meets where a small hook trails there: open, and hardly any plastic in its gap. */
function trailed(
  { trailing: _, ...rig }: StrikeRig,
  trailing: NonNullable<StrikeRig['trailing']>,
): StrikeRig {
  return { ...rig, ...trailing, coverM: 0, guardN: 0, bendM: rig.lengthM }
}

/**
 * Plastic that stays over a covered point until the squeeze has gone so much further, m: its skin. *Assumed.*
 */
const SKIN_M = 0.0006

/**
 * What going through plastic takes: energy of cutting it, J/m², and friction of plastic on wire, Pa, both for
 * plastic of middling softness and in proportion to its stiffness; and how much wider than the wire its barb
 * cuts. *Assumed*, until weighed: needles of 1.2 mm go into soft gels and plastisols of this stiffness with
 * one to three newtons, up to a tenth of one for each millimetre they are in; a barb and a rounder point ask
 * for more.
 */
const THROUGH = { cutJM2: 1500, frictionPa: 25e3, barb: 2 } as const
/**
 * Hold of toothed jaws on a bait, over their press: where the point needs more to go through the plastic,
 * bait and hook slide out together. *Assumed.*
 */
const JAW_GRIP = 0.5

/**
 * Force that drives a covered point through the plastic that a squeeze has left over it, N; none where it
 * stands clear.
 */
function throughPlasticN({ coverM, wireM, modulusPa, tough = 1 }: StrikeRig, uncoveredM: number): number {
  const leftM = coverM > 0 ? coverM + SKIN_M - uncoveredM : 0
  if (leftM <= 0) return 0
  return (
    tough *
    (modulusPa / MIDDLING_PA) *
    wireM *
    (THROUGH.barb * THROUGH.cutJM2 + Math.PI * THROUGH.frictionPa * leftM)
  )
}

/** Plastic a point drags through even when it starts on the back, m. *Assumed.* */
const CUT_M = 0.001

/** Stiffness of line and rod in series, N/m. */
const setStiffness = ({ line, distanceM, rodNPerM }: Tackle): number =>
  1 / (distanceM / line.stiffnessN + 1 / rodNPerM)

const setForceOf = (tackle: Tackle, stiffness: number, slackM: number): number =>
  Math.min(tackle.rodMostN, tackle.line.strengthN, stiffness * Math.max(0, tackle.sweepM - slackM))

/** Force at the hook when the rod is swept, line and rod in series, N. */
export const setForceN = (tackle: Tackle, slackM: number): number =>
  setForceOf(tackle, setStiffness(tackle), slackM)

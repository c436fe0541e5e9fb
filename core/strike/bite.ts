import type { AssembledRig } from '../rig/assemble'
import { gapFillM } from '../rig/gap'
import { guardN } from '../rig/guard'
import { PLASTICS, modulusPa } from '../tackle/materials'
import { squeezeShare } from '../fit/squeeze'
import { openingLoadN } from '../fit/wireStrength'
import type { HookDims } from '../tackle/hooks'
import type { Line } from '../tackle/lines'

/** What a bite meets, read off the rig once. SI. */
export interface StrikeRig {
  /** plastic over the point, m; 0 when it stands open or flush */ readonly coverM: number
  /** how much more than assumed it takes to go through that plastic; 1 when left out */
  readonly tough?: number
  /** height of plastic standing in the gap, m */ readonly filledM: number
  /** load that presses a guard down, N; 0 without one */ readonly guardN: number
  readonly gapM: number
  readonly wireM: number
  /** how much longer fish hold on than to plain plastic of middling softness */ readonly heldLonger: number
  readonly modulusPa: number
  readonly squeezeMost: number
  readonly openingLoadN: number
  /** point, bend and tail, m from the nose */ readonly pointM: number
  readonly bendM: number
  readonly lengthM: number
  /** height of the bait where it is highest, m */ readonly heightM: number
  /** a small open hook in the tail, where there is one */ readonly trailing?: Pick<
    StrikeRig,
    'gapM' | 'wireM' | 'filledM' | 'openingLoadN'
  >
}

/** What the angler brings to the set. */
export interface Tackle {
  readonly line: Line
  /** line out at the bite, m */ readonly distanceM: number
  /** stiffness of the bent rod at its tip, N/m */ readonly rodNPerM: number
  /** travel of the rod tip in a firm sweep, m */ readonly sweepM: number
  /** most a rod of this power pulls before it only bends, N */ readonly rodMostN: number
  /** the lure is moving at the bite, and the line tight; or it rests on slack */ readonly moving: boolean
  readonly feeding: FeedingId
  /** how well the bait matches the food, and whether it is scented */ readonly match: MatchId
  readonly scented: boolean
  /** jaws of the fish; those the medians were taken from when left out */ readonly mouth?: Mouth
}

/** Jaws of a kind of fish: how hard they bite and are to drive a point into, against `BITE`, and how far they open. */
export interface Mouth {
  readonly bite: number
  readonly hard: number
  /** height of a bait that it still closes over whole, m */ readonly gapeM: number
}

/** How like its food a bait is to a fish. */
export type MatchId = 'close' | 'fair' | 'poor'

/** How much longer fish hold on to what is like their food, and to what is scented. *Assumed.* */
export const MATCHES: Readonly<Record<MatchId, { readonly name: string; readonly held: number }>> = {
  close: { name: 'close to their food', held: 1.25 },
  fair: { name: 'fair', held: 1 },
  poor: { name: 'unlike it', held: 0.7 },
}
export const SCENT_HELD = 1.25

/** How fish take: engulfing whole, seizing, or picking at it. */
export type FeedingId = 'gulp' | 'grab' | 'nip'

interface Feeding {
  readonly name: string
  /** share of bites that take head and middle; the rest take the tail */ readonly head: number
  readonly middle: number
  /** bite force against the usual */ readonly force: number
  /** median time a fish holds on, s */ readonly holdS: number
}

/** All *assumed*, from what anglers see of fish that are on, about, or off the feed. */
export const FEEDING: Readonly<Record<FeedingId, Feeding>> = {
  gulp: { name: 'gulp it', head: 0.6, middle: 0.35, force: 1.15, holdS: 3.5 },
  grab: { name: 'grab it', head: 0.45, middle: 0.42, force: 1, holdS: 2.2 },
  nip: { name: 'nip at it', head: 0.25, middle: 0.3, force: 0.7, holdS: 1.1 },
}
export const FEEDING_IDS = Object.keys(FEEDING) as FeedingId[]

/** A medium rod, a firm sweep, a usual distance. *Assumed* typical; changed with the rod. */
export const USUAL_TACKLE: Omit<Tackle, 'line'> = {
  distanceM: 18,
  rodNPerM: 45,
  sweepM: 1.1,
  rodMostN: 28,
  moving: true,
  feeding: 'grab',
  match: 'fair',
  scented: false,
}

/**
 * Medians and geometric standard deviations of what a bite brings. All *assumed*; the doubt in each median
 * stands in the register of what is uncertain: bite force and jaw from school-size sea bass and zander; slack
 * of a moving lure; needed bite of hook in a jaw edge.
 */
export const BITE = {
  forceN: { median: 14, gsd: 1.7 },
  /** load that drives a sharp 1 mm wire past its barb into a jaw, N */ penetrationN: {
    median: 4.5,
    gsd: 1.5,
  },
  needM: { median: 0.0035, gsd: 1.3 },
  /** at `slackAtM` of line, and in proportion to what is out: a line in water bows */ slackM: {
    median: 0.15,
    gsd: 1.8,
  },
  slackAtM: 18,
  /** slack of a lure at rest, over that of a moving one */ pausedSlack: 2.4,
  /** time a fish holds on: spread; its median is that of the feeding */ holdS: { gsd: 1.8 },
  /** time from the bite to the set, felt on a tight line or seen on a slack one, s */ reactS: {
    moving: 0.6,
    paused: 1,
    gsd: 1.4,
  },
  /** area of plastic a jaw presses on, m² */ jawM2: 2e-4,
  /** a bite within this of the point squeezes it at once, m */ reachM: 0.01,
  /** elsewhere the bait is drawn through the jaws first; least share of the bite force still held then */
  gripLeast: 0.2,
  /**
   * fish hold soft plastic longer, by this power of softness against 55 kPa; and salted plastic by this
   * factor
   */
  softer: 0.25,
  salted: 1.2,
  /** an open point often catches as the bait is let go of, so that letting go takes so much longer */
  openCatches: 4,
} as const

/** Stiffness of plastic of middling softness, Pa. */
export const MIDDLING_PA = 5.5e4

/** Reads what a bite meets off an assembled rig. */
export function strikeRig(rig: AssembledRig): StrikeRig {
  const { bait, parts, baitSpec, spec } = rig
  const plastic = PLASTICS[baitSpec.material]
  return {
    coverM: Math.max(0, -parts.placement.openingM),
    filledM: gapFillM(rig),
    guardN: guardN(spec),
    gapM: parts.dims.gapM,
    wireM: parts.dims.wireM,
    heldLonger:
      (MIDDLING_PA / modulusPa(plastic.shore00)) ** BITE.softer *
      (baitSpec.material === 'salted' || baitSpec.material === 'heavySalted' ? BITE.salted : 1) *
      (spec.pointRest === 'open' ? BITE.openCatches : 1),
    modulusPa: modulusPa(plastic.shore00),
    squeezeMost: squeezeShare(plastic.shore00).value,
    openingLoadN: openingLoadN(parts.dims).value,
    pointM: parts.placement.path.tip.s,
    bendM: Math.max(...parts.placement.path.points.map(p => p.s)),
    lengthM: bait.lengthM,
    heightM: highestOf(bait),
    ...(parts.trailingDims ? { trailing: trailingOf(parts.trailingDims) } : {}),
  }
}

/** Places a bait's height is looked at. */
const PLACES = 16
const highestOf = ({ heightAt, bodyM }: AssembledRig['bait']): number => {
  let most = 0
  for (let i = 0; i <= PLACES; i++) most = Math.max(most, heightAt((bodyM * i) / PLACES))
  return most
}

/** Plastic in the gap of a hook that trails on the back, held by its eye and bend alone, m. *Assumed.* */
const TRAILING_FILL_M = 0.002

/** What a bite on the tail meets of a hook that trails there. */
export const trailingOf = (dims: HookDims): NonNullable<StrikeRig['trailing']> => ({
  gapM: dims.gapM,
  wireM: dims.wireM,
  filledM: TRAILING_FILL_M,
  openingLoadN: openingLoadN(dims).value,
})

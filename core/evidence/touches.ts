import { BITE, type StrikeRig, type Tackle } from '../strike/bite'
import { changesOf, type Change } from '../strike/changes'
import { LOSSES, type LossId } from '../strike/chain'
import { takeOf } from '../strike/evaluateStrike'
import { drawFish, type Fish } from '../strike/fish'
import { logGamma } from '../numerics/gamma'

/**
 * What was felt of one rig: bumps that were never worth a strike, bites that were struck at, and those
 * hooked; and what was seen of some that were lost.
 */
export interface Touches {
  readonly bumps: number
  readonly bites: number
  readonly hooked: number
  /** of those lost: the tail was nipped; the line hung slack; the point still lay under plastic */
  readonly nipped?: number
  readonly onSlack?: number
  readonly covered?: number
}

/** Why more touches may be lost than the model gives. */
export const CAUSES = ['asAssumed', 'tailNips', 'letGo', 'slack', 'covered', 'crowded', 'blunt'] as const
export type CauseId = (typeof CAUSES)[number]

/** How the fish, the line or the rig would then be unlike what is assumed. */
interface Tilt {
  readonly cause: CauseId
  readonly prior: number
  readonly rig?: (rig: StrikeRig) => StrikeRig
  readonly fish?: (fish: Fish) => Fish
}

/**
 * Chance before anything was felt that the model's own bites hold; the rest is shared alike by the causes,
 * each at two strengths. *Assumed.*
 */
const AS_ASSUMED = 0.4
/**
 * How much a bait of this rig is like another of it: the model's shares are worth so many touches. *Assumed.*
 */
const WORTH = 60
/** Fish on which shares are worked out: the same for every cause and change. */
const FISH = 800
/** Least share of anything: thumbs err. *Assumed.* */
const LEAST = 0.02

/**
 * A slacker line: more of it to take up, and the bite is felt later; by what a lure at rest has over a moving
 * one.
 */
const SLACKER = { slackM: BITE.pausedSlack, react: BITE.reactS.paused / BITE.reactS.moving } as const
/** Of so many fish, this part takes the tail whatever it would have taken. */
export const tailTaker = (fish: Fish, part: number): Fish => ({
  ...fish,
  third: fish.third < 1 - part ? fish.third / (1 - part) : 1,
})

const LEVELS: Readonly<Record<Exclude<CauseId, 'asAssumed'>, readonly Omit<Tilt, 'cause' | 'prior'>[]>> = {
  tailNips: [0.2, 0.45].map(part => ({ fish: (f: Fish) => tailTaker(f, part) })),
  letGo: [0.6, 0.35].map(part => ({ fish: (f: Fish) => ({ ...f, hold: part * f.hold }) })),
  slack: [1, 2].map(strength => ({
    fish: (f: Fish) => ({
      ...f,
      slackM: SLACKER.slackM ** strength * f.slackM,
      react: SLACKER.react ** strength * f.react,
    }),
  })),
  // deeper in, and harder to get out of: what it takes to go through is the least known of it
  covered: [
    [0.001, 1.6],
    [0.0022, 2.6],
  ].map(([more, tough]) => ({ rig: (r: StrikeRig) => ({ ...r, coverM: r.coverM + more!, tough: tough! }) })),
  crowded: [1.2, 1.45].map(times => ({ rig: (r: StrikeRig) => ({ ...r, filledM: times * r.filledM }) })),
  blunt: [1.5, 2.2].map(times => ({ fish: (f: Fish) => ({ ...f, penetrationN: times * f.penetrationN }) })),
}

/** What can go wrong with this rig: only a hidden point can lie too deep. */
function tiltsOf(rig: StrikeRig): Tilt[] {
  const able = CAUSES.filter(c => c !== 'asAssumed' && (c !== 'covered' || rig.coverM > 0)) as Exclude<
    CauseId,
    'asAssumed'
  >[]
  return [
    { cause: 'asAssumed', prior: AS_ASSUMED },
    ...able.flatMap(cause =>
      LEVELS[cause].map((tilt): Tilt => ({
        cause,
        prior: (1 - AS_ASSUMED) / able.length / LEVELS[cause].length,
        ...tilt,
      })),
    ),
  ]
}

/**
 * Shares of touches by how they end: felt as a bump, struck at and lost, hooked; and what a lost one shows.
 */
interface TouchShares {
  readonly bump: number
  readonly missed: number
  readonly hooked: number
  readonly signs: readonly [nipped: number, onSlack: number, covered: number]
}

const shareOf = (rig: StrikeRig, tackle: Tackle, fish: readonly Fish[]): TouchShares => {
  const count: Record<LossId, number> = {
    tailNip: 0,
    letGo: 0,
    notReached: 0,
    noBite: 0,
    noForce: 0,
    opens: 0,
  }
  let bySlack = 0
  for (const one of fish) {
    const { loss } = takeOf(rig, tackle, one)
    if (loss) count[loss]++
    if ((loss === 'noForce' || loss === 'letGo') && lostBySlack(rig, tackle, one)) bySlack++
  }
  const n = fish.length
  const lost = LOSSES.reduce((sum, id) => sum + count[id], 0)
  const bump = count.tailNip + count.letGo
  return {
    bump: bump / n,
    missed: (lost - bump) / n,
    hooked: 1 - lost / n,
    signs: [count.tailNip / n, bySlack / n, count.notReached / n],
  }
}

/** Set too late or too weakly on the line as it hung, and not so on a straight one. */
export function lostBySlack(rig: StrikeRig, tackle: Tackle, fish: Fish): boolean {
  const { loss } = takeOf(rig, tackle, fish)
  return (
    (loss === 'noForce' || loss === 'letGo') &&
    takeOf(rig, tackle, { ...fish, slackM: 0, react: fish.react / SLACKER.react }).loss !== loss
  )
}

/** What so many touches say. Shares of touches in 0..1. */
export interface TouchReading {
  readonly touches: number
  /** as the model gives them for this rig */ readonly expected: TouchShares
  /** how likely each cause is after what was felt, the likeliest first; they add up to 1 */
  readonly causes: readonly {
    readonly cause: CauseId
    readonly chance: number
  }[]
  /**
   * share of touches hooked, and what one change would make of it, over all causes by their chances; best
   * first
   */
  readonly hookedNow: number
  readonly changes: readonly Change[]
}

/**
 * Why touches do not stick, and what would help. Bumps are bites that the strike model loses before a set
 * (tail nipped, let go); bites are the others. Every cause is the model's own bite with one thing changed;
 * each is weighed by how well it gives the counts (Dirichlet-multinomial, so that the model's own doubt
 * counts) and what was seen of lost ones. Changes are tried on the same fish under every cause.
 * @throws RangeError when more are hooked than bit, or a count is negative
 */
export function readTouches(rig: StrikeRig, tackle: Tackle, felt: Touches, seed: number): TouchReading {
  const { bumps, bites, hooked, nipped = 0, onSlack = 0, covered = 0 } = felt
  if (Math.min(bumps, bites - hooked, hooked, nipped, onSlack, covered) < 0)
    throw new RangeError(
      `readTouches: expected 0 <= hooked <= bites and no negative counts, got ${JSON.stringify(felt)}`,
    )
  const fish = drawFish(seed, FISH)
  const tilts = tiltsOf(rig).map(tilt => ({ ...tilt, school: tilt.fish ? fish.map(tilt.fish) : fish }))
  const made = (r: StrikeRig, { rig: change }: Tilt): StrikeRig => (change ? change(r) : r)
  const shares = tilts.map(tilt => shareOf(made(rig, tilt), tackle, tilt.school))
  const logs = shares.map(
    (s, i) =>
      Math.log(tilts[i]!.prior) +
      logLikelihood([bumps, bites - hooked, hooked], [s.bump, s.missed, s.hooked]) +
      logLikelihood([nipped, onSlack, covered], s.signs),
  )
  const top = Math.max(...logs)
  const total = logs.reduce((sum, l) => sum + Math.exp(l - top), 0)
  const chances = logs.map(l => Math.exp(l - top) / total)
  const causes = [...new Set(tilts.map(t => t.cause))]
    .map(cause => ({
      cause,
      chance: tilts.reduce((sum, t, i) => (t.cause === cause ? sum + chances[i]! : sum), 0),
    }))
    .sort((a, b) => b.chance - a.chance)
  const overAll = (r: StrikeRig, t: Tackle): number =>
    tilts.reduce(
      (sum, tilt, i) =>
        chances[i]! < 0.01 ? sum : sum + chances[i]! * shareOf(made(r, tilt), t, tilt.school).hooked,
      0,
    )
  return {
    touches: bumps + bites,
    expected: shares[0]!,
    causes,
    hookedNow: overAll(rig, tackle),
    changes: changesOf(rig, tackle, overAll),
  }
}

/**
 * Log-likelihood of counts whose shares are themselves known as by WORTH touches, constants left out
 * (Dirichlet-multinomial: Mosimann, Biometrika 49, 1962).
 */
export function logLikelihood(counts: readonly number[], shares: readonly number[], worth = WORTH): number {
  const n = counts.reduce((a, b) => a + b, 0)
  if (n === 0) return 0
  const sum = shares.reduce((a, b) => a + Math.max(LEAST, b), 0)
  return (
    logGamma(worth) -
    logGamma(n + worth) +
    counts.reduce((log, c, i) => {
      const a = (worth * Math.max(LEAST, shares[i]!)) / sum
      return log + logGamma(c + a) - logGamma(a)
    }, 0)
  )
}

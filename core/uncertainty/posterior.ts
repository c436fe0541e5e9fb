import { solveInPlace } from '../numerics/linear'
import type { Ensemble } from './ensemble'
import { parameterAt, type ParameterId } from './parameters'

/** A number of the register and whose it is. */
export interface Known {
  readonly id: ParameterId
  readonly of: string
}
const keyOf = ({ id, of }: Known): string => `${id}\n${of}`

/**
 * What was learned of uncertain numbers: their standard scores in every member, and at the middle of
 * everything, by number and owner. Plain data.
 */
export interface Posterior {
  readonly scores: Readonly<Record<string, Float64Array>>
  readonly centre: Readonly<Record<string, number>>
  /**
   * so many members, were they weighed by what was counted, would count alike: few where the counts are hard
   * to make one of
   */
  readonly effective: number
}

/** An ensemble after something was learned. @throws RangeError when it was learned on one of another size */
export function learned(ensemble: Ensemble, { scores: moved, centre, effective }: Posterior): Ensemble {
  if (Object.values(moved).some(z => z.length !== ensemble.size))
    throw new RangeError(`learned: expected ${ensemble.size} members`)
  const scores = (id: ParameterId, of = ''): Float64Array =>
    moved[keyOf({ id, of })] ?? ensemble.scores(id, of)
  return {
    size: ensemble.size,
    effective,
    chance: ensemble.chance,
    scores,
    values: (id, of) => scores(id, of).map(z => parameterAt(id, z)),
    centre: (id, of = '') => centre[keyOf({ id, of })] ?? ensemble.centre(id, of),
  }
}

/**
 * A chance by what is uncertain of it: `events`, ln of how often a thing happens that may happen more than
 * once; `odds`, ln of its odds.
 */
export type Link = 'events' | 'odds'

/** Something counted, and what the model gives for it. */
export interface Counted {
  readonly link: Link
  readonly tries: number
  readonly hits: number
  /** the uncertain numbers it hangs on */ readonly by: readonly Known[]
  /**
   * the one of them that is its own, and how far a score of it moves the prediction, whatever the others: it
   * takes what the plane does not tell
   */
  readonly own: {
    readonly known: Known
    readonly perScore: number
  }
  /** on the link's scale, in every member and at the middle of everything */ readonly predict: (
    ensemble: Ensemble,
  ) => Predicted
}

/** On a link's scale, in every member and at the middle of everything. */
interface Predicted {
  readonly members: Float64Array
  readonly centre: number
}

/** A tangent plane of the model: what is predicted by the scores, and what of it they do not tell. */
interface Plane {
  readonly at: number
  readonly slopes: Float64Array
  readonly restSd: number
}

/** Times that the model is asked again where the members have come to, at least and at most. */
const ROUNDS = { least: 2, most: 3 } as const
/** Members through which planes are laid. */
const SOME = 64
/** Fewer members than this that count alike ask for another round. */
export const EFFECTIVE = 60
/** How much a slope found before is held on to: as by so many members. */
const HELD = 4
/** A prediction is never wholly told by its numbers. */
const LEAST_SD = 0.02
const STEPS = 60
const LONGEST = 1
const NEAR = 1e-8
/** Bounds of a prediction on its link's scale. */
const BOUNDS = { events: [-14, 3], odds: [-12, 12] } as const

/**
 * What counts say of the uncertain numbers. Their scores are moved, member by member, to what they would be
 * after the counts: an ensemble smoother (Matheron's rule for each member: Journel & Huijbregts 1978;
 * iterated as Chen & Oliver, Math. Geosci. 44, 2012) on the model's tangent plane, with the binomial
 * likelihood as normal about its mode (Laplace). The model is asked again where they have come to, until its
 * own weights of them are even.
 * @throws RangeError when more hits than tries are given
 */
export function posteriorOf(counted: readonly Counted[], ensemble: Ensemble): Posterior {
  for (const { tries, hits } of counted)
    if (!(hits >= 0 && tries >= hits))
      throw new RangeError(`posteriorOf: expected 0 <= hits <= tries, got ${hits} of ${tries}`)
  const seen = counted.filter(c => c.tries > 0)
  let found: Posterior = { scores: {}, centre: {}, effective: ensemble.size }
  const chance = chanceOf(seen, ensemble)
  let planes: readonly Plane[] | undefined
  let predicted: readonly Predicted[] | undefined
  for (let round = 0; seen.length > 0 && round < ROUNDS.most; round++) {
    // slopes need no more than some of the members; the last word has all of them
    const now = some(learned(ensemble, found), SOME)
    planes = seen.map((c, i) =>
      planeThrough(
        predicted ? cut(predicted[i]!, SOME) : c.predict(now),
        c.by.map(k => now.scores(k.id, k.of)),
        planes?.[i],
      ),
    )
    const laid = layOn(seen, planes, ensemble, chance, widthsOf(seen, found))
    if (round + 1 < ROUNDS.least) {
      found = { ...laid.moved, effective: ensemble.size }
      continue
    }
    ;({ found, predicted } = ownUp(seen, laid, ensemble))
    if (found.effective >= EFFECTIVE) break
  }
  return found
}

/** The first members of an ensemble. */
function some(ensemble: Ensemble, most: number): Ensemble {
  if (ensemble.size <= most) return ensemble
  const scores = (id: ParameterId, of?: string): Float64Array => ensemble.scores(id, of).subarray(0, most)
  return { ...ensemble, size: most, scores, values: (id, of) => scores(id, of).map(z => parameterAt(id, z)) }
}
const cut = ({ members, centre }: Predicted, most: number): Predicted => ({
  members: members.subarray(0, most),
  centre,
})

/** An own number that was moved by more scores than this is wider than was thought. */
const ROOT = Math.SQRT2

/**
 * Variances of own numbers, by key, where counts ask for more than they have: their tails are longer than a
 * normal's (a scale mixture, as of a Student's t), so that a rig's own log overrules what is known of others,
 * however unlike.
 */
const widthsOf = (seen: readonly Counted[], { centre }: Posterior): ReadonlyMap<string, number> =>
  new Map(
    seen.map(
      ({ own }) => [keyOf(own.known), Math.max(1, ((centre[keyOf(own.known)] ?? 0) / ROOT) ** 2)] as const,
    ),
  )

/**
 * Lets what is a rig's own take what the planes do not tell of it, so that every member predicts what it was
 * moved to. Where one rig was counted twice, both share in it.
 */
function ownUp(
  seen: readonly Counted[],
  laid: Laid,
  ensemble: Ensemble,
): { readonly found: Posterior; readonly predicted: readonly Predicted[] } {
  const there = learned(ensemble, { ...laid.moved, effective: ensemble.size })
  const predicted = seen.map(c => c.predict(there))
  const scores = { ...laid.moved.scores }
  const centre = { ...laid.moved.centre }
  const owns = new Map(seen.map(({ own }) => [keyOf(own.known), own] as const))
  const shifts = new Map<string, Float64Array>()
  const middles = new Map<string, number>()
  for (const [key, { perScore }] of owns) {
    const of = seen.flatMap((c, i) => (keyOf(c.own.known) === key ? [i] : []))
    const share = of.reduce((sum, i) => sum + laid.weight[i]!, 0)
    const shift = Float64Array.from({ length: ensemble.size }, (_, m) =>
      of.reduce(
        (sum, i) =>
          sum + ((laid.weight[i]! / share) * (laid.lines[i]![m]! - predicted[i]!.members[m]!)) / perScore,
        0,
      ),
    )
    shifts.set(key, shift)
    scores[key] = scores[key]!.map((z, m) => z + shift[m]!)
    const middle = of.reduce(
      (sum, i) => sum + ((laid.weight[i]! / share) * (laid.mode[i]! - predicted[i]!.centre)) / perScore,
      0,
    )
    centre[key]! += middle
    middles.set(key, middle)
  }
  // ln of how often, and ln of the odds, are straight in what is a rig's own
  const after = seen.map(({ own: { known, perScore } }, i): Predicted => ({
    members: predicted[i]!.members.map((x, m) => x + perScore * shifts.get(keyOf(known))![m]!),
    centre: predicted[i]!.centre + perScore * middles.get(keyOf(known))!,
  }))
  return {
    found: {
      scores,
      centre,
      effective: effectiveOf(
        seen,
        after.map(a => a.members),
        laid,
      ),
    },
    predicted: after,
  }
}

/** Least squares through the members, held to the slopes that were found before. */
function planeThrough(
  { members }: Pick<Predicted, 'members'>,
  scores: readonly Float64Array[],
  before?: Plane,
): Plane {
  const p = scores.length
  const mean = members.reduce((a, b) => a + b, 0) / members.length
  const means = scores.map(z => z.reduce((a, b) => a + b, 0) / z.length)
  const held = before?.slopes ?? new Float64Array(p)
  const normal = new Float64Array(p * p)
  const slopes = new Float64Array(p)
  for (let a = 0; a < p; a++) {
    for (let b = 0; b < p; b++)
      for (let m = 0; m < members.length; m++)
        normal[p * a + b]! += (scores[a]![m]! - means[a]!) * (scores[b]![m]! - means[b]!)
    normal[p * a + a]! += before ? HELD : NEAR
    for (let m = 0; m < members.length; m++) {
      let left = members[m]! - mean
      for (let b = 0; b < p; b++) left -= held[b]! * (scores[b]![m]! - means[b]!)
      slopes[a]! += (scores[a]![m]! - means[a]!) * left
    }
  }
  solveInPlace(normal, slopes)
  for (let a = 0; a < p; a++) slopes[a]! += held[a]!
  let rest = 0
  for (let m = 0; m < members.length; m++)
    rest +=
      (members[m]! - mean - slopes.reduce((sum, b, k) => sum + b * (scores[k]![m]! - means[k]!), 0)) ** 2
  return {
    at: mean - slopes.reduce((sum, b, k) => sum + b * means[k]!, 0),
    slopes,
    restSd: Math.max(LEAST_SD, Math.sqrt(rest / members.length)),
  }
}

const knownsOf = (seen: readonly Counted[]): ReadonlyMap<string, Known> =>
  new Map(seen.flatMap(c => c.by.map(k => [keyOf(k), k] as const)))

/**
 * What chance adds to each count in every member, and to each prediction; it has nothing in common with the
 * numbers.
 */
interface Chance {
  readonly noise: readonly Float64Array[]
  readonly rest: readonly Float64Array[]
}
function chanceOf(seen: readonly Counted[], ensemble: Ensemble): Chance {
  const apart = [...knownsOf(seen).values()].map(({ id, of }) => ensemble.scores(id, of))
  return {
    noise: seen.map((_, i) => ensemble.chance(`counted ${i}`, apart)),
    rest: seen.map((_, i) => ensemble.chance(`untold ${i}`, apart)),
  }
}

/** Members on the planes: where each has come to, and what it predicts there. */
interface Laid {
  readonly moved: Omit<Posterior, 'effective'>
  readonly mode: Float64Array
  readonly target: Float64Array
  readonly weight: Float64Array
  readonly lines: readonly Float64Array[]
}

function layOn(
  seen: readonly Counted[],
  planes: readonly Plane[],
  ensemble: Ensemble,
  { noise, rest }: Chance,
  widths: ReadonlyMap<string, number>,
): Laid {
  const n = seen.length
  const knowns = knownsOf(seen)
  const slopeOf = seen.map((c, i) => new Map(c.by.map((k, a) => [keyOf(k), planes[i]!.slopes[a]!])))
  const keys = [...knowns.keys()]
  const wide = (k: string): number => widths.get(k) ?? 1
  const shared = new Float64Array(n * n)
  for (let i = 0; i < n; i++)
    for (let j = 0; j < n; j++)
      shared[n * i + j] = keys.reduce(
        (sum, k) => sum + wide(k) * (slopeOf[i]!.get(k) ?? 0) * (slopeOf[j]!.get(k) ?? 0),
        i === j ? planes[i]!.restSd ** 2 : 0,
      )
  const at = Float64Array.from(planes, p => p.at)
  const { target, weight, mode } = modeOf(seen, at, shared)
  const gain = (off: Float64Array): Float64Array => {
    const matrix = shared.slice()
    for (let i = 0; i < n; i++) matrix[n * i + i]! += 1 / weight[i]!
    solveInPlace(matrix, off)
    return off
  }
  const forMode = gain(target.map((y, i) => y - at[i]!))
  const centre = Object.fromEntries(
    keys.map(k => [k, forMode.reduce((sum, g, i) => sum + wide(k) * (slopeOf[i]!.get(k) ?? 0) * g, 0)]),
  )
  const before = keys.map(k => ensemble.scores(knowns.get(k)!.id, knowns.get(k)!.of))
  const prior = keys.map((k, a) => before[a]!.map(z => z * Math.sqrt(wide(k))))
  const scores = keys.map((_, k) => prior[k]!.slice())
  const lines = seen.map(() => new Float64Array(ensemble.size))
  for (let m = 0; m < ensemble.size; m++) {
    const lineAt = (i: number, z: readonly Float64Array[], untold: number): number =>
      at[i]! +
      keys.reduce((sum, k, a) => sum + (slopeOf[i]!.get(k) ?? 0) * z[a]![m]!, planes[i]!.restSd * untold)
    const moves = gain(
      Float64Array.from(
        seen,
        (_, i) => target[i]! + noise[i]![m]! / Math.sqrt(weight[i]!) - lineAt(i, prior, rest[i]![m]!),
      ),
    )
    keys.forEach((k, a) => {
      for (let i = 0; i < n; i++) scores[a]![m]! += wide(k) * (slopeOf[i]!.get(k) ?? 0) * moves[i]!
    })
    for (let i = 0; i < n; i++) lines[i]![m] = lineAt(i, scores, rest[i]![m]! + planes[i]!.restSd * moves[i]!)
  }
  return {
    moved: { scores: Object.fromEntries(keys.map((k, a) => [k, scores[a]!])), centre },
    mode,
    target,
    weight,
    lines,
  }
}

/** Chance on a link's scale, and how it grows along it. */
function chanceAt(link: Link, x: number): { readonly p: number; readonly grows: number } {
  const [low, high] = BOUNDS[link]
  const eta = Math.min(high, Math.max(low, x))
  if (link === 'odds') {
    const p = 1 / (1 + Math.exp(-eta))
    return { p, grows: p * (1 - p) }
  }
  const events = Math.exp(eta)
  return { p: -Math.expm1(-events), grows: events * Math.exp(-events) }
}

/**
 * The counts as normal about the likeliest world (Fisher scoring).
 * @returns what each then says on its link's scale, and how much it weighs
 */
function modeOf(
  seen: readonly Counted[],
  at: Float64Array,
  shared: Float64Array,
): Pick<Laid, 'mode' | 'target' | 'weight'> {
  const n = seen.length
  let eta = at.slice()
  const target = new Float64Array(n)
  const weight = new Float64Array(n)
  for (let step = 0; step < STEPS; step++) {
    seen.forEach(({ link, tries, hits }, i) => {
      const { p, grows } = chanceAt(link, eta[i]!)
      weight[i] = (tries * grows * grows) / (p * (1 - p))
      target[i] = eta[i]! + Math.max(-LONGEST, (hits - tries * p) / (tries * grows))
    })
    const matrix = shared.slice()
    for (let i = 0; i < n; i++) matrix[n * i + i]! += 1 / weight[i]!
    const gain = target.map((y, i) => y - at[i]!)
    solveInPlace(matrix, gain)
    const next = eta.map((x, i) => {
      let to = at[i]!
      for (let j = 0; j < n; j++) to += shared[n * i + j]! * gain[j]!
      return x + Math.max(-LONGEST, Math.min(LONGEST, to - x))
    })
    const far = Math.max(...next.map((x, i) => Math.abs(x - eta[i]!)))
    eta = next
    if (far < NEAR) break
  }
  return { mode: eta, target, weight }
}

/**
 * Members that count alike when each is weighed by the counts' own likelihood at what the model gives there,
 * against the plane's.
 */
function effectiveOf(
  seen: readonly Counted[],
  predicted: readonly Float64Array[],
  { target, weight, lines }: Laid,
): number {
  const size = lines[0]!.length
  const logs = Float64Array.from({ length: size }, (_, m) =>
    seen.reduce((sum, { link, tries, hits }, i) => {
      const { p } = chanceAt(link, predicted[i]![m]!)
      return (
        sum +
        hits * Math.log(p) +
        (tries - hits) * Math.log(1 - p) +
        (weight[i]! * (target[i]! - lines[i]![m]!) ** 2) / 2
      )
    }, 0),
  )
  const top = Math.max(...logs)
  const weights = logs.map(l => Math.exp(l - top))
  return weights.reduce((a, b) => a + b, 0) ** 2 / weights.reduce((a, b) => a + b * b, 0)
}

import { seededRandom, type Random } from '../numerics/random'
import { forgetful, type Recall } from '../numerics/recall'
import { Z90 } from '../numerics/statistics'
import type { Draws } from '../uncertainty/draws'
import { parameterAt, type ParameterId } from '../uncertainty/parameters'
import type { Placed } from './cover'
import {
  CAST_M,
  chanceOf,
  hourOf,
  LOOKS_EVERY,
  RUBS_PER_CAST,
  wearBetweenLooks,
  type CastRates,
} from './hour'
import type { SnagRig } from './catchSite'
import {
  AS_MET,
  drawMeeting,
  endOf,
  stanceTo,
  TIGHT_LEAST,
  TIGHT_MOST,
  type Chance,
  type Fate,
  type MeetScale,
  type Ride,
  type Stance,
} from './meet'

/** Meetings per metre with an obstacle, worked in a given way. */
export const rateOf = ({ perM, on }: Placed, { retrieve }: Pick<Ride, 'retrieve'>): number =>
  perM * (on === 'bottom' ? retrieve.bottom : retrieve.cover)

/**
 * A stream of chance for each kind of thing, so that pieces drawn one after the other come to what one draw
 * comes to.
 */
export const streamsFor = (kinds: number, random: Random): Random[] =>
  Array.from({ length: kinds }, () => seededRandom(Math.floor(random() * 2 ** 32)))

/**
 * Draws so many meetings with each kind of obstacle, for letting many rigs meet the very same: what a tally
 * with that seed draws.
 */
export function drawMeetings(
  obstacles: readonly Placed[],
  ride: Omit<Ride, 'postures'>,
  seed: number,
  each: number,
): Chance[][] {
  return streamsFor(obstacles.length, seededRandom(seed)).map((stream, k) =>
    Array.from({ length: each }, () => drawMeeting(obstacles[k]!, ride, stream)),
  )
}

/** What meetings hang on besides their seed and number. */
export const meetingsKey = (
  obstacles: readonly Placed[],
  { retrieve }: Pick<Ride, 'retrieve'>,
  seed: number,
  count: number,
): string => `meetings ${JSON.stringify([obstacles, retrieve, seed, count])}`

/** Meetings with each kind of obstacle in every member: the same for every rig. */
const USUAL_MEETINGS = { seed: 1913, count: 288 }

/** Events of a kind so rare among the meetings are not told from none. */
const HARDLY = 0.02

const CAUGHT = ['weed', 'freed', 'opened', 'lost'] as const
const SNAGS: ReadonlySet<Fate> = new Set<Fate>(['freed', 'opened', 'lost'])
/** Weights of meetings by fate; squares of those that are snags only here, only at the middle, or in both. */
type Sums = Record<Fate | 'came' | 'went' | 'stayed', number>

/** What is uncertain of snags, as factors. */
interface SnagScale extends MeetScale {
  readonly standing: number
  readonly wear: number
}
const USUAL: SnagScale = { ...AS_MET, standing: 1, wear: 1 }

/** Snags in every member: chances of a cast, minutes left of the hour, rigs and hooks lost in it. */
export interface SnagMembers {
  readonly snagPerCast: Float64Array
  readonly weedPerCast: Float64Array
  readonly minutesLeft: Float64Array
  readonly lostPerHour: Float64Array
  /** what a cast comes to at the middle of everything, with what was learned */ readonly centre: CastRates
}

/** A meeting that may catch. */
interface Met {
  readonly obstacle: Placed
  readonly chance: Chance
  readonly stance: Stance
  readonly weight: number
  /** whether it is a snag at the middle of everything */ readonly caught: boolean
}

/** No member has things thinner or thicker, pressing harder, stronger or given less than this. */
const BOUNDS = { thin: 0.6, thick: 1.7, most: 3.5 } as const
const LIKELIEST: MeetScale = {
  size: BOUNDS.thin,
  press: BOUNDS.most,
  free: 1 / BOUNDS.most,
  strength: BOUNDS.most,
}

/**
 * Whether a meeting goes past in every member, so that it need not be looked at in each. Thin, strong things
 * that press hard and are hardly pulled at catch a point, a step or a saddle the likeliest.
 */
function goesPast(rig: SnagRig, obstacle: Placed, chance: Chance, stance: Stance): boolean {
  if (chance.kind === 'rod')
    return endOf(rig, obstacle, chance, stance, LIKELIEST).fate === 'past' && !(rig.apartM > 0 && chance.over)
  // heads wedge in gaps of one width and no other: any that comes near it is kept
  const near = (presentedM: number): boolean =>
    presentedM / (BOUNDS.thin * chance.width) >= TIGHT_LEAST &&
    presentedM / (BOUNDS.thick * chance.width) <= TIGHT_MOST
  return !Array.from(stance.openings).some(near)
}

/** What a cast comes to on a few meetings, with what telling it by so few leaves unsure. */
interface FewMet extends CastRates {
  /** snags of a cast among as much as stands there in the middle */ readonly snags: number
  /** variance of their change from the middle of everything by chance of the few, as a share of its square */
  readonly fewness: number
}
interface FewMeetings {
  readonly at: (scale: SnagScale) => FewMet
  /** at the middle of everything */ readonly usual: FewMet
  /** snags of a cast that so few meetings cannot tell from none */ readonly hardly: number
}

/** What meetings of one state of the rig come to, and how their catches changed from the middle of everything. */
function sumsOf(rig: SnagRig, met: readonly Met[], scale: SnagScale): Sums {
  const sum = { past: 0, weed: 0, freed: 0, opened: 0, lost: 0, came: 0, went: 0, stayed: 0 }
  for (const { obstacle, chance, stance, weight, caught } of met) {
    const { fate } = endOf(rig, obstacle, chance, stance, scale)
    sum[fate] += weight
    if (SNAGS.has(fate)) sum[caught ? 'stayed' : 'came'] += weight ** 2
    else if (caught) sum.went += weight ** 2
  }
  return sum
}

/** What a cast comes to on the same few meetings, whatever is uncertain of them. */
function castRates(
  rig: SnagRig,
  obstacles: readonly Placed[],
  ride: Ride,
  { seed, count } = USUAL_MEETINGS,
  recall: Recall = forgetful,
): FewMeetings {
  const drawn = recall(meetingsKey(obstacles, ride, seed, count), () =>
    drawMeetings(obstacles, ride, seed, count),
  )
  const states = [rig, ...(rig.wornPoints ? [{ ...rig, points: rig.wornPoints }] : [])]
  const hardly =
    (HARDLY * obstacles.reduce((sum, o) => sum + rateOf(o, ride) * CAST_M, 0)) / USUAL_MEETINGS.count
  let rubs = 0
  const met = states.map((state, s) =>
    drawn.flatMap((chances, k) =>
      chances.flatMap((chance): Met[] => {
        const obstacle = obstacles[k]!
        const stance = stanceTo(state, obstacle, ride.postures, chance)
        const weight =
          ((rateOf(obstacle, ride) * CAST_M) / count) * (chance.kind === 'rod' ? chance.weight : 1)
        if (s === 0 && stance.rubbed) rubs += weight
        if (goesPast(state, obstacle, chance, stance)) return []
        const caught = SNAGS.has(endOf(state, obstacle, chance, stance, USUAL).fate)
        return [{ obstacle, chance, stance, weight, caught }]
      }),
    ),
  )
  const at = (scale: SnagScale, usually?: number): FewMet => {
    const sums = states.map((state, s) => sumsOf(state, met[s]!, scale))
    const standing = scale.standing
    const catches = (sum: Sums): number => CAUGHT.reduce((all, fate) => all + standing * sum[fate], 0)
    const [covered, out] = sums
    const wear = out
      ? wearBetweenLooks(
          scale.wear * (standing * rubs + RUBS_PER_CAST) * rig.wornPerRub,
          ride.looksEvery ?? LOOKS_EVERY,
          chanceOf(catches(out)),
        )
      : { worn: 0, laidBack: 0 }
    const mixed = (of: keyof Sums, power = 1): number =>
      (1 - wear.worn) ** power * covered![of] + wear.worn ** power * (out?.[of] ?? 0)
    const snags = mixed('freed') + mixed('opened') + mixed('lost')
    const grown = usually === undefined ? 1 : (snags + hardly) / (usually + hardly)
    const spread = mixed('came', 2) + grown ** 2 * mixed('went', 2) + (grown - 1) ** 2 * mixed('stayed', 2)
    return {
      weed: standing * mixed('weed'),
      freed: standing * mixed('freed'),
      opened: standing * mixed('opened'),
      lost: standing * mixed('lost'),
      ...wear,
      snags,
      fewness: spread / (snags + hardly) ** 2,
    }
  }
  const usual = at(USUAL)
  return { usual, hardly, at: scale => at(scale, usual.snags) }
}

/**
 * Snags in every member: the same meetings, with what is uncertain of the place as the member has it. Told as
 * a change from what those meetings come to at the middle of everything, and laid on the rates from many
 * more; with what the model leaves out of covered or open points and of the rig itself.
 * @param rates at the middle of everything
 * @param meetings others than the usual, for trying these on
 */
export const snagMembers = (
  rig: SnagRig,
  obstacles: readonly Placed[],
  ride: Ride,
  rates: CastRates,
  among: Draws,
  meetings = USUAL_MEETINGS,
  recall: Recall = forgetful,
): SnagMembers => snagsAmong(rig, obstacles, ride, rates, meetings, recall)(among)

/** The same, for asking more than once. */
export function snagsAmong(
  rig: SnagRig,
  obstacles: readonly Placed[],
  ride: Ride,
  rates: CastRates,
  meetings = USUAL_MEETINGS,
  recall: Recall = forgetful,
): (among: Draws) => SnagMembers {
  const { at, usual, hardly } = castRates(rig, obstacles, ride, meetings, recall)
  const castAt = (scale: SnagScale, leftOut: number, chance: number): CastRates => {
    const found = at(scale)
    const unsure = leftOut * Math.exp(chance * Math.sqrt(found.fewness))
    const rate = (fate: 'weed' | 'freed' | 'opened' | 'lost'): number =>
      (unsure * rates[fate] * scale.standing * (found[fate] / scale.standing + hardly)) /
      (usual[fate] + hardly)
    return {
      weed: rate('weed'),
      freed: rate('freed'),
      opened: rate('opened'),
      lost: rate('lost'),
      worn: found.worn,
      laidBack: found.laidBack,
    }
  }
  /** A cast with every number as `of` has it. */
  const castWith = (of: (id: SnagNumber) => number): CastRates =>
    castAt(scaleOf(of), of('snagKind') * of('snagOwn'), of('snagDrawnOwn'))

  return among => {
    const values = new Map(SNAG_NUMBERS.map(id => [id, among.values(id)]))
    const members = {
      snagPerCast: new Float64Array(among.size),
      weedPerCast: new Float64Array(among.size),
      minutesLeft: new Float64Array(among.size),
      lostPerHour: new Float64Array(among.size),
    }
    for (let m = 0; m < among.size; m++) {
      const cast = castWith(id => values.get(id)![m]!)
      const hour = hourOf(ride, cast, rig.wornPoints !== undefined)
      members.snagPerCast[m] = chanceOf(cast.freed + cast.opened + cast.lost)
      members.weedPerCast[m] = chanceOf(cast.weed)
      members.minutesLeft[m] = hour.minutesLeft
      members.lostPerHour[m] = hour.rigsLost + hour.hooksOpened
    }
    const moved = SNAG_NUMBERS.some(id => among.centre(id) !== 0)
    // what the few meetings leave unsure is told in deviates, everything else in its own measure
    const middle = (id: SnagNumber): number =>
      id === 'snagDrawnOwn' ? among.centre(id) : parameterAt(id, among.centre(id))
    return { ...members, centre: moved ? castWith(middle) : rates }
  }
}

/** How much stands there, how thick, and so on, as numbers have it. */
const scaleOf = (of: (id: SnagNumber) => number): SnagScale => ({
  standing: of('standing'),
  size: of('coverSize'),
  press: of('press'),
  strength: of('coverStrength'),
  free: of('freeing'),
  wear: of('wear'),
})

/** Everything that snags hang on and is not sure. */
export const SNAG_NUMBERS = [
  'standing',
  'coverSize',
  'press',
  'coverStrength',
  'freeing',
  'wear',
  'snagKind',
  'snagOwn',
  'snagDrawnOwn',
] as const satisfies readonly ParameterId[]
type SnagNumber = (typeof SNAG_NUMBERS)[number]

/** What is uncertain about snags. */
const SNAG_DOUBTS = [
  'standing',
  'coverSize',
  'press',
  'coverStrength',
  'freeing',
  'wear',
] as const satisfies readonly ParameterId[]
export type SnagDoubtId = (typeof SNAG_DOUBTS)[number]
const MOVES: Readonly<Record<SnagDoubtId, keyof SnagScale>> = {
  standing: 'standing',
  coverSize: 'size',
  press: 'press',
  coverStrength: 'strength',
  freeing: 'free',
  wear: 'wear',
}

/**
 * How far each doubt moves the minutes left for fishing from one end of its range to the other, each on the
 * same meetings. Largest first.
 */
export function snagDoubts(
  rig: SnagRig,
  obstacles: readonly Placed[],
  ride: Ride,
): { readonly id: SnagDoubtId; readonly minutes: number }[] {
  const { at } = castRates(rig, obstacles, ride)
  const hidden = rig.wornPoints !== undefined
  const left = (id: SnagDoubtId, z: number): number =>
    hourOf(ride, at({ ...USUAL, [MOVES[id]]: parameterAt(id, z) }), hidden).minutesLeft
  return SNAG_DOUBTS.filter(id => hidden || id !== 'wear')
    .map(id => ({ id, minutes: Math.abs(left(id, Z90) - left(id, -Z90)) }))
    .sort((a, b) => b.minutes - a.minutes)
}

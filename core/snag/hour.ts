import type { Ride } from './meet'

/** What an hour of fishing comes to. */
export interface FishingHour {
  readonly casts: number
  readonly minutes: { readonly snags: number; readonly weed: number; readonly fixing: number }
  readonly rigsLost: number
  readonly hooksOpened: number
}

/** Metres of a cast spent near cover. */
export const CAST_M = 15

/** A cast rubs a hidden point about as much as so many meetings. *Assumed.* */
export const RUBS_PER_CAST = 1

/**
 * What things cost in minutes. *Assumed*: a rig is freed in two and a half, tied anew in five; weed is picked
 * off in half a minute, a point laid back in a sixth.
 */
const COST_MIN = { freed: 2.5, opened: 4, lost: 5, weed: 0.5, fix: 0.17 } as const

/**
 * Casts from one look at the point to the next, when nothing is said. *Assumed*: people look every few casts
 * in cover.
 */
export const LOOKS_EVERY = 4
/** Taking a look, minutes. *Assumed.* */
const LOOK_MIN = 0.03

/** How a hidden point fares between looks. */
export interface Wear {
  /** casts fished with a point that has worked out, as a fraction */ readonly worn: number
  /** times it is laid back, per cast */ readonly laidBack: number
}

/**
 * A hidden point works out at random, unseen, after 1/hazard casts on average, and is laid back at the next
 * look, or where it catches something before that: a hook that is cleared is looked at. Cast by cast over one
 * stretch from look to look.
 * @param revealed chance that a cast with a worn point catches something
 */
export function wearBetweenLooks(hazardPerCast: number, looksEvery: number, revealed: number): Wear {
  const worksOut = 1 - Math.exp(-hazardPerCast)
  // part of a cast that is fished worn where the cast began covered
  const within = hazardPerCast > 1e-6 ? 1 - worksOut / hazardPerCast : hazardPerCast / 2
  const casts = Math.max(1, Math.round(looksEvery))
  let covered = 1
  let worn = 0
  let laidBack = 0
  for (let i = 0; i < casts; i++) {
    worn += covered * within + (1 - covered)
    const out = covered * worksOut
    const caught = revealed * (1 - covered + out)
    laidBack += caught
    covered = covered - out + caught
  }
  return { worn: worn / casts, laidBack: (laidBack + 1 - covered) / casts }
}

/** What a cast comes to: events of each kind, and times a point is laid back. */
export interface CastRates {
  readonly weed: number
  readonly freed: number
  readonly opened: number
  readonly lost: number
  readonly laidBack: number
  readonly worn: number
}

/** Chance of at least one of so many events. */
export const chanceOf = (events: number): number => 1 - Math.exp(-events)

/** Minutes left for fishing and the hour they are left of. @param hidden the point is looked at */
export function hourOf(
  { retrieve, looksEvery = LOOKS_EVERY }: Omit<Ride, 'postures'>,
  { weed, freed, opened, lost, laidBack }: CastRates,
  hidden: boolean,
): FishingHour & { readonly minutesLeft: number } {
  const fixing = hidden ? LOOK_MIN / looksEvery + laidBack * COST_MIN.fix : 0
  const snags = freed * COST_MIN.freed + opened * COST_MIN.opened + lost * COST_MIN.lost
  const weeds = COST_MIN.weed * chanceOf(weed)
  const castMin = retrieve.castMin + snags + weeds + fixing
  const casts = 60 / castMin
  return {
    minutesLeft: (60 * retrieve.castMin) / castMin,
    casts,
    rigsLost: casts * lost,
    hooksOpened: casts * opened,
    minutes: { snags: casts * snags, weed: casts * weeds, fixing: casts * fixing },
  }
}

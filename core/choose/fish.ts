import type { FeedingId, MatchId, Mouth } from '../strike/bite'
import type { FormId } from '../tackle/forms'
import type { WeightMaterial } from '../tackle/weights'

/**
 * Fish and their food. Temperatures from the general biology of each kind, sizes and shapes from what is
 * found in their stomachs; all of it typical, editable, and *assumed* as custom.
 */
export type SpeciesId =
  | 'seaBass'
  | 'wrasse'
  | 'pollack'
  | 'zander'
  | 'pike'
  | 'perch'
  | 'blackBass'
  | 'coolBass'
  | 'drum'
  | 'flathead'
  | 'barramundi'
  | 'snapper'
  | 'flounder'
  | 'cod'
  | 'trout'
  | 'char'
/** Teeth that cut a line, that rasp it through in time, or none that matter. */
export type Teeth = 'cutting' | 'rasping' | 'none'
export type PreyId = 'sandEel' | 'smallFish' | 'goby' | 'prawn' | 'crab' | 'worm' | 'frog' | 'nymph'
export type Activity = 'active' | 'steady' | 'slow'
export type Clarity = 'clear' | 'stained' | 'dirty'
export type Light = 'bright' | 'dull' | 'dark'

export interface Prey {
  readonly name: string
  /** usual length, m */ readonly lengthM: number
  readonly close: readonly FormId[]
  readonly fair: readonly FormId[]
  /** colours by custom: in bright light and clear water; in dull; in the dark or dirty water */
  readonly colours: readonly [string, string, string]
}

export const PREY: Readonly<Record<PreyId, Prey>> = {
  sandEel: {
    name: 'sand eels',
    lengthM: 0.11,
    close: ['softJerkbait', 'minnow', 'slimShad', 'eel', 'stick'],
    fair: ['segmentedShad', 'straightWorm', 'leech'],
    colours: ['pearl, sand, clear with flash', 'white, pale green', 'black, dark blue'],
  },
  smallFish: {
    name: 'small fish',
    lengthM: 0.085,
    close: ['slimShad', 'deepShad', 'segmentedShad', 'minnow', 'softJerkbait'],
    fair: ['grub', 'stub', 'tube'],
    colours: ['silver, clear, natural back', 'white, pearl', 'white with bright, black'],
  },
  goby: {
    name: 'gobies and blennies',
    lengthM: 0.07,
    close: ['grub', 'tube', 'slimShad', 'stub'],
    fair: ['leech', 'craw', 'minnow', 'straightWorm', 'bug'],
    colours: ['sand, olive', 'brown, motor-oil', 'black, purple'],
  },
  prawn: {
    name: 'prawns and shrimps',
    lengthM: 0.065,
    close: ['shrimp', 'craw'],
    fair: ['bug', 'stub', 'grub', 'leech'],
    colours: ['clear, pale amber', 'amber, pink', 'dark red, brown'],
  },
  crab: {
    name: 'crabs and crayfish',
    lengthM: 0.075,
    close: ['craw', 'bug'],
    fair: ['tube', 'shrimp', 'grub', 'stub'],
    colours: ['green pumpkin, olive', 'brown, orange tips', 'black and blue, dark red'],
  },
  worm: {
    name: 'worms',
    lengthM: 0.12,
    close: ['straightWorm', 'flatWorm', 'ribbonWorm', 'stick', 'leech', 'eel'],
    fair: ['stub', 'grub', 'softJerkbait'],
    colours: ['natural brown, red', 'plum, green pumpkin', 'black, dark plum'],
  },
  frog: {
    name: 'frogs',
    lengthM: 0.085,
    close: ['frog', 'bug'],
    fair: ['craw', 'tube', 'grub'],
    colours: ['green, brown', 'dark green', 'black'],
  },
  nymph: {
    name: 'larvae and small bites',
    lengthM: 0.045,
    close: ['stub', 'leech', 'shrimp'],
    fair: ['minnow', 'grub', 'straightWorm'],
    colours: ['brown, orange', 'olive, brown', 'black'],
  },
}
export const PREY_IDS = Object.keys(PREY) as PreyId[]

export interface Species {
  readonly name: string
  /** °C: below the first and above the last they hardly move; between the middle two they feed hard */
  readonly feedC: readonly [number, number, number, number]
  /** how they take, by how active they are */ readonly feeding: Readonly<Record<Activity, FeedingId>>
  readonly mouth: Mouth
  /** part of the depth they usually feed in, shares from the surface */ readonly zone: readonly [
    number,
    number,
  ]
  /** what they eat, the commonest first */ readonly prey: readonly PreyId[]
  /** lengths of it where they are other than usual, m */ readonly preyM?: Readonly<
    Partial<Record<PreyId, number>>
  >
  readonly teeth: Teeth
}

/** Ways of taking: fish that are off the feed take a step more gingerly. *Assumed.* */
const GULP = { active: 'gulp', steady: 'gulp', slow: 'grab' } as const
const GRAB = { active: 'grab', steady: 'grab', slow: 'nip' } as const
const NIP = { active: 'nip', steady: 'nip', slow: 'nip' } as const

/** Bite and hardness of jaw against school-size sea bass and zander, and the gape, m. *Assumed.* */
const mouth = (bite: number, hard: number, gapeM: number): Mouth => ({ bite, hard, gapeM })

export const SPECIES: Readonly<Record<SpeciesId, Species>> = {
  seaBass: {
    name: 'sea bass',
    feedC: [7, 11, 19, 24],
    feeding: GRAB,
    mouth: mouth(1, 1, 0.06),
    zone: [0.5, 1],
    prey: ['sandEel', 'smallFish', 'prawn', 'crab'],
    teeth: 'none',
  },
  wrasse: {
    name: 'wrasse',
    feedC: [9, 12, 19, 23],
    feeding: NIP,
    mouth: mouth(1.3, 1.3, 0.025),
    zone: [0.8, 1],
    prey: ['crab', 'prawn', 'worm', 'goby'],
    teeth: 'rasping',
  },
  pollack: {
    name: 'pollack',
    feedC: [5, 8, 14, 18],
    feeding: GRAB,
    mouth: mouth(1, 0.9, 0.06),
    zone: [0.4, 0.9],
    prey: ['sandEel', 'smallFish', 'prawn'],
    teeth: 'none',
  },
  zander: {
    name: 'zander',
    feedC: [5, 11, 20, 25],
    feeding: GRAB,
    mouth: mouth(1, 1.2, 0.05),
    zone: [0.85, 1],
    prey: ['smallFish', 'goby', 'worm'],
    teeth: 'rasping',
  },
  pike: {
    name: 'pike',
    feedC: [4, 9, 18, 24],
    feeding: GULP,
    mouth: mouth(1.4, 1.4, 0.1),
    zone: [0.3, 1],
    prey: ['smallFish', 'frog', 'worm'],
    teeth: 'cutting',
  },
  perch: {
    name: 'perch',
    feedC: [5, 11, 20, 25],
    feeding: NIP,
    mouth: mouth(0.7, 0.7, 0.035),
    zone: [0.5, 1],
    prey: ['smallFish', 'goby', 'nymph', 'worm', 'prawn'],
    teeth: 'none',
  },
  blackBass: {
    name: 'black bass',
    feedC: [8, 16, 27, 33],
    feeding: GULP,
    mouth: mouth(1.1, 1, 0.08),
    zone: [0.3, 1],
    prey: ['smallFish', 'crab', 'worm', 'frog'],
    teeth: 'none',
  },
  coolBass: {
    name: 'black bass of cool water',
    feedC: [6, 12, 22, 28],
    feeding: GRAB,
    mouth: mouth(1, 0.9, 0.055),
    zone: [0.6, 1],
    prey: ['crab', 'goby', 'smallFish', 'worm'],
    teeth: 'none',
  },
  drum: {
    name: 'drums and croakers',
    feedC: [9, 16, 28, 33],
    feeding: GRAB,
    mouth: mouth(1.3, 1, 0.06),
    zone: [0.7, 1],
    prey: ['crab', 'prawn', 'smallFish', 'worm'],
    teeth: 'none',
  },
  flathead: {
    name: 'flatheads',
    feedC: [11, 17, 26, 30],
    feeding: GULP,
    mouth: mouth(1.2, 1.2, 0.07),
    zone: [0.9, 1],
    prey: ['smallFish', 'prawn', 'goby'],
    teeth: 'rasping',
  },
  barramundi: {
    name: 'barramundi',
    feedC: [20, 25, 31, 35],
    feeding: GULP,
    mouth: mouth(1.5, 1.3, 0.1),
    zone: [0.2, 1],
    prey: ['smallFish', 'prawn', 'frog'],
    teeth: 'rasping',
  },
  snapper: {
    name: 'snappers and breams',
    feedC: [11, 16, 25, 30],
    feeding: GRAB,
    mouth: mouth(1.5, 1.4, 0.04),
    zone: [0.6, 1],
    prey: ['prawn', 'crab', 'smallFish', 'worm'],
    teeth: 'rasping',
  },
  flounder: {
    name: 'flounders and other flatfish',
    feedC: [5, 9, 18, 24],
    feeding: GRAB,
    mouth: mouth(0.8, 0.8, 0.035),
    zone: [0.95, 1],
    prey: ['worm', 'prawn', 'sandEel', 'goby'],
    teeth: 'none',
  },
  cod: {
    name: 'cod and its kin',
    feedC: [2, 5, 11, 16],
    feeding: GULP,
    mouth: mouth(1.1, 0.8, 0.08),
    zone: [0.7, 1],
    prey: ['smallFish', 'crab', 'sandEel', 'prawn'],
    teeth: 'none',
  },
  trout: {
    name: 'trout',
    feedC: [3, 8, 16, 21],
    feeding: NIP,
    mouth: mouth(0.7, 0.8, 0.04),
    zone: [0.2, 0.9],
    prey: ['smallFish', 'nymph', 'worm', 'prawn'],
    teeth: 'none',
  },
  char: {
    name: 'char',
    feedC: [2, 5, 12, 17],
    feeding: NIP,
    mouth: mouth(0.7, 0.8, 0.04),
    zone: [0.5, 1],
    prey: ['smallFish', 'nymph', 'prawn', 'worm'],
    teeth: 'none',
  },
}
/** The fish that are sought: the angler's own where one is described, else a kind of the list. */
export const fishOf = ({ species, own }: { readonly species: SpeciesId; readonly own?: Species }): Species =>
  own ?? SPECIES[species]
export const SPECIES_IDS = Object.keys(SPECIES) as SpeciesId[]

/** Spring and autumn bring fish on: months 3–5 and 9–11 of the north. */
const SEASON_LIFT = 0.15
const LIVELY_MONTHS: ReadonlySet<number> = new Set([3, 4, 5, 9, 10, 11])

/**
 * How active fish of a kind are, from the water's temperature and the month. A trapezium over their feeding
 * temperatures, lifted a little in spring and autumn; above two thirds they are active, below one third slow.
 * @param month 1..12; left out where the season is not known
 */
export function activityOf(
  { feedC }: Pick<Species, 'feedC'>,
  temperatureC: number,
  month?: number,
): Activity {
  const [cold, from, to, hot] = feedC
  const rise = (temperatureC - cold) / (from - cold)
  const fall = (hot - temperatureC) / (hot - to)
  const share =
    Math.max(0, Math.min(1, rise, fall)) + (month !== undefined && LIVELY_MONTHS.has(month) ? SEASON_LIFT : 0)
  return share > 2 / 3 ? 'active' : share > 1 / 3 ? 'steady' : 'slow'
}

/** Slender food: a skirt or blade in front of the bait makes it less like that. */
const SLENDER: ReadonlySet<PreyId> = new Set(['sandEel', 'worm', 'nymph'])

/** How like a prey a form is, bare or behind a skirt. */
export function matchOf(form: FormId, prey: PreyId, skirted = false): MatchId {
  const less = skirted && SLENDER.has(prey)
  if (PREY[prey].close.includes(form)) return less ? 'fair' : 'close'
  return PREY[prey].fair.includes(form) && !less ? 'fair' : 'poor'
}

/** More length and tail in dirty water and low light, less on slow fish. By custom. */
const LONGER: Readonly<Record<Clarity, number>> = { clear: 1, stained: 1.1, dirty: 1.25 }
const LONGER_BY_LIGHT: Readonly<Record<Light, number>> = { bright: 1, dull: 1.05, dark: 1.15 }
const LONGER_BY_ACTIVITY: Readonly<Record<Activity, number>> = { active: 1.05, steady: 1, slow: 0.88 }

/** Bait length wanted for a prey of given length, m. */
export const wantedLengthM = (preyM: number, clarity: Clarity, light: Light, activity: Activity): number =>
  preyM * LONGER[clarity] * LONGER_BY_LIGHT[light] * LONGER_BY_ACTIVITY[activity]

/** Colour family by prey and light. Custom, not computed. */
export const coloursOf = (prey: PreyId, clarity: Clarity, light: Light): string =>
  PREY[prey].colours[
    clarity === 'dirty' || light === 'dark' ? 2 : clarity === 'stained' || light === 'dull' ? 1 : 0
  ]

export const ACTIVITIES: readonly Activity[] = ['active', 'steady', 'slow']
export const CLARITIES: readonly Clarity[] = ['clear', 'stained', 'dirty']
export const LIGHTS: readonly Light[] = ['bright', 'dull', 'dark']

/** Lead may not be used everywhere; the others are offered in its place. */
export const UNLEADED: readonly WeightMaterial[] = ['tungsten', 'bismuth', 'tin', 'steel', 'brass']

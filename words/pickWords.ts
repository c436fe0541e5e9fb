import {
  COMPUTED_FACTORS,
  FACTOR_IDS,
  FACTOR_NAMES,
  FAMILIES,
  LINE_STOCKS,
  PREY,
  RETRIEVES,
  RODS,
  SPECIES,
  type Activity,
  type Clarity,
  type Day,
  type FactorId,
  type Factors,
  type Finalist,
  type Light,
  type RigSpec,
  type Teeth,
  type WayCost,
  type WhatIf,
} from '#core'
import { POINT_WORDS } from './words'
import { shown, weightText, type UnitSet, type UnitSystem } from './units'

/** Words of the chooser for a screen or a card. */
export const ACTIVITY_WORDS: Readonly<Record<Activity, string>> = {
  active: 'active',
  steady: 'neither',
  slow: 'slow',
}
export const CLARITY_WORDS: Readonly<Record<Clarity, string>> = {
  clear: 'clear',
  stained: 'stained',
  dirty: 'dirty',
}
export const LIGHT_WORDS: Readonly<Record<Light, string>> = { bright: 'bright', dull: 'dull', dark: 'dark' }

/** Schools of the angler's own way, and what each choice is called. */
export const SCHOOLS = {
  heads: { name: 'points', choices: { open: 'open heads all day', weedless: 'weedless throughout' } },
  point: {
    name: 'hidden point',
    choices: { flush: 'flush on the back', skin: 'just under the skin', buried: 'buried' },
  },
  peg: { name: 'weight on the line', choices: { pegged: 'pegged', free: 'free' } },
  fall: { name: 'fall', choices: { fast: 'fast, to trigger', slow: 'slow, to give time' } },
  work: { name: 'in weed', choices: { moving: 'keep it moving', paused: 'pause' } },
  hook: { name: 'hook', choices: { big: 'big: gap and strength', small: 'small: action' } },
  knot: { name: 'knot', choices: { loop: 'loop, for freedom', snug: 'snug, for control' } },
} as const
export type SchoolId = keyof typeof SCHOOLS

export const costWords = ({ share }: WayCost): string =>
  share <= 0
    ? 'nothing left'
    : share > 0.995
      ? 'costs nothing here'
      : `costs ${Math.round(100 * (1 - share))} % of the fish`

/** "offset and bullet, pegged": a family and what goes with it. */
export const rigWords = (rig: RigSpec): string =>
  `${FAMILIES[rig.family].shortName}${rig.peg ? `, ${rig.peg}` : ''}`
/** "5/0 point just under the skin, 7 g tungsten". */
export const sizeWords = (rig: RigSpec, system: UnitSystem): string =>
  `${rig.hookSize}${rig.wire && rig.wire !== 'standard' ? ` ${rig.wire} wire` : ''} ${rig.pointRest === 'open' ? 'open' : `point ${POINT_WORDS[rig.pointRest]}`}${rig.weightKg > 0 ? `, ${weightText(rig.weightKg, system)} ${rig.weightMaterial}` : ', no weight'}`

export const lineWords = ({ outfit: { line } }: Finalist, strength: (n: number) => string): string =>
  `${LINE_STOCKS[line.kind].name} ${strength(line.strengthN)}`
export const rodWords = ({ outfit: { rod } }: Finalist): string => RODS[rod].name

/** How a cadence is fished; custom, in a sentence. */
const HOW: Readonly<Record<Finalist['outfit']['retrieve'], string>> = {
  hop: "lift a forearm's length, let it fall on a controlled line, wait",
  drag: 'drag it slowly, stop at every touch',
  slowRoll: 'reel just fast enough to feel the tail',
  shake: 'shake it where it lies, then leave it still',
  swim: 'reel steadily at its depth',
  snap: 'snap it off what it touches and let it fall',
  fallInto: 'drop it into every gap on slack, watch the line',
  punch: 'flip it high, let it break through, shake twice, lift out',
}
const PAUSES: Readonly<Record<Activity, string>> = {
  active: 'pause a second',
  steady: 'pause three to five seconds',
  slow: 'pause ten seconds and more',
}
export const cadenceWords = ({ outfit: { retrieve } }: Finalist, { activity }: Day): string =>
  `${RETRIEVES[retrieve].name}: ${HOW[retrieve]}; ${PAUSES[activity]}`

/** Which knot; custom, not computed. */
export function knotAdvice(day: Day, { rig }: Finalist): string {
  const swings = rig.pointRest === 'open' || rig.weightKg === 0
  return `Knot: ${day.way?.knot === 'snug' ? 'a snug knot, for control' : day.way?.knot === 'loop' ? 'a loop knot, for freedom' : swings ? 'a loop knot lets it swing' : 'a snug knot keeps it in line'}.`
}

export interface FactorRow {
  readonly id: FactorId
  readonly name: string
  readonly share: number
  readonly computed: boolean
}
export const factorRows = (factors: Factors): FactorRow[] =>
  FACTOR_IDS.map(id => ({
    id,
    name: FACTOR_NAMES[id],
    share: factors[id],
    computed: COMPUTED_FACTORS.has(id),
  }))

/** Words of a fish that is described. */
export const FISH_WORDS = {
  feedC: ['hardly move below', 'feed hard from', 'up to', 'hardly move above'],
  when: { active: 'when active', steady: 'when neither', slow: 'when slow' },
} as const
export const TEETH_WORDS: Readonly<Record<Teeth, string>> = {
  cutting: 'cut a line',
  rasping: 'rasp a line through',
  none: 'none that matter',
}

export const speciesItems = (Object.entries(SPECIES) as [keyof typeof SPECIES, { name: string }][]).map(
  ([value, { name }]) => ({ value, label: name }),
)
export const preyItems = (Object.entries(PREY) as [keyof typeof PREY, { name: string }][]).map(
  ([value, { name }]) => ({ value, label: name }),
)

/** What puts candidates out, for a count of them. */
export const LIMIT_WORDS = {
  fit: 'do not fit',
  floats: 'float',
  reach: 'too light to get down',
  current: 'too light for the current',
  cast: 'no rod casts them',
  roof: 'do not get through',
  match: 'too unlike the food',
} as const

/**
 * What another day changes, for the same rig and for another: what the change gives it over the first pick,
 * in figures where it has them.
 */
export function whatIfWords(
  { same, gain }: WhatIf,
  { speed }: Pick<UnitSet, 'speed'>,
  system: UnitSystem,
): string {
  if (same) return 'the same rig.'
  if (!gain) return 'the first pick cannot be fished then.'
  const { by, one, other } = gain
  const percents = `${Math.round(100 * one)} % against ${Math.round(100 * other)}`
  switch (by) {
    case 'time':
      return `it leaves about ${Math.round(one)} minutes of the hour for fishing against ${Math.round(other)}.`
    case 'hook':
      return `of bites it hooks about ${percents}.`
    case 'landed':
      return `of hooked fish it brings out ${percents}.`
    case 'zone':
      return `of a cast it is among the fish for ${percents}.`
    case 'follow':
      return `it falls at about ${shown(one, speed)} ${speed.label} against ${shown(other, speed)}, nearer to what they then follow.`
    case 'look':
      return 'it falls more level, and rests where they then look.'
    case 'quiet':
      return `it lands more quietly: ${weightText(one, system)} in all against ${weightText(other, system)}.`
    case 'intake':
      return `it is easier to take in: ${weightText(one, system)} in all against ${weightText(other, system)}.`
    case 'match':
      return 'its bait is nearer to what they then take.'
    case 'reach':
      return `the cast reaches ${percents}.`
  }
}

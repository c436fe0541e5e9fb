import {
  cToF,
  fToC,
  ftToM,
  GRAM_STEPS_KG,
  gToKg,
  inToM,
  kgToG,
  kgToOz,
  lbfToN,
  mmToM,
  mToFt,
  mToIn,
  mToMm,
  nToLbf,
  OUNCE_LADDER,
  OUNCE_STEPS_KG,
  ozToKg,
} from '#core'

export const UNIT_SYSTEMS = ['metric', 'imperial', 'mixed'] as const
export type UnitSystem = (typeof UNIT_SYSTEMS)[number]

/** A unit as shown and typed: how to get to it from SI and back, and how many decimals it is written with. */
export interface Unit {
  readonly label: string
  readonly from: (si: number) => number
  readonly to: (shown: number) => number
  readonly decimals: number
}

const same = (label: string, decimals: number): Unit => ({ label, from: x => x, to: x => x, decimals })
const NEWTON_PER_KGF = 9.80665

const METRE = same('m', 2)
const FOOT: Unit = { label: 'ft', from: mToFt, to: ftToM, decimals: 1 }
const MILLIMETRE: Unit = { label: 'mm', from: mToMm, to: mmToM, decimals: 0 }
const INCH: Unit = { label: 'in', from: mToIn, to: inToM, decimals: 2 }
const POUND: Unit = { label: 'lb', from: nToLbf, to: lbfToN, decimals: 0 }
const KILO: Unit = { label: 'kg', from: n => n / NEWTON_PER_KGF, to: kg => kg * NEWTON_PER_KGF, decimals: 1 }

const OUNCE: Unit = { label: 'oz', from: kgToOz, to: ozToKg, decimals: 3 }
const GRAM: Unit = { label: 'g', from: kgToG, to: gToKg, decimals: 1 }
const thousandth = (label: string): Unit => ({ label, from: x => x / 1000, to: y => 1000 * y, decimals: 2 })
const SMALL_METRIC = {
  scale: { ...GRAM, decimals: 2 },
  density: thousandth('g/cm³'),
  small: { ...MILLIMETRE, decimals: 1 },
  fine: { ...MILLIMETRE, decimals: 2 },
  vessel: { label: 'cm', from: (m: number) => 100 * m, to: (cm: number) => cm / 100, decimals: 0 },
} as const

export interface UnitSet {
  readonly depth: Unit
  readonly temperature: Unit
  readonly length: Unit
  /** parts of hooks and places along a bait */ readonly small: Unit
  /** thickness of wire */ readonly fine: Unit
  /** what a pocket scale shows */ readonly scale: Unit
  readonly density: Unit
  /** baths and what stands in them */ readonly vessel: Unit
  readonly speed: Unit
  readonly lineStrength: Unit
  readonly weight: Unit
  /** weights as sold, kg */ readonly ladderKg: readonly number[]
}

const CELSIUS = same('°C', 0)

/** Metric, imperial, and what many boats use: depths in metres, weights in ounces, line in pounds. */
/** Salt in the water, g/kg. */
/** A share or a factor as a percentage. */
export const PERCENT: Unit = { label: '%', from: x => 100 * x, to: x => x / 100, decimals: 0 }
export const PER_MILLE: Unit = { label: '‰', from: x => x, to: x => x, decimals: 0 }

export const UNITS: Readonly<Record<UnitSystem, UnitSet>> = {
  metric: {
    depth: METRE,
    temperature: CELSIUS,
    length: MILLIMETRE,
    ...SMALL_METRIC,
    speed: same('m/s', 2),
    lineStrength: KILO,
    weight: GRAM,
    ladderKg: GRAM_STEPS_KG,
  },
  imperial: {
    depth: FOOT,
    temperature: { label: '°F', from: cToF, to: fToC, decimals: 0 },
    length: INCH,
    small: INCH,
    scale: { ...OUNCE, decimals: 3 },
    density: thousandth('× water'),
    fine: { ...INCH, decimals: 3 },
    vessel: { ...INCH, decimals: 1 },
    speed: { label: 'ft/s', from: mToFt, to: ftToM, decimals: 1 },
    lineStrength: POUND,
    weight: OUNCE,
    ladderKg: OUNCE_STEPS_KG,
  },
  mixed: {
    depth: METRE,
    temperature: CELSIUS,
    length: MILLIMETRE,
    ...SMALL_METRIC,
    speed: same('m/s', 2),
    lineStrength: POUND,
    weight: OUNCE,
    ladderKg: OUNCE_STEPS_KG,
  },
}

/** A number as a person writes it: rounded to the unit's decimals, without trailing noughts. */
export const shown = (si: number, unit: Unit): string => String(Number(unit.from(si).toFixed(unit.decimals)))

export const withUnit = (si: number, unit: Unit): string => `${trueMinus(shown(si, unit))} ${unit.label}`

/** With all its decimals, as an instrument shows it. */
export const fineText = (si: number, { from, decimals, label }: Unit): string =>
  `${numberText(from(si), decimals)} ${label}`

/** A length laid by hand: "4.2 mm" and "46 mm", or "0.17 in" and "1.8 in". */
export function smallText(m: number, system: UnitSystem): string {
  const { length } = UNITS[system]
  const value = length.from(m)
  const decimals = length.label === 'mm' ? (Math.abs(value) < 10 ? 1 : 0) : Math.abs(value) < 1 ? 2 : 1
  return `${numberText(value, decimals)} ${length.label}`
}

/** A load as printed on line: "3.2 kg", "7 lb"; small ones finer. */
export function loadText(n: number, system: UnitSystem): string {
  const { lineStrength } = UNITS[system]
  const value = lineStrength.from(n)
  const decimals = lineStrength.label === 'kg' ? (value < 1 ? 2 : 1) : value < 10 ? 1 : 0
  return `${numberText(value, decimals)} ${lineStrength.label}`
}

/** What something weighs, not as sold: "12 g", "0.42 oz". */
export function roughWeight(kg: number, system: UnitSystem): string {
  const { weight } = UNITS[system]
  return weight.label === 'g'
    ? `${numberText(kgToG(kg), kg < 0.01 ? 1 : 0)} g`
    : `${numberText(kgToOz(kg), 2)} oz`
}

/** Digits with a true minus. */
export const numberText = (value: number, decimals: number): string =>
  trueMinus(value.toFixed(decimals).replace(/^-(0(\.0*)?)$/, '$1'))

export const trueMinus = (digits: string): string => digits.replace('-', '−')

/** "−1.0 to −0.3". */
export const fromTo = (low: number, high: number, decimals = 0): string =>
  `${numberText(low, decimals)} to ${numberText(high, decimals)}`

export const percentText = (share: number): string => `${Math.round(100 * share)} %`

/** A weight as on the packet: "1/8 oz" on a rung of the ladder, decimals beside it. */
export function weightText(kg: number, system: UnitSystem): string {
  const { weight } = UNITS[system]
  if (weight.label === 'g') return withUnit(kg, weight)
  const rung = OUNCE_LADDER.find(([, oz]) => Math.abs(ozToKg(oz) / kg - 1) < 0.01)
  if (rung) return `${rung[0]} oz`
  // where both are in use, what is sold by the gram is told in grams: a decimal of an ounce would tell nobody
  // what it is
  const halves = 2 * kgToG(kg)
  return system === 'mixed' && Math.abs(halves - Math.round(halves)) < 2e-3
    ? `${Math.round(halves) / 2} g`
    : withUnit(kg, weight)
}

/** Reads "1/8", "1 1/4" or "3.5" (comma or point). Undefined when it is not a number. */
export function parseNumber(text: string): number | undefined {
  const clean = text.trim().replace(',', '.')
  const fraction = /^(?:(\d+)\s+)?(\d+)\s*\/\s*(\d+)$/.exec(clean)
  if (fraction) return Number(fraction[1] ?? 0) + Number(fraction[2]) / Number(fraction[3])
  return /^[-+]?(\d+\.?\d*|\.\d+)$/.test(clean) ? Number(clean) : undefined
}

/** Where feet and pounds are the rule, and where both are in use. */
const IMPERIAL_REGIONS: ReadonlySet<string> = new Set(['US', 'LR', 'MM'])
const MIXED_REGIONS: ReadonlySet<string> = new Set(['GB', 'IE', 'CA', 'AU', 'NZ', 'ZA'])

/** What a visitor of a language tag is shown at first: by its region, or that where the language is most used. */
export function usualUnits(language: string): UnitSystem {
  let region = ''
  try {
    region = new Intl.Locale(language).maximize().region ?? ''
  } catch {
    return 'metric'
  }
  return IMPERIAL_REGIONS.has(region) ? 'imperial' : MIXED_REGIONS.has(region) ? 'mixed' : 'metric'
}

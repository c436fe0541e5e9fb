import {
  BAIT_FORMS,
  FORM_IDS,
  HOOK_SIZES,
  LIMITS,
  LINE_KINDS,
  LINE_STOCKS,
  PLASTIC_IDS,
  PLASTICS,
  typicalHook,
  WEIGHT_MATERIALS,
  WIRE_GRADES,
} from '#core'
import {
  HEAD_FAMILIES,
  HOOK_STYLE_NAMES,
  ROD_POWERS,
  WEIGHT_SHAPE_NAMES,
  type ItemDetails,
} from '#schemas/box'
import { LINE_RANGE_N } from '#schemas/ranges'
import { familyItems } from '~/ui/families'
import { choice, choicesOf, number, type Field } from '~/ui/fields'
import type { UnitSet } from '#words/units'

type Set = (change: Record<string, unknown>) => void
type Kind = ItemDetails['kind']
type Of<K extends Kind> = Extract<ItemDetails, { kind: K }>
type Hook = Of<'hook'> | Of<'head'>

const sizes = HOOK_SIZES.map(value => ({ value, label: value }))
const WEIGHT_RANGE_KG = [0.0001, 0.2] as const
const WEIGHT_STEP_KG = 0.0005

const weightOf = (
  { weightKg, weightMaterial }: Of<'head'> | Of<'weight'>,
  units: UnitSet,
  set: Set,
): Field[] => [
  number('weight', weightKg, [units.weight, WEIGHT_RANGE_KG, WEIGHT_STEP_KG], kg => set({ weightKg: kg })),
  choice('of', weightMaterial, choicesOf(WEIGHT_MATERIALS), of => set({ weightMaterial: of })),
]

/** The hook's own measurements, typical of its size until a caliper says otherwise. */
function ownOf(d: Hook, units: UnitSet, set: Set): Field[] {
  const typical = typicalHook(d.kind === 'hook' ? d.style : 'jig', d.size)
  return (['lengthM', 'gapM', 'wireM'] as const).map(key => {
    const [unit, step] = key === 'wireM' ? [units.fine, 0.00005] : [units.small, 0.0005]
    const label = `own ${key.replace('M', '')}`
    return number(label, d.own?.[key] ?? typical[key], [unit, [0.0003, 0.2], step], value =>
      set({ own: { ...d.own, [key]: value } }),
    )
  })
}

const FIELDS: { readonly [K in Kind]: (d: Of<K>, units: UnitSet, set: Set) => Field[] } = {
  bait: (d, { length, density }, set) => [
    choice('form', d.form, choicesOf(BAIT_FORMS, FORM_IDS), form => set({ form, own: undefined })),
    number('length', d.lengthM, [length, LIMITS.baitLengthM, 0.005], lengthM => set({ lengthM })),
    choice('material', d.material, choicesOf(PLASTICS, PLASTIC_IDS), material => set({ material })),
    number(
      'density',
      d.densityKgM3 ?? PLASTICS[d.material].density.value,
      [density, LIMITS.densityKgM3, 10],
      densityKgM3 => set({ densityKgM3 }),
    ),
  ],
  hook: (d, units, set) => [
    choice('style', d.style, choicesOf(HOOK_STYLE_NAMES), style => set({ style })),
    choice('size', d.size, sizes, size => set({ size })),
    choice('wire', d.wire ?? 'standard', choicesOf(WIRE_GRADES), wire =>
      set({ wire: wire === 'standard' ? undefined : wire }),
    ),
    number('weight on it', d.weightKg ?? 0, [units.weight, [0, 0.2], WEIGHT_STEP_KG], weightKg =>
      set(weightKg < WEIGHT_RANGE_KG[0] ? { weightKg: undefined, weightMaterial: undefined } : { weightKg }),
    ),
    ...ownOf(d, units, set),
  ],
  head: (d, units, set) => [
    choice(
      'head',
      d.family,
      familyItems().filter(item => HEAD_FAMILIES.includes(item.value)),
      family => set({ family }),
    ),
    choice('hook', d.size, sizes, size => set({ size })),
    ...weightOf(d, units, set),
    ...ownOf(d, units, set),
  ],
  weight: (d, units, set) => [
    choice('shape', d.shape, choicesOf(WEIGHT_SHAPE_NAMES), shape => set({ shape })),
    ...weightOf(d, units, set),
  ],
  line: (d, { lineStrength, depth }, set) => [
    choice('line', d.line, choicesOf(LINE_STOCKS, LINE_KINDS), line => set({ line })),
    number('strength', d.strengthN, [lineStrength, LINE_RANGE_N, lineStrength.to(1)], strengthN =>
      set({ strengthN }),
    ),
    number('on the spool', d.lengthM ?? 150, [depth, [1, 5000], 10], lengthM => set({ lengthM })),
  ],
  rod: ({ lengthM, power, castKg: [low, high] }, { depth, weight }, set) => [
    number('length', lengthM, [depth, [0.5, 5], 0.1], to => set({ lengthM: to })),
    choice(
      'power',
      power,
      ROD_POWERS.map(value => ({ value, label: value })),
      to => set({ power: to }),
    ),
    number('casts from', low, [weight, [0, high], 0.001], from => set({ castKg: [from, high] })),
    number('to', high, [weight, [low, 0.3], 0.001], to => set({ castKg: [low, to] })),
  ],
}

/** What can be set on a thing of the box, by its kind. @param set takes a change; undefined takes a key away */
export const itemFields = <K extends Kind>(details: Of<K>, units: UnitSet, set: Set): Field[] =>
  (FIELDS[details.kind] as (d: Of<K>, units: UnitSet, set: Set) => Field[])(details, units, set)

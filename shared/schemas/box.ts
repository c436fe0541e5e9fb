import {
  FAMILIES,
  FAMILY_IDS,
  type Family,
  WEIGHT_MATERIALS,
  type FamilyId,
  type HookStyle,
  type WeightMaterial,
  type WeightShape,
} from '#core'
import { z } from 'zod'
import * as field from './fields'

/** What the angler owns. Metres, kilograms, newtons. */
export const ITEM_KINDS = ['bait', 'hook', 'head', 'weight', 'line', 'rod'] as const
export type ItemKind = (typeof ITEM_KINDS)[number]

const HOOK_STYLES = [
  'wideGap',
  'worm',
  'straight',
  'bellyWeighted',
  'jig',
  'longJig',
] as const satisfies readonly HookStyle[]
const HEAD_GROUPS: ReadonlySet<Family['group']> = new Set(['open', 'jointed', 'trailer'])
const WEIGHT_SHAPES = [
  'ball',
  'bullet',
  'belly',
  'mushroom',
  'football',
  'wedge',
  'keel',
  'slab',
  'stick',
] as const satisfies readonly WeightShape[]
/** Families that are sold as one piece with their hook, or as a head to put one on. */
export const HEAD_FAMILIES = FAMILY_IDS.filter(id => HEAD_GROUPS.has(FAMILIES[id].group))
export const HOOK_STYLE_NAMES: Readonly<Record<(typeof HOOK_STYLES)[number], string>> = {
  wideGap: 'wide-gap offset',
  worm: 'offset worm',
  straight: 'straight shank',
  bellyWeighted: 'screw-lock',
  jig: 'plain or jig',
  longJig: 'long-shank jig',
}
export const WEIGHT_SHAPE_NAMES: Readonly<Record<(typeof WEIGHT_SHAPES)[number], string>> = {
  ball: 'ball',
  bullet: 'bullet',
  belly: 'belly weight',
  mushroom: 'flat-faced',
  football: 'football',
  wedge: 'angled',
  keel: 'minnow head',
  slab: 'flat-backed',
  stick: 'stick',
}
export const ROD_POWERS = ['ultralight', 'light', 'medium light', 'medium', 'medium heavy', 'heavy'] as const

const choice = <T extends string>(ids: readonly T[], what: string): z.ZodEnum<{ [K in T]: K }> =>
  z.enum(ids as [T, ...T[]], {
    error: `${what}: expected one of ${ids.join(', ')}.`,
  }) as unknown as z.ZodEnum<{ [K in T]: K }>
const number = (name: string, low: number, high: number, unit: string): z.ZodNumber =>
  z
    .number({ error: `${name}: expected a number in ${unit}.` })
    .min(low, { error: `${name} must be at least ${low} ${unit}.` })
    .max(high, { error: `${name} must be at most ${high} ${unit}.` })
const massKg = number('Weight', 0.0001, 0.2, 'kg')
const material = choice(Object.keys(WEIGHT_MATERIALS) as WeightMaterial[], 'Weight material')

export const detailsSchema = z.discriminatedUnion(
  'kind',
  [
    z.strictObject({
      kind: z.literal('bait'),
      form: field.form,
      lengthM: field.baitLengthM,
      material: field.plastic,
      densityKgM3: field.densityKgM3.optional(),
      own: field.own.optional(),
      colour: field.line('Colour', 40).optional(),
    }),
    z.strictObject({
      kind: z.literal('hook'),
      style: choice(HOOK_STYLES, 'Hook style'),
      size: field.hookSize,
      wire: field.wire.optional(),
      gap: field.gap.optional(),
      weightKg: massKg.optional(),
      weightMaterial: material.optional(),
      own: field.hook.optional(),
    }),
    z.strictObject({
      kind: z.literal('head'),
      family: choice<FamilyId>(HEAD_FAMILIES, 'Head'),
      size: field.hookSize,
      weightKg: massKg,
      weightMaterial: material,
      own: field.hook.optional(),
    }),
    z.strictObject({
      kind: z.literal('weight'),
      shape: choice(WEIGHT_SHAPES, 'Shape'),
      weightKg: massKg,
      weightMaterial: material,
    }),
    z.strictObject({
      kind: z.literal('line'),
      line: field.lineKind,
      strengthN: field.lineStrengthN,
      lengthM: number('Length on the spool', 1, 5000, 'm').optional(),
    }),
    z.strictObject({
      kind: z.literal('rod'),
      lengthM: number('Rod length', 0.5, 5, 'm'),
      power: choice(ROD_POWERS, 'Power'),
      castKg: z
        .tuple([
          number('Least casting weight', 0, 0.3, 'kg'),
          number('Greatest casting weight', 0, 0.3, 'kg'),
        ])
        .refine(([low, high]) => low <= high, { error: 'The least casting weight is above the greatest.' }),
    }),
  ],
  { error: `Kind: expected one of ${ITEM_KINDS.join(', ')}.` },
)
export type ItemDetails = z.infer<typeof detailsSchema>

export const itemSchema = z.strictObject({
  name: field.line('Name', 80).min(1, { error: 'Give it a name.' }),
  count: z
    .number({ error: 'Count: expected a whole number.' })
    .int({ error: 'Count: expected a whole number.' })
    .min(0, { error: 'Count cannot be below 0.' })
    .max(9999, { error: 'Count must be at most 9999.' }),
  tags: z
    .array(field.line('Tag', 24).min(1, { error: 'A tag has a letter at least.' }))
    .max(12, { error: 'Twelve tags at most.' }),
  notes: z.string().max(500, { error: 'Notes: 500 characters at most.' }),
  details: detailsSchema,
})
export type ItemInput = z.infer<typeof itemSchema>
export interface BoxItem extends ItemInput {
  readonly id: string
  readonly revision: number
  /** there is a photograph of it */ readonly photographed: boolean
}

/** A small JPEG as a data address: by its first bytes, not by its word alone. */
export const photoData = z
  .string({ error: 'Photograph: expected text.' })
  .max(200_000, { error: 'The picture is too large.' })
  .regex(/^data:image\/jpeg;base64,\/9j\/[A-Za-z0-9+/]+={0,2}$/, { error: 'Expected a JPEG picture.' })
/** A photograph, or null to take it away. */
export const photoSchema = z.strictObject({ photo: photoData.nullable() })

/** Most things in one request: a large import goes in whole, or not at all. */
export const MOST_ITEMS = 10_000
const ids = z.array(field.id).min(1).max(MOST_ITEMS)

export const addItemsSchema = z.strictObject({
  /** under ids of the device's own, where it made some: what is there under one already is left as it is */
  items: z
    .array(itemSchema.extend({ id: field.id.optional() }))
    .min(1)
    .max(MOST_ITEMS, { error: `${MOST_ITEMS} things at most in one go.` }),
})
export const changeItemsSchema = z.strictObject({
  changes: z
    .array(z.strictObject({ id: field.id, revision: field.revision, item: itemSchema }))
    .min(1)
    .max(MOST_ITEMS),
})
export const itemIdsSchema = z.strictObject({ ids })

import { problemsOf, problemsOfBait } from '#core'
import { problemText } from '#words/problemWords'
import { z } from 'zod'
import * as field from './fields'
import { fishingSchema, lineSchema, streamSchema } from './spread'

/** One rig, bait or weight in one water, for the command line. SI throughout; see docs/formats.md. */
const positive = (name: string, unit: string): z.ZodNumber =>
  z
    .number({ error: `${name}: expected a number in ${unit}.` })
    .positive({ error: `${name} must be above 0 ${unit}.` })

const exactWater = z.strictObject({
  depthM: field.depthM,
  densityKgM3: positive('Water density', 'kg/m³'),
  viscosityPaS: positive('Viscosity', 'Pa·s'),
})
const namedWater = z.strictObject({
  depthM: field.depthM,
  temperatureC: field.temperatureC,
  salinityGKg: field.salinityGKg,
})

const baitSchema = z.strictObject({
  form: field.form,
  lengthM: field.baitLengthM,
  material: field.plastic,
  densityKgM3: field.densityKgM3.optional(),
  own: field.own.optional(),
})
const rigSchema = z.strictObject({
  family: field.family,
  hookSize: field.hookSize,
  weightKg: field.weightKg,
  weightMaterial: field.weightMaterial.default('lead'),
  pointRest: field.pointRest,
  weightDensityKgM3: positive('Density of the weight', 'kg/m³').optional(),
  weightAtM: z.number({ error: 'Weight position: expected a number in m.' }).optional(),
  ...field.rigOptions,
})
const weightSchema = z.strictObject({
  shape: z.enum(['ball', 'bullet', 'belly'], { error: 'Shape: expected one of ball, bullet, belly.' }),
  massKg: positive('Mass', 'kg').max(2, { error: 'Mass must be at most 2 kg.' }),
  densityKgM3: positive('Density', 'kg/m³').max(23000, { error: 'Density must be at most 23000 kg/m³.' }),
})

export const rigFileSchema = z
  .strictObject({
    format: z.literal('dunecrest-rig', { error: 'Expected "dunecrest-rig".' }),
    version: z.literal(1, { error: 'Expected 1.' }),
    name: z.string().max(200).optional(),
    water: z.union([namedWater, exactWater], {
      error:
        'Water: expected depthM with temperatureC and salinityGKg, or with densityKgM3 and viscosityPaS.',
    }),
    cover: field.cover.default('open'),
    bottom: field.bottom.default('sand'),
    stream: streamSchema.optional(),
    wind: field.wind.optional(),
    clarity: field.clarity.optional(),
    line: lineSchema.optional(),
    fishing: fishingSchema.optional(),
    /** whose jaws take it: a kind of the list, or one's own; those of school-size bass when left out */
    fish: z.strictObject({ species: field.species, own: field.ownFish.optional() }).optional(),
    bait: baitSchema.optional(),
    rig: rigSchema.optional(),
    weight: weightSchema.optional(),
    seed: z.number().int().min(0).max(4294967295).optional(),
  })
  .superRefine((file, context) => {
    const say = (path: string, message: string): void =>
      context.addIssue({ code: 'custom', path: path.split('.'), message })
    if (file.weight && (file.bait || file.rig))
      return say('weight', 'Give either a weight alone, or a bait with or without a rig.')
    if (!file.weight && !file.bait) return say('bait', 'Expected a bait, or a weight alone.')
    if (!file.bait) return
    const problems = file.rig ? problemsOf(file.bait, file.rig) : problemsOfBait(file.bait)
    for (const problem of problems) say(problem.field, problemText(problem, 'metric'))
    if (file.rig && !file.line) say('line', 'A rig needs a line: kind and strengthN.')
  })
export type RigFile = z.infer<typeof rigFileSchema>
/** A file that describes a rig, not a bait or a weight alone; one that was read has its line then. */
export type WholeRigFile = RigFile & Required<Pick<RigFile, 'bait' | 'rig' | 'line'>>
export const isWholeRig = (file: RigFile): file is WholeRigFile => Boolean(file.bait && file.rig && file.line)

import { problemsOf } from '#core'
import { problemText } from '#words/problemWords'
import { z } from 'zod'
import * as field from './fields'
import { NAME_MOST, NO_NAME } from './names'
import { LETTERS } from './ranges'

/** A spread: one water, one bait, and up to five ways to rig it. What the server keeps and a file holds. */
const laneSchema = z.strictObject({
  letter: z.enum(LETTERS),
  family: field.family,
  hookSize: field.hookSize,
  weightKg: field.weightKg,
  weightMaterial: field.weightMaterial,
  pointRest: field.pointRest,
  weightAtM: field.weightAtM.optional(),
  ...field.rigOptions,
})
export type Lane = z.infer<typeof laneSchema>
const { letter: _, ...rigShape } = laneSchema.shape
/** A rig without its place among the lanes. */
export const rigSchema = z.strictObject(rigShape)

export const streamSchema = z.strictObject({ surfaceMS: field.surfaceMS, towardRad: field.towardRad })
const waterSchema = z.strictObject({
  place: field.line('Place', 80),
  depthM: field.depthM,
  temperatureC: field.temperatureC,
  salinityGKg: field.salinityGKg,
  cover: field.cover,
  bottom: field.bottom,
  /** a current at the surface, and where it sets; still water when left out */
  stream: streamSchema.optional(),
  /** wind along the cast; still air when left out */ wind: field.wind.optional(),
  /** depths the fish feed between, from the surface; anywhere when left out */
  zone: z.strictObject({ fromM: field.zoneM, toM: field.zoneM }).optional(),
})
/** How the line is held in the fall: open spool, light pull, closed bail; open when left out. */
const holdSchema = z.discriminatedUnion('mode', [
  z.strictObject({ mode: z.literal('slack') }),
  z.strictObject({
    mode: z.enum(['controlled', 'tight']),
    rodDistanceM: field.rodDistanceM,
    /** the rod raised while it falls */
    lift: z.strictObject({ afterS: field.liftAfterS, byM: field.liftByM, overS: field.liftOverS }).optional(),
  }),
])
/** How the rigs are worked, how fish take, and the rod; the usual where left out. */
export const fishingSchema = z.strictObject({
  retrieve: field.retrieve.optional(),
  feeding: field.feeding.optional(),
  rod: field.rodPower.optional(),
  biteM: field.biteM.optional(),
  /** the rod's own length and casting weights, and casts measured with it; the usual of its power */
  rodLengthM: field.rodLengthM.optional(),
  castKg: field.castKg.optional(),
  casts: field.casts.optional(),
  looksEvery: field.looksEvery.optional(),
  match: field.match.optional(),
  scented: z.boolean().optional(),
})
/**
 * The fish that are sought, and the angler's own way: what a rig is chosen by. Worked out from the
 * temperature, or usual, where left out.
 */
const fishSchema = z.strictObject({
  species: field.species.optional(),
  /** a fish of the angler's own, in place of the species it was made from */ own: field.ownFish.optional(),
  activity: field.activity.optional(),
  clarity: field.clarity.optional(),
  light: field.light.optional(),
  prey: field.prey.optional(),
  preyM: field.preyM.optional(),
  way: field.way.optional(),
  /** covering water, or one fish in sight, and how far off it is */
  aim: field.aim.optional(),
  sightM: field.sightM.optional(),
})
export type FishChoice = z.infer<typeof fishSchema>
export const baitSchema = z.strictObject({
  form: field.form,
  lengthM: field.baitLengthM,
  material: field.plastic,
  densityKgM3: field.densityKgM3.optional(),
  own: field.own.optional(),
})
export const lineSchema = z.strictObject({
  kind: field.lineKind,
  strengthN: field.lineStrengthN,
  hold: holdSchema.optional(),
})

/**
 * The shape alone: rigs that cannot be built as they stand still pass, as they may while someone is changing
 * them.
 */
export const contentShape = z.strictObject({
  water: waterSchema,
  line: lineSchema,
  fishing: fishingSchema.optional(),
  fish: fishSchema.optional(),
  bait: baitSchema,
  lanes: z
    .array(laneSchema)
    .min(1, { error: 'A spread needs at least one rig.' })
    .max(5, { error: 'A spread holds five rigs at most.' }),
})
export type SpreadContent = z.infer<typeof contentShape>

/** A content whose rigs can all be built and whose letters are all different. */
export const contentSchema = contentShape.superRefine((content, context) => {
  const { zone, depthM } = content.water
  if (zone && !(zone.fromM < zone.toM))
    context.addIssue({
      code: 'custom',
      path: ['water', 'zone', 'toM'],
      message: 'The feeding zone must end below where it begins.',
    })
  if (zone && zone.toM > depthM)
    context.addIssue({
      code: 'custom',
      path: ['water', 'zone', 'toM'],
      message: 'The feeding zone cannot reach below the bottom.',
    })
  const seen = new Set<string>()
  content.lanes.forEach((lane, i) => {
    if (seen.has(lane.letter))
      context.addIssue({
        code: 'custom',
        path: ['lanes', i, 'letter'],
        message: `Two rigs carry the letter ${lane.letter}.`,
      })
    seen.add(lane.letter)
    for (const problem of problemsOf(content.bait, lane)) {
      const { field: where } = problem
      const path = where.startsWith('rig.') ? ['lanes', i, ...where.slice(4).split('.')] : where.split('.')
      context.addIssue({ code: 'custom', path, message: problemText(problem, 'metric') })
    }
  })
})

export const nameSchema = field.line('Name', NAME_MOST).min(1, { error: NO_NAME })

/** `id` is made on the device that asks, so that asking again makes nothing twice. */
export const createSchema = z.strictObject({
  id: field.id.optional(),
  name: nameSchema,
  content: contentSchema,
})
/**
 * `revision` is the one the change was made on; an older one is refused so that nothing is overwritten
 * unseen.
 */
export const updateSchema = z.strictObject({
  name: nameSchema.optional(),
  content: contentSchema.optional(),
  revision: field.revision,
})

export interface SpreadSummary {
  readonly id: string
  readonly name: string
  readonly place: string
  readonly rigs: number
  readonly revision: number
  readonly updatedAt: string
}

export interface Spread {
  readonly id: string
  readonly name: string
  readonly content: SpreadContent
  readonly revision: number
  readonly updatedAt: string
}

/**
 * How the server tells what is wrong with a request: one entry a field, the path from the top of the body.
 */
export interface FieldError {
  readonly path: string
  readonly message: string
}

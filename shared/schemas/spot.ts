import { z } from 'zod'
import { CONSTITUENTS, KNOT_IDS } from '#core'
import * as field from './fields'
import { baitSchema, rigSchema } from './spread'
import { AMPLITUDE_RANGE_M, LEVEL_RANGE_M, LINE_RANGE_N, MOST_BREAKS } from './ranges'

/** A place to fish, as the angler knows it. Depth is below chart datum for tidal water, else as it stands. */
export const spotSchema = z.strictObject({
  water: field.line('Water', 80),
  depthM: field.depthM,
  cover: field.cover,
  bottom: field.bottom,
  salinityGKg: field.salinityGKg,
  species: field.species,
  /** a fish of the angler's own, in place of that species */ own: field.ownFish.optional(),
  prey: field.prey.optional(),
  clarity: field.clarity,
  /** part of the tide that reaches it: 0 where there is none, 1 on the open coast */ tide: z
    .number({ error: 'Tide: expected a share from 0 to 1.' })
    .min(0)
    .max(1.2),
  /** current at its strongest on a mean tide, m/s */ currentMS: field.surfaceMS,
  /** where it lies, degrees; left out where it is not to be told */ lat: z
    .number()
    .min(-90)
    .max(90)
    .optional(),
  lon: z.number().min(-180).max(180).optional(),
  notes: z.string().max(500, { error: 'Notes: 500 characters at most.' }),
})
export type SpotContent = z.infer<typeof spotSchema>

/** A day's trip: where, from when to when, local time in hours. */
export const tripSchema = z.strictObject({
  date: field.day,
  stops: z
    .array(
      z
        .strictObject({ spotId: field.id, fromH: z.number().min(0).max(24), toH: z.number().min(0).max(24) })
        .refine(s => s.fromH < s.toH, { error: 'A stop must end after it begins.', path: ['toH'] }),
    )
    .max(6, { error: 'Six stops at most.' }),
  rods: z.number().int().min(1).max(5),
  /** the tide it is planned by; the simulated coast's when left out */ tideId: field.id.optional(),
  /** of the water, as typed for that day; the sheet's when left out */
  temperatureC: field.temperatureC.optional(),
  /** as typed for that day; simulated when left out */ windMS: field.windMS.optional(),
  /** what was tied on for it, once it was planned: what bank mode begins with */
  tied: z
    .strictObject({
      temperatureC: field.temperatureC,
      rods: z
        .array(
          z.strictObject({
            letter: z.string().min(1).max(2),
            name: field.line('Name', 160),
            bait: baitSchema,
            rig: rigSchema,
          }),
        )
        .min(1)
        .max(5),
    })
    .optional(),
  rules: z.string().max(1000, { error: 'Local rules: 1000 characters at most.' }),
})
export type TripContent = z.infer<typeof tripSchema>

/**
 * A bath, bucket or pool that drops are timed in; a bare ball of known weight tells how late the thumb is.
 */
export const bathSchema = z.strictObject({
  depthM: field.bathDepthM,
  /** from wall to wall, the narrower way */ acrossM: field.bathWidthM,
  temperatureC: field.temperatureC,
  salinityGKg: field.salinityGKg,
  ball: z.strictObject({
    massKg: field.ballKg,
    material: field.weightMaterial,
    /** tapped times of its fall, s */ taps: z
      .array(z.number({ error: 'A tap: expected seconds.' }).positive().max(60))
      .max(40, { error: 'Forty taps at most.' }),
  }),
})
export type BathContent = z.infer<typeof bathSchema>

/** A time by the clock of the place, to the minute. */
const localTime = z.iso
  .datetime({ local: true, precision: -1, error: 'Time: expected YYYY-MM-DDTHH:MM.' })
  .refine(text => text >= '2000-01-01' && text < '2200-01-01', {
    error: 'Time: expected a year from 2000 to 2199.',
  })
const levelM = field.within('Level', LEVEL_RANGE_M, 'm')
const MOST_TURNS = 4000
/** The tide of a place: a table of its high and low waters, or its harmonic constants. */
const tideSchema = z.discriminatedUnion('kind', [
  z.strictObject({
    kind: z.literal('table'),
    /** by the clock of the place, in order */
    turns: z
      .array(z.strictObject({ at: localTime, heightM: levelM }))
      .min(2, { error: 'A table needs two high or low waters at least.' })
      .max(MOST_TURNS, { error: `A table holds ${MOST_TURNS} rows at most.` })
      .refine(turns => turns.every((turn, i) => i === 0 || turn.at > turns[i - 1]!.at), {
        error: 'The rows must be in order of time, each at a time of its own.',
      }),
  }),
  z.strictObject({
    kind: z.literal('constants'),
    /** mean level over chart datum, m */ meanM: levelM,
    /** Greenwich phase lags, degrees */
    constants: z
      .array(
        z.strictObject({
          name: z.enum(CONSTITUENTS, { error: `Constituent: expected one of ${CONSTITUENTS.join(', ')}.` }),
          amplitudeM: field.within('Amplitude', AMPLITUDE_RANGE_M, 'm'),
          phaseDeg: field.within('Phase', [-360, 360], '°'),
        }),
      )
      .min(1, { error: 'Name at least one constituent.' })
      .refine(list => new Set(list.map(({ name: of }) => of)).size === list.length, {
        error: 'A constituent is named twice.',
      }),
  }),
])
export type TideContent = z.infer<typeof tideSchema>

/** A knot broken on the scale, in one line. */
const knotTestSchema = z.strictObject({
  knot: z.enum(KNOT_IDS, { error: `Knot: expected one of ${KNOT_IDS.join(', ')}.` }),
  line: field.lineKind,
  ratedN: field.lineStrengthN,
  brokeN: z
    .array(field.within('Broke at', [0.5, LINE_RANGE_N[1] * 1.5], 'N'))
    .max(MOST_BREAKS, { error: `${MOST_BREAKS} breaks at most.` }),
})
type KnotTestContent = z.infer<typeof knotTestSchema>

/** A kind of fish of the angler's own; `like` is the kind it was made from. */
const fishSchema = z.strictObject({ like: field.species, ...field.fishTraits })
export type FishContent = z.infer<typeof fishSchema>

/** Documents the server keeps besides spreads, by kind. */
export const DOCUMENT_SCHEMAS = {
  spot: spotSchema,
  trip: tripSchema,
  bath: bathSchema,
  fish: fishSchema,
  tide: tideSchema,
  knotTest: knotTestSchema,
} as const
export type DocumentKind = keyof typeof DOCUMENT_SCHEMAS
export interface DocumentContent {
  spot: SpotContent
  trip: TripContent
  bath: BathContent
  fish: FishContent
  tide: TideContent
  knotTest: KnotTestContent
}
export interface StoredDocument<K extends DocumentKind = DocumentKind> {
  readonly id: string
  readonly kind: K
  readonly name: string
  readonly content: DocumentContent[K]
  readonly revision: number
}

const name = field.line('Name', 80).min(1, { error: 'Give it a name.' })
/** A spot as it is edited: its name beside what it holds. A position left empty is none. */
const degrees = (most: number, called: string) => {
  const error = `${called}: degrees from −${most} to ${most}.`
  return z
    .number({ error })
    .min(-most, { error })
    .max(most, { error })
    .nullish()
    .transform(at => at ?? undefined)
}
export const spotFormSchema = z
  .strictObject({
    ...spotSchema.shape,
    name,
    lat: degrees(90, 'Latitude'),
    lon: degrees(180, 'Longitude'),
  })
  .transform(({ lat, lon, ...rest }) => ({
    ...rest,
    ...(lat === undefined ? {} : { lat }),
    ...(lon === undefined ? {} : { lon }),
  }))
export type SpotForm = z.input<typeof spotFormSchema>
/** A fish as it is edited, and a file of some. */
export const fishFormSchema = z.strictObject({ name, ...fishSchema.shape })
export type FishForm = z.infer<typeof fishFormSchema>
export const fishFileSchema = z.strictObject({
  format: z.literal('dunecrest-fish', { error: 'Expected "dunecrest-fish".' }),
  version: z.literal(1, { error: 'Expected 1.' }),
  fish: z.array(fishFormSchema).min(1, { error: 'There is no fish in it.' }).max(200),
})
/** A name alone, as it is typed. */
export const namedSchema = z.object({ name })
/** `id` is made on the device that asks, so that asking again makes nothing twice. */
export const newDocumentSchema = (kind: DocumentKind) =>
  z.strictObject({ id: field.id.optional(), name, content: DOCUMENT_SCHEMAS[kind] })
export const changedDocumentSchema = (kind: DocumentKind) =>
  z.strictObject({ name, content: DOCUMENT_SCHEMAS[kind], revision: field.revision })

import {
  ACTIVITIES,
  CLARITIES,
  LIGHTS,
  PREY_IDS,
  SPECIES_IDS,
  type Activity,
  type Aim,
  type Clarity,
  type Light,
  type PreyId,
  type SpeciesId,
  BOTTOM_IDS,
  COVER_IDS,
  FAMILY_IDS,
  FEEDING_IDS,
  RETRIEVE_IDS,
  RODS,
  type FeedingId,
  type RetrieveId,
  type RodPower,
  FORM_IDS,
  HOOK_SIZES,
  KEEPER_IDS,
  LIMITS,
  LINE_KINDS,
  PLASTIC_IDS,
  SALINITY_RANGE_GKG,
  STREAM_RANGE_MS,
  TEMPERATURE_RANGE_C,
  WEIGHT_MATERIALS,
  type BottomId,
  type CoverId,
  type FamilyId,
  type FormId,
  type KeeperId,
  type LineKind,
  type PlasticId,
  type WeightMaterial,
} from '#core'
import { z } from 'zod'
import {
  BALL_RANGE_KG,
  BATH_DEPTH_RANGE_M,
  BATH_WIDTH_RANGE_M,
  BITE_RANGE_M,
  CAST_KG,
  CAST_RANGE_M,
  DEPTH_RANGE_M,
  FEED_RANGE_C,
  GAPE_RANGE_M,
  JAW_RANGE,
  LIFT_RANGE_M,
  LINE_RANGE_N,
  LOOKS_RANGE,
  MOST_CASTS,
  PREY_RANGE_M,
  ROD_DISTANCE_RANGE_M,
  ROD_LENGTH_M,
  SIGHT_RANGE_M,
  WIND_RANGE_MS,
} from './ranges'
import { asLine, tooLong } from './names'

/** Fields that several documents share. All SI but for temperature (°C) and salinity (g/kg). */
const oneOf = <T extends string>(ids: readonly T[], what: string): z.ZodEnum<{ [K in T]: K }> =>
  z.enum(ids as [T, ...T[]], {
    error: `${what}: expected one of ${ids.join(', ')}.`,
  }) as unknown as z.ZodEnum<{ [K in T]: K }>

/** A number from the one to the other. */
export const within = (name: string, [low, high]: readonly [number, number], unit: string): z.ZodNumber =>
  z
    .number({ error: `${name}: expected a number in ${unit}.` })
    .min(low, { error: `${name} must be at least ${low} ${unit}.` })
    .max(high, { error: `${name} must be at most ${high} ${unit}.` })

/** An id, in the one spelling that it is kept in. */
export const id = z.uuid({ error: 'Id: expected a UUID.' }).toLowerCase()
/** The number of changes a thing has had, as far as its column counts. */
export const revision = z
  .number({ error: 'Revision: expected a whole number.' })
  .int({ error: 'Revision: expected a whole number.' })
  .min(1, { error: 'Revision must be at least 1.' })
  .max(2_000_000_000, { error: 'Revision must be at most 2000000000.' })

/** Nothing here was logged before this, and a clock that says so is wrong. */
const EARLIEST = Date.UTC(2000, 0, 1)
const DAY_MS = 86_400_000
/** When something happened: no earlier than 2000, no later than tomorrow. In UTC. */
export const pastTime = z.iso
  .datetime({ error: 'Time: expected a date and time in UTC.', abort: true })
  .superRefine((text, context) => {
    const at = Date.parse(text)
    const say = (message: string): void => context.addIssue({ code: 'custom', message })
    if (Number.isNaN(at) || at < EARLIEST)
      say('Time: before the year 2000; the clock it was logged by was wrong.')
    else if (at > Date.now() + DAY_MS)
      say('Time: later than tomorrow; the clock it was logged by, or this one, is wrong.')
  })
/** When something was made or logged, on whatever clock, as far as a database can tell. In UTC. */
export const madeTime = z.iso
  .datetime({ error: 'Time: expected a date and time in UTC.' })
  .refine(text => Date.parse(text) >= Date.UTC(1000, 0, 1), {
    error: 'Time: expected a year from 1000 to 9999.',
  })
/** A day that a trip can be on. */
export const day = z.iso
  .date({ error: 'Date: expected YYYY-MM-DD.' })
  .refine(text => text >= '2000-01-01' && text < '2200-01-01', {
    error: 'Date: expected a year from 2000 to 2199.',
  })

/** Text on one line: line breaks and the like become spaces, and there are none round it. */
export const line = (what: string, most: number) =>
  z
    .string({ error: `${what}: expected text.` })
    .overwrite(asLine)
    .max(most, { error: tooLong(what, most) })

export const depthM = within('Depth', DEPTH_RANGE_M, 'm')
export const bathDepthM = within('Depth', BATH_DEPTH_RANGE_M, 'm')
export const bathWidthM = within('Width', BATH_WIDTH_RANGE_M, 'm')
/** A drop may be timed in a bucket. */
export const dropDepthM = within('Depth', [BATH_DEPTH_RANGE_M[0], DEPTH_RANGE_M[1]], 'm')
export const zoneM = within('Feeding zone', [0, DEPTH_RANGE_M[1]], 'm')
export const temperatureC = within('Temperature', TEMPERATURE_RANGE_C, '°C')
export const salinityGKg = within('Salinity', SALINITY_RANGE_GKG, 'g/kg')
export const cover = oneOf<CoverId>(COVER_IDS, 'Cover')
export const bottom = oneOf<BottomId>(BOTTOM_IDS, 'Bottom')
export const lineKind = oneOf<LineKind>(LINE_KINDS, 'Line')
export const lineStrengthN = within('Line strength', LINE_RANGE_N, 'N')
export const form = oneOf<FormId>(FORM_IDS, 'Bait form')
export const plastic = oneOf<PlasticId>(PLASTIC_IDS, 'Material')
export const baitLengthM = within('Bait length', LIMITS.baitLengthM, 'm')
export const densityKgM3 = within('Density', LIMITS.densityKgM3, 'kg/m³')
export const family = oneOf<FamilyId>(FAMILY_IDS, 'Family')
export const hookSize = oneOf(HOOK_SIZES, 'Hook size')
export const ballKg = within('Ball', BALL_RANGE_KG, 'kg')
export const weightMaterial = oneOf(Object.keys(WEIGHT_MATERIALS) as WeightMaterial[], 'Weight material')
export const pointRest = oneOf(['open', 'flush', 'skin', 'buried'] as const, 'Point')
const bendM = within('Bend', LIMITS.bendM, 'm')
export const weightAtM = within('Weight position', LIMITS.weightAtM, 'm')
const leaderM = within('Leader', LIMITS.leaderM, 'm')
const trimM = within('Cut off the nose', LIMITS.trimM, 'm')
const hookAtM = within('Hook laid back by', LIMITS.hookAtM, 'm')
const exitAtM = within('Exit', LIMITS.exitAtM, 'm')
const keeper = oneOf<KeeperId>(KEEPER_IDS, 'Keeper')
export const retrieve = oneOf<RetrieveId>(RETRIEVE_IDS, 'Retrieve')
export const feeding = oneOf<FeedingId>(FEEDING_IDS, 'Feeding')
export const match = oneOf(['close', 'fair', 'poor'] as const, 'Match')
export const rodPower = oneOf<RodPower>(Object.keys(RODS) as RodPower[], 'Rod')
export const rodLengthM = within('Rod length', ROD_LENGTH_M, 'm')
export const castKg = z
  .tuple([within('Least casting weight', [0, 0.3], 'kg'), within('Greatest casting weight', CAST_KG, 'kg')])
  .refine(([low, high]) => low <= high, { error: 'The least casting weight is above the greatest.' })
export const windMS = within('Wind', WIND_RANGE_MS, 'm/s')
export const wind = z.strictObject({
  speedMS: windMS,
  from: oneOf(['ahead', 'behind', 'across'] as const, 'Wind from'),
})
export const casts = z
  .array(
    z.strictObject({
      massKg: within('Weight thrown', CAST_KG, 'kg'),
      distanceM: within('Distance thrown', CAST_RANGE_M, 'm'),
    }),
  )
  .max(MOST_CASTS, { error: 'Twelve measured casts at most.' })
/** What the angler is about, and how far off the fish is that was seen, m. */
export const aim = oneOf<Aim>(['search', 'sight'], 'Fishing for')
export const sightM = within('Distance of the fish', SIGHT_RANGE_M, 'm')
export const looksEvery = within('Casts between looks at the point', LOOKS_RANGE, 'casts')
export const biteM = within('Distance at the bite', BITE_RANGE_M, 'm')
export const species = oneOf<SpeciesId>(SPECIES_IDS, 'Species')
export const activity = oneOf<Activity>(ACTIVITIES, 'Activity')
export const clarity = oneOf<Clarity>(CLARITIES, 'Clarity')
export const light = oneOf<Light>(LIGHTS, 'Light')
export const prey = oneOf<PreyId>(PREY_IDS, 'Food')
export const preyM = within('Length of the food', PREY_RANGE_M, 'm')
const feedC = within('Temperature', FEED_RANGE_C, '°C')
const zoneShare = z.number({ error: 'Zone: expected a share of the depth.' }).min(0).max(1)
/** What a kind of fish is like: feeding temperatures, zone, way of taking, mouth, food. */
export const fishTraits = {
  feedC: z
    .tuple([feedC, feedC, feedC, feedC])
    .refine(([cold, from, to, hot]) => cold < from && from <= to && to < hot, {
      error: 'Temperatures must rise: hardly moving, feeding hard from, to, hardly moving again.',
    }),
  feeding: z.strictObject({ active: feeding, steady: feeding, slow: feeding }),
  mouth: z.strictObject({
    bite: within('Strength of the bite', JAW_RANGE, 'times the usual'),
    hard: within('Hardness of the mouth', JAW_RANGE, 'times the usual'),
    gapeM: within('Gape', GAPE_RANGE_M, 'm'),
  }),
  /** part of the depth they feed in, shares from the surface */
  zone: z
    .tuple([zoneShare, zoneShare])
    .refine(([from, to]) => from < to, { error: 'The feeding zone must end below where it begins.' }),
  prey: z
    .array(prey)
    .min(1, { error: 'Name at least one food.' })
    .max(PREY_IDS.length)
    .refine(list => new Set(list).size === list.length, { error: 'A food is named twice.' }),
  preyM: z.partialRecord(prey, preyM).optional(),
  teeth: oneOf(['cutting', 'rasping', 'none'] as const, 'Teeth'),
} as const
/** A fish of the angler's own as a sheet, a spot or a day carries it. */
export const ownFish = z.strictObject({
  name: line('Fish', 60).min(1, { error: 'Name the fish.' }),
  ...fishTraits,
})

export type OwnFish = z.infer<typeof ownFish>

/** The angler's own way where schools differ. */
export const way = z.strictObject({
  point: oneOf(['flush', 'skin', 'buried'] as const, 'Point').optional(),
  peg: oneOf(['pegged', 'free'] as const, 'Peg').optional(),
  heads: oneOf(['open', 'weedless'] as const, 'Heads').optional(),
  fall: oneOf(['fast', 'slow'] as const, 'Fall').optional(),
  hook: oneOf(['big', 'small'] as const, 'Hook').optional(),
  work: oneOf(['moving', 'paused'] as const, 'Worked').optional(),
  knot: oneOf(['loop', 'snug'] as const, 'Knot').optional(),
  unleaded: z.boolean().optional(),
})
export const wire = oneOf(['fine', 'standard', 'heavy'] as const, 'Wire')
export const gap = oneOf(['standard', 'deep'] as const, 'Gap')
const guard = oneOf(['none', 'fibre', 'wire'] as const, 'Guard')

const dimension = (name: string): z.ZodOptional<z.ZodNumber> =>
  z
    .number({ error: `${name}: expected a number in m.` })
    .min(0)
    .max(0.2)
    .optional()
/** A hook's own measurements, each instead of the typical one. */
export const hook = z.strictObject({
  lengthM: dimension('Hook length'),
  gapM: dimension('Gap'),
  wireM: dimension('Wire'),
  neckM: dimension('Neck'),
  stepM: dimension('Step'),
  pointM: dimension('Point length'),
})
const shares = z.array(z.number().min(-0.6).max(1)).max(60)
/** A bait's own outline; what it must hold to is checked with the rig. */
export const own = z.strictObject({ at: shares, width: shares, height: shares, rise: shares.optional() })
const peg = oneOf(['pegged', 'half', 'free'] as const, 'Peg')
export const surfaceMS = within('Current', STREAM_RANGE_MS, 'm/s')
export const towardRad = within('Direction of the current', [-Math.PI, Math.PI], 'rad')
export const rodDistanceM = within('Distance to the rod', ROD_DISTANCE_RANGE_M, 'm')
export const liftByM = within('Lift of the rod', LIFT_RANGE_M, 'm')
export const liftAfterS = within('When the rod is lifted', [0, 60], 's')
export const liftOverS = within('How long the lift takes', [0.1, 20], 's')
/** Upper limit only: an unweighted family carries 0, and the rig as a whole is checked for the rest. */
export const weightKg = within('Weight', [0, LIMITS.weightKg[1]], 'kg')

/** What a rig may say besides family, size, weight and point. */
export const rigOptions = {
  bendM: bendM.optional(),
  peg: peg.optional(),
  leaderM: leaderM.optional(),
  wire: wire.optional(),
  gap: gap.optional(),
  keeper: keeper.optional(),
  guard: guard.optional(),
  slit: z.boolean().optional(),
  pinned: z.boolean().optional(),
  trimM: trimM.optional(),
  trimLimbs: z.boolean().optional(),
  sideOn: z.boolean().optional(),
  levelled: z.boolean().optional(),
  hookAtM: hookAtM.optional(),
  exitAtM: exitAtM.optional(),
  hook: hook.optional(),
}

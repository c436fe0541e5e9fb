import { z } from 'zod'
import { itemSchema } from './box'
import * as field from './fields'
import { streamSchema } from './spread'

/** Conditions that a rig is chosen for, as a file. SI but for temperature (°C) and salinity (g/kg). */
export const dayFileSchema = z
  .strictObject({
    format: z.literal('dunecrest-day', { error: 'Expected "dunecrest-day".' }),
    version: z.literal(1, { error: 'Expected 1.' }),
    name: z.string().max(200).optional(),
    depthM: field.depthM,
    temperatureC: field.temperatureC,
    salinityGKg: field.salinityGKg,
    cover: field.cover,
    bottom: field.bottom,
    stream: streamSchema.optional(),
    zone: z.strictObject({ fromM: field.zoneM, toM: field.zoneM }).optional(),
    species: field.species,
    own: field.ownFish.optional(),
    /** worked out from temperature and month where left out */ activity: field.activity.optional(),
    month: z.number().int().min(1).max(12).optional(),
    clarity: field.clarity.default('clear'),
    light: field.light.default('bright'),
    feeding: field.feeding.optional(),
    prey: field.prey.optional(),
    preyM: field.preyM.optional(),
    way: field.way.optional(),
    wind: field.wind.optional(),
    aim: field.aim.optional(),
    sightM: field.sightM.optional(),
  })
  .superRefine(({ zone, depthM }, context) => {
    if (zone && !(zone.fromM < zone.toM))
      context.addIssue({
        code: 'custom',
        path: ['zone', 'toM'],
        message: 'The feeding zone must end below where it begins.',
      })
    if (zone && zone.toM > depthM)
      context.addIssue({
        code: 'custom',
        path: ['zone', 'toM'],
        message: 'The feeding zone cannot reach below the bottom.',
      })
  })
export type DayFile = z.infer<typeof dayFileSchema>

/** A box as a file. */
export const boxFileSchema = z.strictObject({
  format: z.literal('dunecrest-box', { error: 'Expected "dunecrest-box".' }),
  version: z.literal(1, { error: 'Expected 1.' }),
  items: z.array(itemSchema),
})

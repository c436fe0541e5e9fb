import { z } from 'zod'
import { backupSchema } from './backup'
import { boxFileSchema, dayFileSchema } from './day'
import { logEntrySchema } from './log'
import { rigFileSchema } from './rigFile'
import { bathSchema, DOCUMENT_SCHEMAS, fishFileSchema, spotSchema, tripSchema } from './spot'
import { contentShape } from './spread'

/** Open formats by name. */
const SCHEMAS = {
  spread: contentShape,
  rig: rigFileSchema,
  day: dayFileSchema,
  box: boxFileSchema,
  spot: spotSchema,
  trip: tripSchema,
  bath: bathSchema,
  fish: fishFileSchema,
  tide: DOCUMENT_SCHEMAS.tide,
  knotTest: DOCUMENT_SCHEMAS.knotTest,
  log: logEntrySchema,
  backup: backupSchema,
} as const
export type SchemaName = keyof typeof SCHEMAS
export const SCHEMA_NAMES = Object.keys(SCHEMAS) as SchemaName[]

/** JSON Schema (draft 2020-12) of an open format, as it is read. */
export const jsonSchemaOf = (name: SchemaName): Record<string, unknown> => ({
  ...z.toJSONSchema(SCHEMAS[name], { io: 'input', unrepresentable: 'any' }),
  title: `Dunecrest ${name}`,
})

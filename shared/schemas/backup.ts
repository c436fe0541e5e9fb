import { z } from 'zod'
import { itemSchema } from './box'
import { logEntrySchema } from './log'
import { DOCUMENT_SCHEMAS } from './spot'
import { contentShape } from './spread'

/** Everything the server keeps, as one file. */
const stamped = { id: z.uuid(), revision: z.number().int().min(1), deleted: z.boolean() }
const spread = z.strictObject({ ...stamped, name: z.string().min(1).max(80), content: contentShape, createdAt: z.iso.datetime(), updatedAt: z.iso.datetime() })
const item = z.strictObject({ ...stamped, item: itemSchema, photo: z.string().max(200_000).nullable() })
const document = z.union([
  z.strictObject({ ...stamped, kind: z.literal('spot'), name: z.string().min(1).max(80), content: DOCUMENT_SCHEMAS.spot }),
  z.strictObject({ ...stamped, kind: z.literal('trip'), name: z.string().min(1).max(80), content: DOCUMENT_SCHEMAS.trip }),
  z.strictObject({ ...stamped, kind: z.literal('bath'), name: z.string().min(1).max(80), content: DOCUMENT_SCHEMAS.bath }),
])
const entry = z.strictObject({ entry: logEntrySchema, voided: z.boolean(), excluded: z.boolean() })

const FORMAT = z.literal('dunecrest-backup', { error: 'Expected "dunecrest-backup".' })
export const backupSchema = z.strictObject({ format: FORMAT, version: z.literal(2), madeAt: z.iso.datetime(), hash: z.string(), spreads: z.array(spread), items: z.array(item), documents: z.array(document), entries: z.array(entry) })
export type Backup = z.infer<typeof backupSchema>
export type BackupContent = Pick<Backup, 'spreads' | 'items' | 'documents' | 'entries'>

/** Version 1 was made before there were spots, trips and a log. */
const olderSchema = z.strictObject({ format: FORMAT, version: z.literal(1), madeAt: z.iso.datetime(), hash: z.string(), spreads: z.array(spread), items: z.array(item) })

/** A backup of any version, brought up to the newest. */
export const anyBackupSchema = z.union([backupSchema, olderSchema.transform((old): Backup => ({ ...old, version: 2, documents: [], entries: [] }))], { error: 'This is not a backup of Dunecrest, or it is damaged.' })

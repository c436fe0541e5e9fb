import { z } from 'zod'
import { itemSchema, photoData } from './box'
import * as field from './fields'
import { logEntrySchema } from './log'
import { DOCUMENT_SCHEMAS } from './spot'
import { contentShape } from './spread'

/** Everything the server keeps, as one file, a section for each kind of thing. */
const stamped = { id: field.id, revision: field.revision, deleted: z.boolean() }
const name = z.string().min(1).max(80)
const spread = z.strictObject({
  ...stamped,
  name,
  content: contentShape,
  createdAt: field.madeTime,
  updatedAt: field.madeTime,
})
const item = z.strictObject({ ...stamped, item: itemSchema, photo: photoData.nullable() })
const document = z.discriminatedUnion('kind', [
  z.strictObject({ ...stamped, kind: z.literal('spot'), name, content: DOCUMENT_SCHEMAS.spot }),
  z.strictObject({ ...stamped, kind: z.literal('trip'), name, content: DOCUMENT_SCHEMAS.trip }),
  z.strictObject({ ...stamped, kind: z.literal('bath'), name, content: DOCUMENT_SCHEMAS.bath }),
  z.strictObject({ ...stamped, kind: z.literal('fish'), name, content: DOCUMENT_SCHEMAS.fish }),
  z.strictObject({ ...stamped, kind: z.literal('tide'), name, content: DOCUMENT_SCHEMAS.tide }),
  z.strictObject({ ...stamped, kind: z.literal('knotTest'), name, content: DOCUMENT_SCHEMAS.knotTest }),
])
// what was logged by a wrong clock, before such were refused, is kept too
const entry = z.strictObject({
  entry: logEntrySchema.extend({ at: field.madeTime }),
  voided: z.boolean(),
  excluded: z.boolean(),
})

/** What a record of each section is, in the order the sections stand in. */
export const SECTIONS = {
  spreads: spread,
  items: item,
  documents: document,
  /** sessions left out of the tallies */ leftOut: field.id,
  entries: entry,
} as const
export type Section = keyof typeof SECTIONS
export const SECTION_NAMES = Object.keys(SECTIONS) as Section[]
export type SectionRecord<S extends Section> = z.infer<(typeof SECTIONS)[S]>
/** One record of a backup with the section it stands in. */
export type BackupRecord = {
  readonly [S in Section]: { readonly section: S; readonly record: SectionRecord<S> }
}[Section]
export type BackupCounts = Readonly<Record<Section, number>>

const FORMAT = z.literal('dunecrest-backup', { error: 'Expected "dunecrest-backup".' })
/**
 * The file. `hash` is the SHA-256 of its records in their order, each as JSON with its keys in order and a
 * line break.
 */
export const backupSchema = z.strictObject({
  format: FORMAT,
  version: z.literal(3),
  madeAt: field.madeTime,
  spreads: z.array(spread),
  items: z.array(item),
  documents: z.array(document),
  leftOut: z.array(field.id),
  entries: z.array(entry),
  hash: z.string(),
})

const olderHead = {
  format: FORMAT,
  madeAt: z.iso.datetime(),
  hash: z.string(),
  spreads: z.array(spread),
  items: z.array(item),
}
/**
 * Version 2 told a session that is left out by its entries; version 1 was made before there were spots, trips
 * and a log.
 */
export const olderBackupSchema = z.discriminatedUnion('version', [
  z.strictObject({ ...olderHead, version: z.literal(1) }),
  z.strictObject({
    ...olderHead,
    version: z.literal(2),
    documents: z.array(document),
    entries: z.array(entry),
  }),
])
export type OlderBackup = z.infer<typeof olderBackupSchema>

/**
 * Why a backup was made: by the day, before a new version changed tables, before a restore, when asked, or
 * brought as a file.
 */
export const BACKUP_KINDS = ['daily', 'change', 'restore', 'asked', 'brought'] as const
export type BackupKind = (typeof BACKUP_KINDS)[number]
/** A backup that is kept beside the data. */
export interface KeptBackup {
  readonly name: string
  readonly kind: BackupKind
  readonly madeAt: string
  readonly counts: BackupCounts
  /** as JSON, and as it lies on the disk */
  readonly bytes: number
  readonly fileBytes: number
}
export interface BackupList {
  readonly backups: readonly KeptBackup[]
  /** what is here now */
  readonly here: BackupCounts
  /** what is being done, and how many records of it */
  readonly working: { readonly what: 'backup' | 'restore'; readonly records: number } | null
}

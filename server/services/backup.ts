import { createHash } from 'node:crypto'
import type { Backup, BackupContent } from '#schemas/backup'
import { database } from '../db/client'
import * as repository from '../repositories/backup'
import { Refused } from './refused'

/** A value with its keys in order, so that the same content always gives the same text. */
function ordered(value: unknown): unknown {
  if (Array.isArray(value)) return value.map(ordered)
  if (value === null || typeof value !== 'object') return value
  return Object.fromEntries(Object.entries(value).filter(([, v]) => v !== undefined).sort(([a], [b]) => a < b ? -1 : 1).map(([k, v]) => [k, ordered(v)]))
}

/** SHA-256 of the content, whatever the order of its keys. */
export const contentHash = ({ spreads, items, documents, entries }: BackupContent): string => hashOf({ spreads, items, documents, entries })
/** The same of version 1, which had spreads and items alone. */
export const olderHash = ({ spreads, items }: Pick<BackupContent, 'spreads' | 'items'>): string => hashOf({ spreads, items })

const hashOf = (value: object): string => createHash('sha256').update(JSON.stringify(ordered(value))).digest('hex')

export async function makeBackup(): Promise<Backup> {
  const content = await repository.readAll(database())
  return { format: 'dunecrest-backup', version: 2, madeAt: new Date().toISOString(), hash: contentHash(content), ...content }
}

/**
 * Puts a backup in place of everything, all of it or nothing.
 * @throws Refused 422 when its content does not match its hash (an older version's hash is of what it had)
 */
export async function restoreBackup(backup: Backup): Promise<{ readonly hash: string, readonly spreads: number, readonly items: number, readonly documents: number, readonly entries: number }> {
  const hash = contentHash(backup)
  const older = backup.documents.length === 0 && backup.entries.length === 0 && backup.hash === olderHash(backup)
  if (hash !== backup.hash && !older) throw new Refused(422, 'This backup is damaged: its content does not match its hash. Nothing was changed.')
  await repository.replaceAll(database(), backup)
  return { hash, spreads: backup.spreads.length, items: backup.items.length, documents: backup.documents.length, entries: backup.entries.length }
}

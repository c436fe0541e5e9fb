import { randomUUID } from 'node:crypto'
import {
  createReadStream,
  existsSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { join, resolve } from 'node:path'
import {
  BACKUP_KINDS,
  type BackupCounts,
  type BackupKind,
  type BackupList,
  type BackupRecord,
  type KeptBackup,
} from '#schemas/backup'
import { database, type Database } from '../db/client'
import { flush, ownerOnly } from '../db/files'
import { LEAST_ROOM_BYTES, needRoom } from '../db/room'
import type { Tx } from '../db/transaction'
import * as repository from '../repositories/backup'
import { noCounts, readBackup, verifyBackup, writeBackup, type Reading } from './backupFile'
import { Refused } from './refused'

/** Backups that are kept of each kind. */
export const KEPT = 7
/**
 * Room that a restore must find, in sizes of what is put in: itself, its log, and the copy of what was there.
 */
const ROOM_TO_RESTORE = 4
const NAME = /^\d{4}-\d{2}-\d{2}T\d{2}-\d{2}-\d{2}-\d{3}Z-(daily|change|restore|asked|brought)$/

let home = ''
/** Where backups are kept: a folder beside the data. What an unfinished one left is cleared away. */
export function keepBackupsIn(folder: string): void {
  home = resolve(folder)
  mkdirSync(home, { recursive: true, mode: 0o700 })
  ownerOnly(home)
  for (const name of readdirSync(home)) if (name.endsWith('.part')) rmSync(join(home, name))
}

const fileOf = (name: string): string => join(home, `${name}.json.gz`)
const noteOf = (name: string): string => join(home, `${name}.note.json`)

let working: { what: 'backup' | 'restore'; records: number } | null = null
/** the copy that is kept by itself, while it is made */
let byItself: Promise<unknown> = Promise.resolve()

/**
 * Does one heavy piece of work at a time. What somebody asks for waits for a copy that nobody asked for.
 * @throws Refused 409 while there is another
 */
async function alone<T>(
  what: 'backup' | 'restore',
  work: (each: (records: number) => void) => Promise<T>,
): Promise<T> {
  await byItself
  if (working) throw new Refused(409, `A ${working.what} is being made. Try again when it is done.`)
  const mine = (working = { what, records: 0 })
  try {
    return await work(records => void (mine.records = records))
  } finally {
    working = null
  }
}

/** This moment, whenever it is asked for. */
function now(): () => string {
  const at = new Date().toISOString()
  return () => at
}

/** Writes records as a backup of a kind, reads it back, and only then gives it its name. */
async function keepRecords(
  kind: BackupKind,
  records: AsyncIterable<BackupRecord>,
  each?: (records: number) => void,
  madeAt = now(),
): Promise<KeptBackup> {
  const name = `${new Date().toISOString().replace(/[:.]/g, '-')}-${kind}`
  const part = join(home, `${name}.part`)
  try {
    const written = await writeBackup(part, madeAt, records, each)
    await verifyBackup(part)
    const kept: KeptBackup = {
      name,
      kind,
      madeAt: written.madeAt,
      counts: written.counts,
      bytes: written.bytes,
      fileBytes: statSync(part).size,
    }
    writeFileSync(noteOf(name), JSON.stringify(kept), { mode: 0o600 })
    renameSync(part, fileOf(name))
    flush(home)
    prune(kind)
    return kept
  } finally {
    rmSync(part, { force: true })
  }
}

/** Keeps the newest of a kind. */
function prune(kind: BackupKind): void {
  for (const name of names()
    .filter(n => n.endsWith(`-${kind}`))
    .slice(KEPT)) {
    rmSync(fileOf(name), { force: true })
    rmSync(noteOf(name), { force: true })
  }
}

/** Names of what is kept, the newest first. */
const names = (): string[] =>
  (existsSync(home) ? readdirSync(home) : [])
    .filter(file => file.endsWith('.json.gz'))
    .map(file => file.slice(0, -'.json.gz'.length))
    .filter(name => NAME.test(name))
    .sort()
    .reverse()

/** What is known of a kept backup. Where its note was lost it is read through once. */
async function kept(name: string): Promise<KeptBackup | undefined> {
  try {
    return JSON.parse(readFileSync(noteOf(name), 'utf8')) as KeptBackup
  } catch {
    const found = await verifyBackup(fileOf(name)).catch(() => undefined)
    if (!found) return undefined
    const kind = BACKUP_KINDS.find(k => name.endsWith(`-${k}`))!
    const { madeAt, counts, bytes } = found
    return { name, kind, madeAt, counts, bytes, fileBytes: statSync(fileOf(name)).size }
  }
}

/** Where a kept backup lies. @throws Refused 404 where nothing of this name is kept */
export function pathOf(name: string): string {
  if (!NAME.test(name) || !existsSync(fileOf(name)))
    throw new Refused(404, 'There is no backup of this name.')
  return fileOf(name)
}

export async function listBackups(): Promise<BackupList> {
  const backups = (await Promise.all(names().map(kept))).filter(b => b !== undefined)
  return { backups, here: await repository.countAll(database()), working }
}

const oneState = <T>(db: Database, work: (tx: Tx) => Promise<T>): Promise<T> =>
  db.transaction(work, { isolationLevel: 'repeatable read', accessMode: 'read only' })

/** Keeps a copy of everything as it is now. */
export const keepBackup = (kind: BackupKind, db: Database = database()): Promise<KeptBackup> =>
  alone('backup', async each => {
    await needRoom(home)
    return oneState(db, tx => keepRecords(kind, repository.readAll(tx), each))
  })

/**
 * Keeps a file that was brought, once it was read to its end and found whole.
 * @throws Refused 422 where it is not
 */
export const bringBackup = (source: AsyncIterable<Uint8Array>): Promise<KeptBackup> =>
  alone('backup', async each => {
    await needRoom(home)
    const found: Reading = { counts: noCounts(), bytes: 0 }
    // when it was made it tells at its end
    return keepRecords('brought', readBackup(source, found), each, () => found.madeAt!)
  })

/**
 * Writes everything as it is now to a file that is not kept: whoever asks takes it away.
 * @returns where it lies
 */
export const copyToSend = (): Promise<string> =>
  alone('backup', async each => {
    await needRoom(home)
    const part = join(home, `${randomUUID()}.part`)
    try {
      await oneState(database(), tx => writeBackup(part, now(), repository.readAll(tx), each))
      return part
    } catch (error) {
      rmSync(part, { force: true })
      throw error
    }
  })

export interface Restored {
  readonly restored: KeptBackup
  /** the copy of what was there before */ readonly before: KeptBackup
}

/**
 * Puts a kept backup in place of everything, all of it or nothing; what was there is kept first, in the same
 * transaction, so that nothing written in between is lost.
 * @throws Refused 404, 409 while another is under way, 422 where it is damaged
 */
export const restoreBackup = (name: string): Promise<Restored> =>
  alone('restore', async each => {
    const path = pathOf(name)
    const restored = await kept(name)
    if (!restored) throw new Refused(422, 'This backup is damaged. Nothing was changed.')
    await needRoom(home, LEAST_ROOM_BYTES + ROOM_TO_RESTORE * restored.bytes)
    const before = await database().transaction(async tx => {
      await repository.holdAll(tx)
      const copy = await keepRecords('restore', repository.readAll(tx), each)
      await repository.replaceAll(
        tx,
        counting(readBackup(createReadStream(path), { counts: noCounts(), bytes: 0 }), each),
      )
      return copy
    })
    return { restored, before }
  })

async function* counting(
  records: AsyncIterable<BackupRecord>,
  each: (n: number) => void,
): AsyncGenerator<BackupRecord> {
  let n = 0
  for await (const record of records) {
    each(++n)
    yield record
  }
}

const anything = (counts: BackupCounts): boolean => Object.values(counts).some(n => n > 0)

/** Whether the day of `now`, by this machine's calendar, has no daily backup yet. */
export function dailyIsDue(
  made: readonly { readonly kind: BackupKind; readonly madeAt: string }[],
  now: Date,
): boolean {
  return !made.some(b => b.kind === 'daily' && new Date(b.madeAt).toDateString() === now.toDateString())
}

/** Keeps a copy once a day, where there is anything to keep. @returns what was kept */
export async function keepDaily(now = new Date()): Promise<KeptBackup | undefined> {
  const { backups, here } = await listBackups()
  if (!anything(here) || !dailyIsDue(backups, now)) return undefined
  const made = keepBackup('daily')
  byItself = made.catch(() => undefined)
  return made
}

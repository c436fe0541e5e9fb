import { createHash } from 'node:crypto'
import { createReadStream } from 'node:fs'
import { open } from 'node:fs/promises'
import { pipeline } from 'node:stream/promises'
import { Readable } from 'node:stream'
import { createGunzip, createGzip } from 'node:zlib'
import { JSONParser } from '@streamparser/json'
import {
  olderBackupSchema,
  SECTION_NAMES,
  SECTIONS,
  type BackupCounts,
  type BackupRecord,
  type OlderBackup,
  type Section,
} from '#schemas/backup'
import { checked } from '#schemas/checked'
import { COUNTED } from '#schemas/ranges'
import { canonical } from '../repositories/sameContent'
import { Refused } from './refused'

/**
 * The backup as a file: JSON, a record a line, written and read a piece at a time however large it is,
 * gzipped where it is kept here. Its hash is of the records alone, so that it holds however the file is laid
 * out.
 */
const VERSION = 3
/** Largest file of an older version that is taken, bytes: those are read whole. */
const OLDER_BYTES = 64 * 1024 * 1024
/** Bytes at its start in which a file says its version. */
const HEAD_BYTES = 4096
/** Characters handed to the compressor at a time. */
const PIECE_CHARS = 64 * 1024

const damaged = (why: string): Refused => new Refused(422, `${why} Nothing was changed.`)
const NOT_ONE = 'This is not a backup of Dunecrest, or it is damaged.'

/** What was read or written. */
export interface Contents {
  readonly madeAt: string
  readonly counts: BackupCounts
  readonly hash: string
  readonly bytes: number
}
export const noCounts = (): Record<Section, number> => ({
  spreads: 0,
  items: 0,
  documents: 0,
  leftOut: 0,
  entries: 0,
})

/**
 * Writes records, which come section by section, as a gzipped file.
 * @param madeAt when they were kept; asked for once all of them were taken
 * @param each is told how many were written
 */
export async function writeBackup(
  path: string,
  madeAt: () => string,
  records: AsyncIterable<BackupRecord>,
  each: (records: number) => void = () => undefined,
): Promise<Contents> {
  const hash = createHash('sha256')
  const counts = noCounts()
  let bytes = 0
  let digest = ''
  async function* text(): AsyncGenerator<string> {
    yield `{"format":"dunecrest-backup","version":${VERSION}`
    let at = -1
    let n = 0
    const to = function* (section: Section | undefined): Generator<string> {
      const end = section === undefined ? SECTION_NAMES.length : SECTION_NAMES.indexOf(section)
      if (end < at) throw new Error('writeBackup: records must come section by section')
      for (; at < end; at++)
        yield `${at < 0 ? '' : '\n]'}${at + 1 < SECTION_NAMES.length ? `,\n"${SECTION_NAMES[at + 1]!}":[` : ''}`
    }
    for await (const { section, record } of records) {
      yield* to(section)
      hash.update(canonical(record)).update('\n')
      yield `${counts[section]++ > 0 ? ',' : ''}\n${JSON.stringify(record)}`
      each(++n)
    }
    yield* to(undefined)
    digest = hash.digest('hex')
    yield `,\n"madeAt":${JSON.stringify(madeAt())},"hash":"${digest}"}\n`
  }
  async function* pieces(): AsyncGenerator<Buffer> {
    let waiting = ''
    for await (const some of text()) {
      waiting += some
      if (waiting.length < PIECE_CHARS) continue
      const piece = Buffer.from(waiting)
      bytes += piece.length
      waiting = ''
      yield piece
    }
    const piece = Buffer.from(waiting)
    bytes += piece.length
    yield piece
  }
  // opened first: where the first record fails already, there must be a file to clear away
  const file = await open(path, 'wx', 0o600)
  await pipeline(Readable.from(pieces()), createGzip({ level: 6 }), file.createWriteStream({ flush: true }))
  return { madeAt: madeAt(), counts, hash: digest, bytes }
}

/** A stream of bytes that may be gzipped, as plain bytes. Left early, it leaves its source too. */
async function* plain(source: AsyncIterable<Uint8Array>): AsyncGenerator<Uint8Array> {
  const pieces = source[Symbol.asyncIterator]()
  try {
    const first = await pieces.next()
    if (first.done) return
    const whole = startingWith([first.value], pieces)
    yield* first.value[0] === 0x1f && first.value[1] === 0x8b ? unpacked(whole) : whole
  } finally {
    await pieces.return?.()
  }
}

/** What was read of a stream already, and then the rest of it. */
async function* startingWith(
  head: readonly Uint8Array[],
  rest: AsyncIterator<Uint8Array>,
): AsyncGenerator<Uint8Array> {
  yield* head
  for (let next = await rest.next(); !next.done; next = await rest.next()) yield next.value
}

async function* unpacked(source: AsyncIterable<Uint8Array>): AsyncGenerator<Uint8Array> {
  const unzip = createGunzip()
  const feeding = pipeline(Readable.from(source), unzip).catch(() => undefined)
  try {
    for await (const piece of unzip) yield piece as Buffer
  } catch {
    throw damaged('This backup is damaged: it cannot be unpacked.')
  } finally {
    unzip.destroy()
    await feeding
  }
}

/** What a reading found, filled in as it goes; whole once every record was taken. */
export interface Reading {
  madeAt?: string
  counts: Record<Section, number>
  bytes: number
}

/**
 * Reads a backup of any version, gzipped or plain, record by record.
 * @param found what it says of itself, filled in while it is read
 * @throws Refused 422 where it is none, or a record does not fit, with the place; and, once the last record
 * was given, where its content does not match its hash: what came of it must be undone then
 */
export async function* readBackup(
  source: AsyncIterable<Uint8Array>,
  found: Reading,
): AsyncGenerator<BackupRecord> {
  const bytes = plain(source)
  try {
    const head: Uint8Array[] = []
    for (let length = 0; length < HEAD_BYTES;) {
      const next = await bytes.next()
      if (next.done) break
      head.push(next.value)
      length += next.value.length
    }
    const text = Buffer.concat(head).subarray(0, HEAD_BYTES).toString('latin1')
    const version = /"version"\s*:\s*(\d+)/.exec(text)?.[1]
    const whole = startingWith(head, bytes)
    yield* version === '1' || version === '2' ? readOlder(whole, found) : readPieces(whole, found)
  } finally {
    await bytes.return(undefined)
  }
}

async function* readPieces(source: AsyncIterable<Uint8Array>, found: Reading): AsyncGenerator<BackupRecord> {
  const hash = createHash('sha256')
  const said: Record<string, unknown> = {}
  let ready: { readonly section: Section; readonly value: unknown }[] = []
  let failed: Error | undefined
  const parser = new JSONParser({
    paths: ['$.format', '$.version', '$.madeAt', '$.hash', ...SECTION_NAMES.map(section => `$.${section}.*`)],
    keepStack: false,
  })
  parser.onValue = ({ value, key, stack }) => {
    if (stack.length > 1) ready.push({ section: stack[1]!.key as Section, value })
    else said[String(key)] = value
  }
  parser.onError = error => void (failed = error)
  let ended = false
  parser.onEnd = () => void (ended = true)
  for await (const piece of source) {
    found.bytes += piece.length
    try {
      parser.write(piece)
    } catch (error) {
      failed ??= error as Error
    }
    if (failed) throw damaged(NOT_ONE)
    const now = ready
    ready = []
    for (const { section, value } of now) yield recordOf(section, value, found.counts[section]++, hash)
  }
  if (!ended || said.format !== 'dunecrest-backup' || said.version !== VERSION) throw damaged(NOT_ONE)
  if (typeof said.madeAt !== 'string' || Number.isNaN(Date.parse(said.madeAt))) throw damaged(NOT_ONE)
  if (hash.digest('hex') !== said.hash) {
    throw damaged('This backup is damaged: its content does not match its hash.')
  }
  found.madeAt = new Date(said.madeAt).toISOString()
}

function recordOf(
  section: Section,
  value: unknown,
  at: number,
  hash?: { update: (text: string) => unknown },
): BackupRecord {
  const result = checked<unknown>(SECTIONS[section], value)
  if (!result.ok) {
    const fields = result.errors.map(e => ({
      ...e,
      path: `${section}[${at}]${e.path === '(top)' ? '' : `.${e.path}`}`,
    }))
    throw new Refused(
      422,
      `This backup is damaged at ${fields[0]!.path}: ${fields[0]!.message} Nothing was changed.`,
      fields,
    )
  }
  hash?.update(`${canonical(value)}\n`)
  return { section, record: result.data } as BackupRecord
}

async function* readOlder(source: AsyncIterable<Uint8Array>, found: Reading): AsyncGenerator<BackupRecord> {
  const pieces: Uint8Array[] = []
  for await (const piece of source) {
    found.bytes += piece.length
    if (found.bytes > OLDER_BYTES)
      throw new Refused(413, 'This older backup is too large to be taken in one piece.')
    pieces.push(piece)
  }
  let value: unknown
  try {
    value = JSON.parse(Buffer.concat(pieces).toString('utf8'))
  } catch {
    throw damaged(NOT_ONE)
  }
  const result = checked<OlderBackup>(olderBackupSchema, value)
  if (!result.ok)
    throw new Refused(
      422,
      `${NOT_ONE} ${result.errors[0]!.path}: ${result.errors[0]!.message}`,
      result.errors,
    )
  const { format: _, version: __, madeAt, hash, ...content } = value as Record<string, unknown>
  if (createHash('sha256').update(canonical(content)).digest('hex') !== hash) {
    throw damaged('This backup is damaged: its content does not match its hash.')
  }
  for (const next of brought(result.data)) {
    found.counts[next.section]++
    yield next
  }
  found.madeAt = new Date(madeAt as string).toISOString()
}

const counted: ReadonlySet<string> = new Set(COUNTED)

/** An older backup as records: a session all of whose taps are left out is one that is left out. */
function* brought(old: OlderBackup): Generator<BackupRecord> {
  for (const record of old.spreads) yield { section: 'spreads', record }
  for (const record of old.items) yield { section: 'items', record }
  if (old.version === 1) return
  for (const record of old.documents) yield { section: 'documents', record }
  const taps = old.entries.filter(e => counted.has(e.entry.kind))
  const kept = new Set(taps.filter(e => !e.excluded).map(e => e.entry.session))
  const leftOut = new Set(taps.map(e => e.entry.session).filter(session => !kept.has(session)))
  for (const record of leftOut) yield { section: 'leftOut', record }
  for (const e of old.entries) {
    const bySession = leftOut.has(e.entry.session) && counted.has(e.entry.kind)
    yield { section: 'entries', record: { ...e, excluded: e.excluded && !bySession } }
  }
}

/** Reads a kept file to its end, so that it is known to be whole. @throws Refused 422 where it is not */
export async function verifyBackup(path: string): Promise<Reading & { readonly madeAt: string }> {
  const found: Reading = { counts: noCounts(), bytes: 0 }
  for await (const _ of readBackup(createReadStream(path), found));
  return { ...found, madeAt: found.madeAt! }
}

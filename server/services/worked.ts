import { createHash, randomUUID } from 'node:crypto'
import { mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { ownerOnly } from '../db/files'
import { Refused } from './refused'

/**
 * What a device worked out of the box, kept so that another need not work it out again: a file that is passed on as
 * it came. It can be worked out anew at any time, so nothing is flushed and nothing of it goes into a backup.
 */

/**
 * Kinds of files, by how their names end. Of searches there are two makings of the program, in two halves each; of
 * logs, some places by each making, and what was learned of a longer log need not be longer.
 */
const KINDS = [
  { ending: '.log.gz', most: 16, keepsLarger: false, named: /\.log\.[\w.-]+$/ },
  { ending: '.json.gz', most: 4, keepsLarger: true, named: /^/ },
] as const
type Kind = (typeof KINDS)[number]
/** A file may be smaller than the one that it replaces when that is older than this, ms. */
const STALE_MS = 7 * 24 * 3_600_000
/** How a compressed file begins. */
const GZIP = [0x1f, 0x8b] as const

let home = ''
/** Where it is kept: a folder beside the data. What an unfinished write left is cleared away. */
export function keepWorkedIn(folder: string): void {
  home = resolve(folder)
  mkdirSync(home, { recursive: true, mode: 0o700 })
  ownerOnly(home)
  for (const name of readdirSync(home))
    if (!KINDS.some(({ ending }) => name.endsWith(ending))) rmSync(join(home, name))
}

const kindOf = (name: string): Kind => KINDS.find(({ named }) => named.test(name))!
/** Names come from outside: none of them is the name of a file. */
const fileOf = (name: string): string =>
  join(home, createHash('sha256').update(name).digest('hex').slice(0, 32) + kindOf(name).ending)

/**
 * @param name of the making of the program, and which half or which log
 * @returns the file, compressed
 * @throws Refused 404 where there is none
 */
export function workedOut(name: string): Buffer {
  try {
    return readFileSync(fileOf(name))
  } catch {
    throw new Refused(404, 'Nothing of this was worked out yet.')
  }
}

/**
 * Keeps a file; of a search, unless there is a larger one that is not old.
 * @throws Refused 422 when it is not compressed
 */
export function keepWorkedOut(name: string, bytes: Buffer): void {
  if (GZIP.some((byte, at) => bytes[at] !== byte)) throw new Refused(422, 'Expected a compressed file.')
  const file = fileOf(name)
  const { ending, most, keepsLarger } = kindOf(name)
  const before = keepsLarger ? statSync(file, { throwIfNoEntry: false }) : undefined
  if (before && before.size > bytes.length && Date.now() - before.mtimeMs < STALE_MS) return
  const part = join(home, `${randomUUID()}.part`)
  writeFileSync(part, bytes, { mode: 0o600 })
  renameSync(part, file)
  const files = readdirSync(home)
    .filter(one => one.endsWith(ending))
    .map(one => ({ path: join(home, one), at: statSync(join(home, one)).mtimeMs }))
    .sort((a, b) => b.at - a.at)
  for (const { path } of files.slice(most)) rmSync(path)
}

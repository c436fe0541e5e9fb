import { closeSync, fsyncSync, mkdirSync, openSync, readFileSync, renameSync, writeSync } from 'node:fs'
import { dirname } from 'node:path'

/** Readable and writable by its owner alone. */
const OWNER_FILE = 0o600
const OWNER_FOLDER = 0o700

/** Writes a file whole or not at all, flushed before it is there; for its owner alone. */
export function writeOwn(path: string, text: string): void {
  mkdirSync(dirname(path), { recursive: true, mode: OWNER_FOLDER })
  const part = `${path}.part`
  const file = openSync(part, 'w', OWNER_FILE)
  try {
    writeSync(file, text)
    fsyncSync(file)
  } finally {
    closeSync(file)
  }
  renameSync(part, path)
  const folder = openSync(dirname(path), 'r')
  try {
    fsyncSync(folder)
  } finally {
    closeSync(folder)
  }
}

/** What a file holds; undefined where there is none. */
export function readOwn(path: string): string | undefined {
  try {
    return readFileSync(path, 'utf8')
  } catch (error) {
    if ((error as NodeJS.ErrnoException).code === 'ENOENT') return undefined
    throw error
  }
}

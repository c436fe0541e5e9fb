import { chmodSync, closeSync, fsyncSync, lstatSync, openSync, readdirSync } from 'node:fs'
import { join } from 'node:path'

/** Takes every right from all but the owner, in the folder and below. */
export function ownerOnly(path: string): void {
  const found = lstatSync(path)
  if (found.isSymbolicLink()) return
  const folder = found.isDirectory()
  const mode = folder ? 0o700 : 0o600
  if ((found.mode & 0o777) !== mode) chmodSync(path, mode)
  if (folder) for (const name of readdirSync(path)) ownerOnly(join(path, name))
}

/** Flushes a file, or a folder's list of names, to the disk. */
export function flush(path: string): void {
  const descriptor = openSync(path, 'r')
  try {
    fsyncSync(descriptor)
  } finally {
    closeSync(descriptor)
  }
}

/** Flushes a folder with everything below it. */
export function flushTree(path: string): void {
  if (lstatSync(path).isDirectory()) for (const name of readdirSync(path)) flushTree(join(path, name))
  flush(path)
}

// the package brings no types, and every project that reads this file must find them
// eslint-disable-next-line @typescript-eslint/triple-slash-reference
/// <reference path="../types/fs-native-extensions.d.ts" />
import { closeSync, constants, ftruncateSync, openSync, readFileSync, writeSync } from 'node:fs'
import { tryLock } from 'fs-native-extensions'

/** Thrown when another process holds the data folder. The message is for the person at the terminal. */
export class DataFolderInUse extends Error {
  constructor(
    readonly folder: string,
    readonly holder: string,
  ) {
    super(
      `The data folder ${folder} is in use by another Dunecrest${holder ? ` (${holder})` : ''}. ` +
        'Stop that one, or set DUNECREST_DATA to another folder.',
    )
    this.name = 'DataFolderInUse'
  }
}

/**
 * Takes a folder for this process; two processes on one folder would ruin it. The lock is the kernel's, on a
 * file beside the folder: it ends with the process however that ends, so none is ever stale, and it holds
 * across process namespaces, where process numbers say nothing. The file stays, because removing it is what
 * lets two in; what stands in it is for people only.
 * @returns gives the folder back
 * @throws DataFolderInUse when another process, or another part of this one, holds it
 */
export function lockFolder(folder: string): () => void {
  const file = `${folder}.lock`
  const descriptor = openSync(file, constants.O_RDWR | constants.O_CREAT, 0o600)
  if (!tryLock(descriptor)) {
    const holder = readFileSync(descriptor, 'utf8').trim().split('\n')[0]!.slice(0, 80)
    closeSync(descriptor)
    throw new DataFolderInUse(folder, holder)
  }
  ftruncateSync(descriptor)
  writeSync(descriptor, `process ${process.pid}\n`, 0)
  let held = true
  return () => {
    if (!held) return
    held = false
    ftruncateSync(descriptor)
    closeSync(descriptor)
  }
}

import { readFileSync, rmSync, writeFileSync } from 'node:fs'

/** Thrown when another live process holds the data folder. The message is for the person at the terminal. */
export class DataFolderInUse extends Error {
  constructor(readonly folder: string, readonly pid: number) {
    super(`The data folder ${folder} is in use by another Dunecrest (process ${pid}). Stop that one, or set DUNECREST_DATA to another folder.`)
    this.name = 'DataFolderInUse'
  }
}

/**
 * Takes a folder for this process by a lock file beside it; two processes on one folder would ruin it. A lock left by a
 * process that no longer lives is taken over.
 * @returns gives the folder back
 * @throws DataFolderInUse when a live process holds it
 */
export function lockFolder(folder: string): () => void {
  const file = `${folder}.lock`
  for (let attempt = 0; ; attempt++) {
    try {
      writeFileSync(file, String(process.pid), { flag: 'wx' })
      return () => {
        if (holderOf(file) === process.pid) rmSync(file, { force: true })
      }
    }
    catch (error) {
      if ((error as NodeJS.ErrnoException).code !== 'EEXIST' || attempt > 2) throw error
      const pid = holderOf(file)
      if (pid !== undefined && pid !== process.pid && alive(pid)) throw new DataFolderInUse(folder, pid)
      rmSync(file, { force: true })
    }
  }
}

function holderOf(file: string): number | undefined {
  try {
    const pid = Number(readFileSync(file, 'utf8'))
    return Number.isInteger(pid) && pid > 0 ? pid : undefined
  }
  catch {
    return undefined
  }
}

function alive(pid: number): boolean {
  try {
    process.kill(pid, 0)
    return true
  }
  catch (error) {
    return (error as NodeJS.ErrnoException).code === 'EPERM'
  }
}

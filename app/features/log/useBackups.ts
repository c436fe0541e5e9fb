import { ref, shallowRef } from 'vue'
import type { BackupCounts, BackupList, KeptBackup } from '#schemas/backup'
import { ask, sendFile } from '~/sync/api'
import { failureText } from '#words/failureText'

/** Heavy work may take its time, ms. */
const LONG_MS = 900_000
/** How often the state of heavy work is looked at, ms. */
const LOOK_MS = 700

/** Backups that are kept beside the data: listed, made, brought as a file, and put back. */
export function useBackups() {
  const list = shallowRef<BackupList>()
  const error = ref<string>()
  /** what is being done, in words */
  const busy = ref<string>()

  async function load(): Promise<void> {
    list.value = await ask<BackupList>('/api/backups')
  }

  /** Does heavy work, with what is done of it looked at meanwhile; a refusal is told and gives undefined. */
  async function doing<T>(what: string, work: () => Promise<T>): Promise<T | undefined> {
    busy.value = what
    error.value = undefined
    // while everything waits for a restore, so does this look
    const timer = setInterval(() => void load().catch(() => undefined), LOOK_MS)
    try {
      return await work()
    } catch (failure) {
      error.value = failureText(failure)
      return undefined
    } finally {
      clearInterval(timer)
      busy.value = undefined
      await load().catch(() => undefined)
    }
  }

  const keep = (): Promise<KeptBackup | undefined> =>
    doing('Keeping a copy…', () => ask<KeptBackup>('/api/backups', 'POST', {}, { timeoutMs: LONG_MS }))
  const bring = (file: Blob): Promise<KeptBackup | undefined> =>
    doing('Reading the file…', () => sendFile<KeptBackup>('/api/backups/upload', file))
  const restore = (
    name: string,
  ): Promise<{ readonly restored: KeptBackup; readonly before: KeptBackup } | undefined> =>
    doing('Putting it back…', () => ask(`/api/backups/${name}/restore`, 'POST', {}, { timeoutMs: LONG_MS }))

  return {
    list,
    error,
    busy,
    load: () => load().catch((failure: unknown) => void (error.value = failureText(failure))),
    keep,
    bring,
    restore,
  }
}

/**
 * Counts in words, what there is none of left out: "3 spreads, 120 things in the box, 3,400 log entries", or
 * "nothing".
 */
export function countWords({ spreads, items, documents, entries }: BackupCounts): string {
  const some = (n: number, one: string, many: string): string[] =>
    n === 0 ? [] : [`${n.toLocaleString('en')} ${n === 1 ? one : many}`]
  return (
    [
      ...some(spreads, 'spread', 'spreads'),
      ...some(items, 'thing in the box', 'things in the box'),
      ...some(documents, 'spot, trip or bath', 'spots, trips and baths'),
      ...some(entries, 'log entry', 'log entries'),
    ].join(', ') || 'nothing'
  )
}

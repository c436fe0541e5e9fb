import type { EvidenceAnswer, LogEntry, LogReceipt, SessionRow } from '#schemas/log'
import { database } from '../db/client'
import * as repository from '../repositories/log'
import { Refused } from './refused'

/** Entries of one transaction at most. */
const MOST_AT_ONCE = 4000
interface Waiting {
  readonly entries: readonly LogEntry[]
  readonly resolve: (receipt: LogReceipt) => void
  readonly reject: (error: unknown) => void
}
let waiting: readonly Waiting[] = []
let writing = false

/**
 * Writes entries; what comes while others are being written is written together after them, with one flush to
 * the disk.
 */
export const addEntries = (entries: readonly LogEntry[]): Promise<LogReceipt> =>
  new Promise((resolve, reject) => {
    waiting = [...waiting, { entries, resolve, reject }]
    void writeWaiting()
  })

async function writeWaiting(): Promise<void> {
  if (writing) return
  writing = true
  while (waiting.length > 0) {
    let sum = 0
    const some = waiting.filter(({ entries }, i) => (sum += entries.length) <= MOST_AT_ONCE || i === 0)
    waiting = waiting.slice(some.length)
    await writeTogether(some).catch(async (error: unknown) => {
      if (some.length === 1) return some[0]!.reject(error)
      // what one of them did must not keep the others out
      for (const one of some) await writeTogether([one]).catch(one.reject)
    })
  }
  writing = false
}

async function writeTogether(some: readonly Waiting[]): Promise<void> {
  const receipts = await repository.insertRequests(
    database(),
    some.map(w => w.entries),
  )
  const now = new Date().toISOString()
  some.forEach(({ resolve }, i) => resolve({ ...receipts[i]!, now }))
}

export const sessionsPage = (
  limit: number,
  offset: number,
): Promise<{ readonly sessions: SessionRow[]; readonly total: number }> =>
  repository.listSessions(database(), limit, offset)
export const entriesPage = (session: string, limit: number, offset: number): Promise<LogEntry[]> =>
  repository.listEntries(database(), session, limit, offset)
export const evidence = async (): Promise<EvidenceAnswer> => ({
  tallies: await repository.listTallies(database()),
  drops: await repository.listDrops(database()),
})

/** @throws Refused 404 when it is not there */
export async function exclude(id: string, excluded: boolean): Promise<void> {
  if (!(await repository.setExcluded(database(), id, excluded)))
    throw new Refused(404, 'This entry is no longer in the log.')
}

/** @throws Refused 404 when there is no such session */
export async function excludeSession(session: string, excluded: boolean): Promise<void> {
  if (!(await repository.setSessionExcluded(database(), session, excluded)))
    throw new Refused(404, 'This session is no longer in the log.')
}

/** Fills an empty log, and only an empty one. Returns how many entries were written. */
export async function seedLog(entries: () => readonly LogEntry[]): Promise<number> {
  if ((await repository.countEntries(database())) > 0) return 0
  return (await repository.insertEntries(database(), entries())).added
}

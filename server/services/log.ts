import type { EvidenceAnswer, LogEntry, LogReceipt, SessionRow } from '#schemas/log'
import { database } from '../db/client'
import * as repository from '../repositories/log'
import { Refused } from './refused'

export const addEntries = (entries: readonly LogEntry[]): Promise<LogReceipt> => repository.insertEntries(database(), entries)
export const sessionsPage = (limit: number, offset: number): Promise<{ readonly sessions: SessionRow[], readonly total: number }> => repository.listSessions(database(), limit, offset)
export const entriesPage = (session: string, limit: number, offset: number): Promise<LogEntry[]> => repository.listEntries(database(), session, limit, offset)
export const evidence = async (): Promise<EvidenceAnswer> => ({ tallies: await repository.listTallies(database()), drops: await repository.listDrops(database()) })

/** @throws Refused 404 when it is not there */
export async function exclude(id: string, excluded: boolean): Promise<void> {
  if (!await repository.setExcluded(database(), id, excluded)) throw new Refused(404, 'This entry is no longer in the log.')
}

/** @throws Refused 404 when there is no such session */
export async function excludeSession(session: string, excluded: boolean): Promise<void> {
  if (!await repository.setSessionExcluded(database(), session, excluded)) throw new Refused(404, 'This session is no longer in the log.')
}

/** Fills an empty log, and only an empty one. Returns how many entries were written. */
export async function seedLog(entries: () => readonly LogEntry[]): Promise<number> {
  if (await repository.countEntries(database()) > 0) return 0
  return (await repository.insertEntries(database(), entries())).added
}

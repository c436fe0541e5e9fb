import type { LogEntry, SessionRow, TallyRow } from '#schemas/log'
import {
  differenceOf,
  entriesWith,
  placeOfSession,
  sessionsWith,
  talliesWith,
  type LogDifference,
} from '../../shared/logSums'
import { ask } from './api'
import { changeOf, changesLoaded } from './changes'
import { keptAnswer } from './copies'
import { waitingEntries } from './outbox'

/**
 * The log as it is with what waits on this device: sessions, entries and tallies as the server told them, or as they
 * are kept here, and on top what it has not acknowledged yet.
 */
export const SESSIONS_AT_ONCE = 20
const MOST_ENTRIES = 500
const sessionsPath = (page: number): string =>
  `/api/log/sessions?limit=${SESSIONS_AT_ONCE}&offset=${SESSIONS_AT_ONCE * page}`
/** The newest sessions, which this device keeps. */
export const SESSIONS_PATH = sessionsPath(0)
export const entriesPath = (session: string): string => `/api/log/${session}/entries?limit=${MOST_ENTRIES}`

export interface SessionsAnswer {
  readonly sessions: readonly SessionRow[]
  readonly total: number
}
interface EntriesAnswer {
  readonly entries: readonly LogEntry[]
}
const keptEntries = async (session: string): Promise<readonly LogEntry[]> =>
  (await keptAnswer<EntriesAnswer>(entriesPath(session)))?.answer.entries ?? []

interface Waiting extends LogDifference {
  readonly waiting: readonly LogEntry[]
  readonly known: ReadonlyMap<string, readonly LogEntry[]>
}
/** What waits on this device and what it changes; a device that cannot be read has nothing waiting. */
async function whatWaits(): Promise<Waiting> {
  const waiting = await waitingEntries().catch((): LogEntry[] => [])
  const sessions = [...new Set(waiting.map(e => e.session))]
  const known = new Map(await Promise.all(sessions.map(async s => [s, await keptEntries(s)] as const)))
  return { waiting, known, ...differenceOf(waiting, [...known.values()].flat()) }
}

/** Whether a drop or a session counts, as it was last said on this device; as the server has it otherwise. */
export function leftOutHere(path: string, id: string, onServer: boolean): boolean {
  const now = changeOf(path, id)?.now as { readonly excluded?: boolean } | undefined
  return now?.excluded ?? onServer
}

/** A page of sessions, the newest first; those that only wait here stand on the first. @throws ServerRefusal */
export async function sessionsShown(page: number): Promise<SessionsAnswer> {
  const answer = await ask<SessionsAnswer>(sessionsPath(page))
  await changesLoaded()
  const { waiting, known, ...difference } = await whatWaits()
  const there = new Set(answer.sessions.map(s => s.session))
  const rows = sessionsWith(answer.sessions, difference, session =>
    placeOfSession(entriesWith(session, known.get(session) ?? [], waiting)),
  )
  const shown = page === 0 ? rows : rows.filter(row => there.has(row.session))
  return {
    sessions: shown.map(row => ({
      ...row,
      excluded: leftOutHere('/api/log/sessions', row.session, row.excluded),
    })),
    total: answer.total + shown.filter(row => !there.has(row.session)).length,
  }
}

/** The entries of a session that stand, in their order. @throws ServerRefusal */
export async function entriesShown(session: string): Promise<LogEntry[]> {
  const waits = async (): Promise<LogEntry[]> =>
    (await waitingEntries().catch((): LogEntry[] => [])).filter(e => e.session === session)
  try {
    const { entries } = await ask<EntriesAnswer>(entriesPath(session))
    return entriesWith(session, entries, await waits())
  } catch (error) {
    // begun without a connection, it is all here
    const mine = await waits()
    if (mine.some(e => e.kind === 'start')) return entriesWith(session, [], mine)
    throw error
  }
}

/** Tallies with what waits here in them. */
export const talliesShown = async (rows: readonly TallyRow[]): Promise<TallyRow[]> =>
  talliesWith(rows, await whatWaits())

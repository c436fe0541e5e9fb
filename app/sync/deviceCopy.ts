import { useLocalStorage } from '@vueuse/core'
import type { SpreadSummary } from '#schemas/spread'
import { ask as askFor } from './api'
import { keptAnswer } from './copies'
import { entriesPath, SESSIONS_PATH, type SessionsAnswer } from './logCopy'

/** What every view stands on, besides what hangs on a spread or a session. */
const PATHS = [
  '/api/box',
  ...['spot', 'trip', 'bath', 'fish', 'tide', 'knotTest'].map(kind => `/api/documents/${kind}`),
] as const
const LOG_PATHS = ['/api/log/evidence', '/api/log/totals'] as const

const ask = <T>(path: string): Promise<T> => askFor<T>(path, 'GET', undefined, { fresh: true })
/** when all of it was last taken along, ms since 1970; 0 where it never was */
export const takenAlongAt = useLocalStorage('dunecrest.takenAlong', 0)

/**
 * Takes along a copy of all that views need where there is no server; what is here already and did not change is not
 * asked for again.
 * @throws ServerRefusal where the server does not answer meanwhile
 */
export async function takeAlong(): Promise<void> {
  for (const path of PATHS) await ask(path)
  const { spreads } = await ask<{ spreads: SpreadSummary[] }>('/api/spreads')
  for (const { id, revision } of spreads) {
    const here = await keptAnswer<{ revision: number }>(`/api/spreads/${id}`)
    if (here?.answer.revision !== revision) await ask(`/api/spreads/${id}`)
  }
  await takeLogAlong()
  takenAlongAt.value = Date.now()
}

/**
 * The same of the log alone: what it comes to, its latest sessions, and the entries of those that changed.
 * @throws ServerRefusal where the server does not answer meanwhile
 */
export async function takeLogAlong(): Promise<void> {
  for (const path of LOG_PATHS) await ask(path)
  const before = (await keptAnswer<SessionsAnswer>(SESSIONS_PATH))?.answer.sessions ?? []
  const revisions = new Map(before.map(({ session, revision }) => [session, revision]))
  const { sessions } = await ask<SessionsAnswer>(SESSIONS_PATH)
  for (const { session, revision } of sessions) {
    const here = await keptAnswer(entriesPath(session))
    if (!here || revisions.get(session) !== revision) await ask(entriesPath(session))
  }
}

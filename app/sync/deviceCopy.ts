import { useLocalStorage } from '@vueuse/core'
import type { SessionRow } from '#schemas/log'
import type { SpreadSummary } from '#schemas/spread'
import { ask as askFor } from './api'
import { keptAnswer } from './copies'

/** What every view stands on, besides what hangs on a spread or a session. */
const PATHS = [
  '/api/box',
  ...['spot', 'trip', 'bath', 'fish', 'tide', 'knotTest'].map(kind => `/api/documents/${kind}`),
  '/api/log/evidence',
  '/api/log/totals',
] as const
/** Sessions whose entries are taken along, and how many entries of one. */
const SESSIONS = 20
const ENTRIES = 500

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
  const { sessions } = await ask<{ sessions: SessionRow[] }>(`/api/log/sessions?limit=${SESSIONS}&offset=0`)
  for (const { session } of sessions) {
    const path = `/api/log/${session}/entries?limit=${ENTRIES}`
    if (!(await keptAnswer(path))) await ask(path)
  }
  takenAlongAt.value = Date.now()
}

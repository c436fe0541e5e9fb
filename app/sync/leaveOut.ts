import { ask } from './api'
import { kept } from './kept'
import type { CountingRow } from './noted'

/**
 * Leaves a drop or a session of the log out of what is worked out from it, or takes it in again; on this device first
 * where the server cannot be reached.
 * @param path of its kind: /api/log for a drop, /api/log/sessions for a session
 * @throws ServerRefusal
 */
export async function leaveOutOfLog(
  path: '/api/log' | '/api/log/sessions',
  id: string,
  excluded: boolean,
): Promise<void> {
  const row: CountingRow = { id, revision: 0, excluded }
  await kept<CountingRow>(
    path,
    { id, now: () => ({ excluded }) },
    () => row,
    async () => {
      await ask(`${path}/${id}/exclude`, 'PUT', { excluded })
      return row
    },
  )
}

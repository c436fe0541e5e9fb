import type { LogEntry } from '#schemas/log'
import { csvLine } from './dropRecord'

export const LOG_COLUMNS = ['at', 'session', 'kind', 'rod', 'rig', 'place', 'text', 'weight_g', 'drop_depth_m', 'drop_s', 'id'] as const

/** Entries as a table, times in UTC. */
export const logCsv = (entries: readonly LogEntry[]): string => [LOG_COLUMNS.join(','), ...entries.map(e => csvLine([
  e.at, e.session, e.kind, e.rod ?? '', e.rigKey ?? '', e.placeKey ?? '', e.data?.text ?? '', e.data?.weightKg === undefined ? '' : String(Number((1000 * e.data.weightKg).toFixed(3))),
  e.data?.drop ? String(e.data.drop.depthM) : '', e.data?.drop ? String(e.data.drop.seconds) : '', e.id,
])), ''].join('\r\n')

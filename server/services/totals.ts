import type { CountedKind } from '#schemas/ranges'
import type { LogTotals } from '#schemas/log'
import type { StoredDocument } from '#schemas/spot'
import { database } from '../db/client'
import { tideAt } from '../../shared/tide'
import { listDocuments } from '../repositories/documents'
import { allSessions } from '../repositories/log'

type Counts = Partial<Record<CountedKind, number>>
const added = (a: Counts, b: Counts): Counts => {
  const sum: Counts = { ...a }
  for (const [kind, n] of Object.entries(b) as [CountedKind, number][]) sum[kind] = (sum[kind] ?? 0) + n
  return sum
}
/** Rate of rise below which the tide stands, m/s. */
const STANDS_MS = 4e-5

/**
 * What the log comes to by water, by the tide as each session began, and by month; from the sessions' own
 * counts.
 */
export async function logTotals(): Promise<LogTotals> {
  const tides = await listDocuments(database(), 'tide')
  const tideOn = tideAt(tides as readonly StoredDocument<'tide'>[])
  let simulated = 0
  const by: Record<'places' | 'tides' | 'months', Map<string, Counts>> = {
    places: new Map(),
    tides: new Map(),
    months: new Map(),
  }
  for (const { place, fromAt, counts, excluded } of await allSessions(database())) {
    if (excluded || (counts.cast ?? 0) === 0) continue
    const tide = tideOn(fromAt.getTime())
    if (tide.simulated) simulated++
    const rise = tide.riseMS(fromAt.getTime())
    const put = (map: Map<string, Counts>, key: string): void =>
      void map.set(key, added(map.get(key) ?? {}, counts))
    put(by.places, place || 'somewhere')
    put(by.tides, Math.abs(rise) < STANDS_MS ? 'slack' : rise > 0 ? 'flood' : 'ebb')
    put(by.months, fromAt.toISOString().slice(0, 7))
  }
  const rows = (map: Map<string, Counts>) =>
    [...map].map(([name, counts]) => ({ name, counts })).sort((a, b) => a.name.localeCompare(b.name))
  return { places: rows(by.places), tides: rows(by.tides), months: rows(by.months), simulated }
}

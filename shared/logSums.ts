import { COUNTED, type CountedKind } from '#schemas/ranges'
import type { LogEntry, SessionRow, TallyRow } from '#schemas/log'

/** Sums of a log as they are with entries that are not in them yet: pure, on plain rows. */
type Counts = Readonly<Partial<Record<CountedKind, number>>>

const counted: ReadonlySet<string> = new Set(COUNTED)
const isCounted = (kind: LogEntry['kind']): kind is CountedKind => counted.has(kind)

/** Entries that stand: what was taken back is gone, and so is the taking back. */
export function standingOf(log: readonly LogEntry[]): LogEntry[] {
  const gone = new Set(log.flatMap(e => (e.kind === 'void' && e.data?.of ? [e.data.of] : [])))
  return log.filter(e => e.kind !== 'void' && !gone.has(e.id))
}

/** How often each thing was tapped. */
export function countsOf(entries: readonly LogEntry[]): Counts {
  const sum: Partial<Record<CountedKind, number>> = {}
  for (const { kind } of entries) if (isCounted(kind)) sum[kind] = (sum[kind] ?? 0) + 1
  return sum
}

/** What entries make of sums: those that come to them, and those that they take back. */
export interface LogDifference {
  readonly added: readonly LogEntry[]
  readonly taken: readonly LogEntry[]
}

/**
 * What waiting entries change.
 * @param known entries that the sums hold already, as far as they are at hand; those that wait may take them back
 */
export function differenceOf(waiting: readonly LogEntry[], known: readonly LogEntry[]): LogDifference {
  const there = new Set(known.map(e => e.id))
  const gone = new Set(waiting.flatMap(e => (e.kind === 'void' && e.data?.of ? [e.data.of] : [])))
  return {
    added: standingOf(waiting).filter(e => !there.has(e.id)),
    taken: known.filter(e => gone.has(e.id)),
  }
}

const inOrder = (entries: readonly LogEntry[]): LogEntry[] =>
  [...entries].sort((a, b) => a.at.localeCompare(b.at))

/** Entries of one session with those that wait in them: what stands, in the order it was made. */
export function entriesWith(
  session: string,
  known: readonly LogEntry[],
  waiting: readonly LogEntry[],
): LogEntry[] {
  const mine = waiting.filter(e => e.session === session)
  const there = new Set(mine.map(e => e.id))
  return inOrder(standingOf([...known.filter(e => !there.has(e.id)), ...mine]))
}

const summed = (counts: Counts, entries: readonly LogEntry[], sign: 1 | -1): Counts => {
  const sum: Partial<Record<CountedKind, number>> = { ...counts }
  for (const [kind, n] of Object.entries(countsOf(entries)) as [CountedKind, number][])
    sum[kind] = Math.max(0, (sum[kind] ?? 0) + sign * n)
  return sum
}

/**
 * Sessions with what waits in them, the newest first; those that only wait are among them. Drops are no sessions.
 * @param placeOf the place of a session by all its entries, where they are at hand
 */
export function sessionsWith(
  rows: readonly SessionRow[],
  { added, taken }: LogDifference,
  placeOf: (session: string) => string | undefined,
): SessionRow[] {
  const byId = new Map(rows.map(row => [row.session, row]))
  for (const session of new Set([...added, ...taken].map(e => e.session))) {
    const mine = added.filter(e => e.session === session)
    const row = byId.get(session)
    if (!row && mine.every(e => e.kind === 'drop')) continue
    const times = [...mine.map(e => e.at), ...(row ? [row.from, row.to] : [])].sort()
    byId.set(session, {
      session,
      excluded: row?.excluded ?? false,
      revision: row?.revision ?? 0,
      place: placeOf(session) ?? row?.place ?? '',
      from: times[0]!,
      to: times.at(-1)!,
      counts: summed(
        summed(row?.counts ?? {}, mine, 1),
        taken.filter(e => e.session === session),
        -1,
      ),
    })
  }
  return [...byId.values()].sort((a, b) => b.from.localeCompare(a.from))
}

/** The place that a session goes by: the last that its standing entries name. */
export const placeOfSession = (entries: readonly LogEntry[]): string | undefined =>
  inOrder(entries).findLast(e => e.data?.place !== undefined)?.data?.place

/** Tallies by rig and place with what waits in them. */
export function talliesWith(rows: readonly TallyRow[], { added, taken }: LogDifference): TallyRow[] {
  const keyOf = ({ rigKey = '', placeKey = '' }: Pick<LogEntry, 'rigKey' | 'placeKey'>): string =>
    `${rigKey}\n${placeKey}`
  const byKey = new Map(rows.map(row => [keyOf(row), row]))
  const put = (entries: readonly LogEntry[], sign: 1 | -1): void => {
    for (const entry of entries) {
      if (!isCounted(entry.kind) || !entry.rigKey) continue
      const { rigKey, placeKey = '' } = entry
      const row = byKey.get(keyOf(entry)) ?? { rigKey, placeKey, counts: {} }
      byKey.set(keyOf(entry), { ...row, counts: summed(row.counts, [entry], sign) })
    }
  }
  put(added, 1)
  put(taken, -1)
  return [...byKey.values()]
}

import { COUNTED, type CountedKind, type LogEntry } from '#schemas/log'

/** Entries that stand: what was taken back is gone, and so is the taking back. */
export function standingOf(log: readonly LogEntry[]): LogEntry[] {
  const gone = new Set(log.flatMap(e => (e.kind === 'void' && e.data?.of ? [e.data.of] : [])))
  return log.filter(e => e.kind !== 'void' && !gone.has(e.id))
}

type Counts = Partial<Record<CountedKind, number>>
/** How often each thing was tapped. */
export function countsOf(entries: readonly LogEntry[]): Counts {
  const sum: Counts = {}
  for (const { kind } of entries)
    if ((COUNTED as readonly string[]).includes(kind))
      sum[kind as CountedKind] = (sum[kind as CountedKind] ?? 0) + 1
  return sum
}

/** What a session came to. */
export interface BankSummary {
  readonly places: readonly string[]
  readonly minutes: number
  readonly all: Counts
  /** by the letter of a rod, those that were fished */ readonly rods: readonly {
    readonly letter: string
    readonly counts: Counts
  }[]
  readonly notes: readonly string[]
}

export function summaryOf(log: readonly LogEntry[]): BankSummary {
  const standing = standingOf(log)
  const times = standing.map(e => Date.parse(e.at))
  const letters = [...new Set(standing.flatMap(e => e.rod ?? []))].sort()
  return {
    places: [...new Set(standing.flatMap(e => (e.kind === 'start' && e.data?.place ? [e.data.place] : [])))],
    minutes: times.length > 1 ? Math.round((Math.max(...times) - Math.min(...times)) / 60_000) : 0,
    all: countsOf(standing),
    rods: letters
      .map(letter => ({ letter, counts: countsOf(standing.filter(e => e.rod === letter)) }))
      .filter(({ counts }) => Object.keys(counts).length > 0),
    notes: standing.flatMap(e => (e.kind === 'note' && e.data?.text ? [e.data.text] : [])),
  }
}

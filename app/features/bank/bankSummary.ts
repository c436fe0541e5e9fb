import type { CountedKind } from '#schemas/ranges'
import type { LogEntry } from '#schemas/log'
import { countsOf, standingOf } from '../../../shared/logSums'

type Counts = Readonly<Partial<Record<CountedKind, number>>>
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

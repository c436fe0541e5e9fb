import { expect, it } from 'vitest'
import type { LogKind } from '#schemas/ranges'
import type { LogEntry } from '#schemas/log'
import { countsOf, standingOf } from '../../../shared/logSums'
import { summaryOf } from './bankSummary'

let n = 0
const entry = (kind: LogKind, minute: number, more: Partial<LogEntry> = {}): LogEntry => ({
  id: `e${n++}`,
  session: 's',
  at: new Date(Date.UTC(2026, 10, 28, 8, minute)).toISOString(),
  kind,
  ...more,
})

it('a session comes to what stands of it, by rod, with its places, its time and its notes', () => {
  const wrong = entry('bite', 20, { rod: 'A' })
  const log = [
    entry('start', 0, { data: { place: 'Mussel edge' } }),
    entry('rod', 0, { rod: 'A' }),
    entry('cast', 2, { rod: 'A' }),
    entry('cast', 5, { rod: 'A' }),
    entry('snag', 6, { rod: 'A' }),
    wrong,
    entry('void', 21, { data: { of: wrong.id } }),
    entry('start', 30, { data: { place: 'Heron point' } }),
    entry('cast', 40, { rod: 'C' }),
    entry('hooked', 41, { rod: 'C' }),
    entry('note', 45, { data: { text: 'bass on the edge' } }),
  ]
  expect(standingOf(log).map(e => e.kind)).not.toContain('bite')
  expect(countsOf(standingOf(log))).toEqual({ cast: 3, snag: 1, hooked: 1 })
  expect(summaryOf(log)).toEqual({
    places: ['Mussel edge', 'Heron point'],
    minutes: 45,
    all: { cast: 3, snag: 1, hooked: 1 },
    rods: [
      { letter: 'A', counts: { cast: 2, snag: 1 } },
      { letter: 'C', counts: { cast: 1, hooked: 1 } },
    ],
    notes: ['bass on the edge'],
  })
  expect(summaryOf([])).toEqual({ places: [], minutes: 0, all: {}, rods: [], notes: [] })
})

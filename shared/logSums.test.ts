import { describe, expect, it } from 'vitest'
import type { LogKind } from '#schemas/ranges'
import type { LogEntry, SessionRow } from '#schemas/log'
import { differenceOf, entriesWith, placeOfSession, sessionsWith, standingOf, talliesWith } from './logSums'

let n = 0
const entry = (kind: LogKind, minute: number, more: Partial<LogEntry> = {}): LogEntry => ({
  id: `e${n++}`,
  session: 's',
  at: new Date(Date.UTC(2026, 10, 28, 8, minute)).toISOString(),
  kind,
  ...more,
})
const counted = (kind: LogKind, minute: number): LogEntry =>
  entry(kind, minute, { rod: 'A', rigKey: 'shad|W1', placeKey: 'eelgrass/sand' })
const back = (of: LogEntry): LogEntry => entry('void', 50, { session: of.session, data: { of: of.id } })

const row = (more: Partial<SessionRow> = {}): SessionRow => ({
  session: 's',
  place: 'Mussel edge',
  from: '2026-11-28T08:00:00.000Z',
  to: '2026-11-28T08:30:00.000Z',
  counts: { cast: 3, bite: 1 },
  excluded: false,
  revision: 7,
  ...more,
})

describe('sums of the log with what waits', () => {
  it('count each tap once, whether it waits or is there already', () => {
    const [there, waits] = [counted('cast', 1), counted('cast', 40)]
    const difference = differenceOf([there, waits], [there])
    expect(difference.added).toEqual([waits])
    const [session] = sessionsWith([row()], difference, () => undefined)
    expect(session).toMatchObject({ counts: { cast: 4, bite: 1 }, to: waits.at, place: 'Mussel edge' })
    const tallies = [{ rigKey: 'shad|W1', placeKey: 'eelgrass/sand', counts: { cast: 3 } }]
    expect(talliesWith(tallies, difference)[0]!.counts).toEqual({ cast: 4 })
  })

  it('take off what was there and is taken back here, and leave out what never went', () => {
    const [there, waits] = [counted('bite', 1), counted('snag', 2)]
    const difference = differenceOf([waits, back(waits), back(there)], [there])
    expect(difference).toEqual({ added: [], taken: [there] })
    expect(sessionsWith([row()], difference, () => undefined)[0]!.counts).toEqual({ cast: 3, bite: 0 })
    const tallies = [{ rigKey: 'shad|W1', placeKey: 'eelgrass/sand', counts: { bite: 2, cast: 9 } }]
    expect(talliesWith(tallies, difference)[0]!.counts).toEqual({ bite: 1, cast: 9 })
  })

  it('hold a session that is only here, the newest first; a timed drop is none', () => {
    const started = entry('start', 45, { session: 'new', data: { place: 'Heron point' } })
    const drop = entry('drop', 46, { session: 'bucket' })
    const rows = sessionsWith([row()], differenceOf([started, drop], []), () => 'Heron point')
    expect(rows.map(r => [r.session, r.place])).toEqual([
      ['new', 'Heron point'],
      ['s', 'Mussel edge'],
    ])
  })

  it('go by the place that was said last, also where an earlier one was put right', () => {
    const [first, second] = ['Flat', 'Point'].map((place, i) => entry('start', 10 * i, { data: { place } }))
    const anew = { ...first!, id: 'anew', data: { place: 'Far flat' } }
    const shown = entriesWith('s', [first!, second!], [back(first!), anew, counted('cast', 5)])
    expect(shown.map(e => e.data?.place ?? e.kind)).toEqual(['Far flat', 'cast', 'Point'])
    expect(placeOfSession(shown)).toBe('Point')
    expect(placeOfSession(standingOf([...shown, back(second!)]))).toBe('Far flat')
  })
})

import { expect, it } from 'vitest'
import { tripCalendar } from './calendar'

it('a line break in a name begins no line of the calendar', () => {
  const text = tripCalendar(
    'Sat\r\nBEGIN:VEVENT',
    [{ name: 'Flat\nATTENDEE:x\rDTSTART:1', from: 0, to: 3_600_000 }],
    {
      changes: [],
      turns: [],
      moments: [],
      hand: [],
      rods: [],
      countdowns: [],
      tide: { name: 'coast', simulated: true },
    },
    'metric',
  )
  const lines = text.split(/\r\n|\n|\r/)
  expect(lines.filter(l => l.startsWith('BEGIN:VEVENT'))).toHaveLength(1)
  expect(lines.filter(l => /^(ATTENDEE|DTSTART:1$)/.test(l))).toEqual([])
})

it('a stop names what is in hand there, at which weight, and how far to count, in the units asked for', () => {
  const at = Date.UTC(2026, 10, 28, 7)
  const plan = {
    changes: [],
    turns: [],
    moments: [0, 1].map(n => ({ at: at + n * 1_800_000, stop: 0 })),
    hand: [
      { moment: 0, rod: 0, weightKg: 0.005, share: 1 },
      { moment: 1, rod: 0, weightKg: 0.01, share: 1 },
    ],
    rods: [{ finalist: { rig: { family: 'L4' } } }],
    countdowns: [{ rod: 0, weightKg: 0.01, bottomS: 6.2, depthM: 7.5, seconds: [], basis: 'computed' }],
  } as unknown as Parameters<typeof tripCalendar>[2]
  const written = (system: 'metric' | 'imperial'): string =>
    tripCalendar('Sat', [{ name: 'Hole', from: at, to: at + 3_600_000 }], plan, system).replaceAll(
      '\r\n ',
      '',
    )
  expect(written('metric')).toContain('SUMMARY:Hole: A\\, dropper below\\, 5 g')
  expect(written('metric')).toMatch(/A\\, dropper below\\, 10 g\\; count 6 to the bottom in 7\.5 m/)
  expect(written('imperial')).toMatch(/count 6 to the bottom in 24\.6 ft/)
})

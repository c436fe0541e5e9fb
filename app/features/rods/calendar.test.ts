import { expect, it } from 'vitest'
import { tripCalendar } from './calendar'

it('a line break in a name begins no line of the calendar', () => {
  const text = tripCalendar(
    'Sat\r\nBEGIN:VEVENT',
    [{ name: 'Flat\nATTENDEE:x\rDTSTART:1', from: 0, to: 3_600_000 }],
    { changes: [], turns: [] },
    'metric',
  )
  const lines = text.split(/\r\n|\n|\r/)
  expect(lines.filter(l => l.startsWith('BEGIN:VEVENT'))).toHaveLength(1)
  expect(lines.filter(l => /^(ATTENDEE|DTSTART:1$)/.test(l))).toEqual([])
})

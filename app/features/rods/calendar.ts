import ical from 'ical-generator'
import { changeText } from '#words/tripWords'
import { UNITS, withUnit, type UnitSystem } from '#words/units'
import type { TripAnswer } from '~/compute/trip'

/** The plan of a trip as iCalendar: one event for each stop, one for each change. Times in UTC. */
export function tripCalendar(
  name: string,
  stops: readonly { readonly name: string; readonly from: number; readonly to: number }[],
  { changes, turns }: Pick<TripAnswer, 'changes' | 'turns'>,
  system: UnitSystem,
): string {
  // a line break in a name would begin a line of the calendar's own
  const line = (text: string): string => text.replace(/\p{Cc}+/gu, ' ')
  const calendar = ical({
    name: line(`Dunecrest: ${name}`),
    prodId: { company: 'dunecrest', product: 'trip plan', language: 'EN' },
  })
  for (const stop of stops)
    calendar.createEvent({
      id: `stop-${stop.from}@dunecrest`,
      start: new Date(stop.from),
      end: new Date(stop.to),
      summary: line(stop.name),
      description: turns
        .filter(t => t.at >= stop.from && t.at <= stop.to)
        .map(
          t =>
            `${t.high ? 'High' : 'Low'} water ${new Date(t.at).toISOString().slice(11, 16)} UTC, ${withUnit(t.heightM, { ...UNITS[system].depth, decimals: 1 })} (simulated)`,
        )
        .join('\n'),
    })
  for (const change of changes)
    if (change.kind !== 'stop')
      calendar.createEvent({
        id: `change-${change.at}@dunecrest`,
        start: new Date(change.at),
        end: new Date(change.at + 300_000),
        summary: line(changeText(change, system)),
      })
  return calendar.toString()
}

import ical from 'ical-generator'
import { changeText } from '#words/tripWords'
import { LETTERS } from '#schemas/ranges'
import { rigWords } from '#words/pickWords'
import { UNITS, weightText, withUnit, type UnitSystem } from '#words/units'
import { clockText } from './clock'
import { runsOf, type Run } from './runs'
import type { TripAnswer } from '~/compute/trip'

/**
 * The plan of a trip as iCalendar: one event for each stop, with what is in hand there and how far to count, and one
 * for each change. Times in UTC, but for those told in words: they are by the clock of this device.
 */
export function tripCalendar(
  name: string,
  stops: readonly { readonly name: string; readonly from: number; readonly to: number }[],
  plan: Pick<TripAnswer, 'changes' | 'turns' | 'moments' | 'hand' | 'rods' | 'countdowns' | 'tide'>,
  system: UnitSystem,
): string {
  const { changes, turns } = plan
  const runs = runsOf(plan)
  // a line break in a name would begin a line of the calendar's own
  const line = (text: string): string => text.replace(/\p{Cc}+/gu, ' ')
  const calendar = ical({
    name: line(`Dunecrest: ${name}`),
    prodId: { company: 'dunecrest', product: 'trip plan', language: 'EN' },
  })
  for (const stop of stops) {
    const inHand = runs.filter(r => r.from < stop.to && r.to > stop.from)
    calendar.createEvent({
      id: `stop-${stop.from}@dunecrest`,
      start: new Date(stop.from),
      end: new Date(stop.to),
      summary: line([stop.name, ...inHand.slice(0, 1).map(run => rodText(plan, run, system))].join(': ')),
      description: [
        ...inHand.map(
          run => `${clockText(run.from)} ${rodText(plan, run, system)}${countText(plan, run, system)}`,
        ),
        ...turns
          .filter(t => t.at >= stop.from && t.at <= stop.to)
          .map(
            t =>
              `${t.high ? 'High' : 'Low'} water ${new Date(t.at).toISOString().slice(11, 16)} UTC, ${depthText(t.heightM, system)}${plan.tide.simulated ? ' (simulated)' : ''}`,
          ),
      ].join('\n'),
    })
  }
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

const depthText = (m: number, system: UnitSystem): string =>
  withUnit(m, { ...UNITS[system].depth, decimals: 1 })

/** "A, dropper below, 5 g". */
function rodText({ rods }: Pick<TripAnswer, 'rods'>, { rod, weightKg }: Run, system: UnitSystem): string {
  const weight = weightKg > 0 ? weightText(weightKg, system) : 'no weight'
  const tied = rods[rod]
  return [LETTERS[rod], ...(tied ? [rigWords(tied.finalist.rig)] : []), weight].join(', ')
}

/** "; count 6 to the bottom in 7.5 m", where the fall was worked out. */
function countText(
  { countdowns }: Pick<TripAnswer, 'countdowns'>,
  { rod, weightKg }: Run,
  system: UnitSystem,
): string {
  const count = countdowns.find(c => c.rod === rod && c.weightKg === weightKg)
  return count
    ? `; count ${Math.round(count.bottomS)} to the bottom in ${depthText(count.depthM, system)}`
    : ''
}

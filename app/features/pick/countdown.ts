import { secondsTo, zoneOf, type Day, type RigReport } from '#core'

/** Whole seconds to count from the splash: to where the fish begin, and to the bottom. */
export const countTo = (
  { fall: { drop, timeS } }: RigReport,
  day: Day,
): { readonly zone: number; readonly bottom: number } => ({
  zone: Math.round(secondsTo(drop, zoneOf(day).fromM)),
  bottom: Math.round(timeS.value),
})

/** A time of day by the clock of this device, "07:30". */
export const clockText = (at: number): string =>
  new Date(at).toLocaleTimeString('en-GB', { hour: '2-digit', minute: '2-digit' })
/** Hours as typed, "7:30", as a number; undefined when it is none. */
export function hoursOf(text: string): number | undefined {
  const found = /^(\d{1,2})(?::(\d{2}))?$/.exec(text.trim())
  const hours = found ? Number(found[1]) + Number(found[2] ?? 0) / 60 : NaN
  return hours >= 0 && hours <= 24 ? hours : undefined
}
export const hoursText = (hours: number): string =>
  `${String(Math.floor(hours)).padStart(2, '0')}:${String(Math.round((hours % 1) * 60)).padStart(2, '0')}`

import type { Measure, RigReport } from '#core'

/** A rig as the trade sees it: bites hooked, time left, and what is lost on the way, an hour. */
export interface Trader { readonly letter: string, readonly hookUp: Measure, readonly minutesLeft: Measure, readonly rigsLost: number }

export const traderOf = (letter: string, { strike, snag }: RigReport): Trader =>
  ({ letter, hookUp: strike.hookUp, minutesLeft: snag.minutesLeft, rigsLost: snag.hour.rigsLost + snag.hour.hooksOpened })

/** Fish hooked in an hour, less what lost rigs are worth in fish; with the range that hook-up and time left leave. */
export function netPerHour({ hookUp, minutesLeft, rigsLost }: Trader, bitesPerHour: number, rigWorth: number): Measure {
  const at = (h: number, m: number): number => bitesPerHour * (m / 60) * h - rigWorth * rigsLost
  return { value: at(hookUp.value, minutesLeft.value), low: at(hookUp.low, minutesLeft.low), high: at(hookUp.high, minutesLeft.high), basis: 'computed' }
}

/** Who comes out best, and who cannot be told from it. */
export function bestTraders(traders: readonly Trader[], bitesPerHour: number, rigWorth: number): { readonly best: readonly string[], readonly nets: ReadonlyMap<string, Measure> } {
  const nets = new Map(traders.map(t => [t.letter, netPerHour(t, bitesPerHour, rigWorth)] as const))
  const top = [...nets].sort((a, b) => b[1].value - a[1].value)[0]
  if (!top) return { best: [], nets }
  return { best: [...nets].filter(([, m]) => m.high >= top[1].low).map(([letter]) => letter), nets }
}

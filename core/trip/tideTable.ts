import type { TideSource, Turn } from './tide'

/** A row of a tide table: a turn of the tide. */
export type TableTurn = Pick<Turn, 'at' | 'heightM'>

const HOUR_MS = 3_600_000

/**
 * The tide of a printed table: between one high or low water and the next the level goes as half a cosine, as
 * tables themselves tell to interpolate (Admiralty method without a curve of the port; exact for one constituent).
 * Beyond its first and last row it stands still: `coversMs` says how far it reaches.
 * @param turns in order of time, two at least
 * @throws RangeError when there are fewer, or they are out of order
 */
export function tableTide(name: string, turns: readonly TableTurn[]): TideSource {
  if (turns.length < 2) throw new RangeError('tableTide: a table needs two turns of the tide at least')
  for (let i = 1; i < turns.length; i++)
    if (!(turns[i]!.at > turns[i - 1]!.at))
      throw new RangeError('tableTide: the rows are not in order of time')
  const [first, last] = [turns[0]!, turns[turns.length - 1]!]
  /** The turn before a time, and how far it is to the next, 0..1. */
  const within = (at: number): readonly [TableTurn, TableTurn, number] | undefined => {
    if (at < first.at || at > last.at) return undefined
    let i = 0
    while (i < turns.length - 2 && turns[i + 1]!.at <= at) i++
    const [a, b] = [turns[i]!, turns[i + 1]!]
    return [a, b, (at - a.at) / (b.at - a.at)]
  }
  return {
    name,
    simulated: false,
    coversMs: [first.at, last.at],
    meanRiseMS: meanRise(turns),
    heightM: at => {
      const found = within(at)
      if (!found) return at < first.at ? first.heightM : last.heightM
      const [a, b, t] = found
      return a.heightM + ((b.heightM - a.heightM) * (1 - Math.cos(Math.PI * t))) / 2
    },
    riseMS: at => {
      const found = within(at)
      if (!found) return 0
      const [a, b, t] = found
      return ((b.heightM - a.heightM) * Math.PI * Math.sin(Math.PI * t)) / (2 * ((b.at - a.at) / 1000))
    },
  }
}

/** Strongest rate of rise of the table's mean range, m/s. */
function meanRise(turns: readonly TableTurn[]): number {
  let ranges = 0
  for (let i = 1; i < turns.length; i++) ranges += Math.abs(turns[i]!.heightM - turns[i - 1]!.heightM)
  const steps = turns.length - 1
  const halfS = (turns[turns.length - 1]!.at - turns[0]!.at) / 1000 / steps
  return Math.max(LEAST_RISE_MS, (Math.PI * (ranges / steps)) / 2 / halfS)
}
/** So that a table of no range divides nothing by nothing, m/s. */
const LEAST_RISE_MS = 1e-9

/** Longest time between two turns that a table of highs and lows has; longer, a row is missing. */
const LONGEST_MS = 14 * HOUR_MS

/** Rows after which one is missing, and rows that are no turn: higher than the one before and lower than the next, or the other way. */
export function oddRows(turns: readonly TableTurn[]): {
  readonly gaps: number[]
  readonly between: number[]
} {
  const gaps: number[] = []
  const between: number[] = []
  for (let i = 1; i < turns.length; i++) {
    const [a, b, c] = [turns[i - 1]!, turns[i]!, turns[i + 1]]
    if (b.at - a.at > LONGEST_MS) gaps.push(i)
    if (c && (b.heightM - a.heightM) * (c.heightM - b.heightM) > 0) between.push(i)
  }
  return { gaps, between }
}

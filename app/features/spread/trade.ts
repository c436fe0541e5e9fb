import { measureOf, meanOf, shareOf, utilityOf, type Measure, type RigMembers, type RigReport } from '#core'

/**
 * A rig as the trade sees it: bites hooked, time left, and what is lost on the way, an hour; at the middle
 * and in every member.
 */
export interface Trader {
  readonly letter: string
  readonly hookUp: Measure
  readonly minutesLeft: Measure
  readonly rigsLost: number
  readonly members: RigMembers
}

export const traderOf = (letter: string, { strike, snag, members }: RigReport): Trader => ({
  letter,
  hookUp: strike.hookUp,
  minutesLeft: snag.minutesLeft,
  rigsLost: snag.hour.rigsLost + snag.hour.hooksOpened,
  members,
})

/** What a rig nets an hour, and in which part of the members none nets more. */
export interface Traded {
  readonly letter: string
  readonly net: Measure
  readonly pBest: number
}

/** Every rig's net, compared member by member: the one with the greatest on average first. */
export function tradedOf(traders: readonly Trader[], bitesPerHour: number, rigWorth: number): Traded[] {
  const nets = traders.map(t => utilityOf(t.members, { id: 'catch', bitesPerHour, rigWorth }))
  const best = nets[0]?.map((_, m) => Math.max(...nets.map(n => n[m]!)))
  return traders
    .map(({ letter }, i): Traded => ({
      letter,
      net: measureOf(meanOf(nets[i]!), nets[i]!),
      pBest: shareOf(best!.length, m => nets[i]![m]! >= best![m]!),
    }))
    .sort((a, b) => b.net.value - a.net.value)
}

import { radToDeg, type OnTopPick, type OnTopReport } from '#core'
import { fromTo, percentText, smallText, UNITS, withUnit, type UnitSystem } from './units'

const leanWords = (rollRad: number): string => {
  const roll = Math.abs(radToDeg(rollRad))
  return roll <= 25 ? 'back up' : roll <= 65 ? 'leaning' : roll <= 115 ? 'on its side' : 'belly up'
}
const pointWords = (point: OnTopReport['point']): string =>
  `point ${point === 'side' ? 'to the side' : point}`

/** How a floating rig sits, in words. */
export function sitsWords({ sits, point }: OnTopReport): string {
  const pitch = radToDeg(sits.pitchRad)
  const nose =
    Math.abs(pitch) > 60
      ? pitch < 0
        ? 'stands tail up'
        : 'stands nose up'
      : pitch < -8
        ? 'nose down'
        : pitch > 8
          ? 'tail down'
          : 'level'
  return `${nose}, ${leanWords(sits.rollRad)}, ${pointWords(point)}`
}

/** How it lies on leaves or matted weed and drops into their holes; nothing where there are none. */
export function raftWords({ raft }: OnTopReport, system: UnitSystem): string | undefined {
  if (!raft) return undefined
  const { length } = UNITS[system]
  const hole = (m: number, share: number): string => `${withUnit(m, length)} (${percentText(share)} of them)`
  return [
    raft.carried
      ? `Carried, it lies ${leanWords(raft.rollRad)}, ${pointWords(raft.point)}.`
      : `What lies there goes under with it (${smallText(raft.dipM, system)}).`,
    `Worked slowly its nose drops into holes from ${hole(raft.noseInM, raft.noseInShare)}; stopped, all of it into those from ${hole(raft.wholeInM, raft.wholeInShare)}. How large they are is assumed.`,
  ].join(' ')
}

/** How it is worked on the surface. */
export function workedWords(report: OnTopReport, system: UnitSystem): string {
  const { speed } = UNITS[system]
  const drift = report.driftMS
    ? ` Left lying the wind takes it along at ${withUnit(report.driftMS.value, speed)} (${fromTo(speed.from(report.driftMS.low), speed.from(report.driftMS.high), speed.decimals)}).`
    : ''
  const sink = report.maySink ? ' Plastic as dense as this kind may be would sink on it.' : ''
  return `Leaves a wake from ${withUnit(report.wakesMS, speed)}, buzzes from ${withUnit(report.buzzesMS, speed)}; pause it in the holes.${drift}${sink}`
}

/** "15 mm deep, 95 % under". */
export const draftWords = ({ sits }: OnTopReport, system: UnitSystem): string =>
  `${smallText(sits.draftM, system)} of it under, ${smallText(sits.freeboardM, system)} out`

/** Why a rig is fished on top here, and what it costs. */
export const onTopReason = ({ shares }: Pick<OnTopPick, 'shares'>): string =>
  `It rides over what a sunk bait meets below; of the fish that are there ${percentText(shares.rise)} come up for it.`

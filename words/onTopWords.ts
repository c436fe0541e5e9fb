import { radToDeg, type OnTopPick, type OnTopReport } from '#core'
import { fromTo, percentText, smallText, UNITS, withUnit, type UnitSystem } from './units'

/** How a floating rig sits, in words. */
export function sitsWords({ sits, point }: OnTopReport): string {
  const pitch = radToDeg(sits.pitchRad)
  const roll = Math.abs(radToDeg(sits.rollRad))
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
  const lies = roll <= 25 ? 'back up' : roll <= 65 ? 'leaning' : roll <= 115 ? 'on its side' : 'belly up'
  return `${nose}, ${lies}, point ${point === 'side' ? 'to the side' : point}`
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

import type { Leader, LeaderReason } from '#core'
import { percentText, smallText, UNITS, withUnit, type UnitSystem } from './units'

const MATERIALS: Readonly<Record<Exclude<Leader['material'], 'none'>, string>> = {
  wire: 'knotable wire',
  braid: 'braid',
  fluorocarbon: 'fluorocarbon',
  mono: 'mono',
}

/** Why a leader is tied, in a clause. */
function reasonWords(reason: LeaderReason): string {
  switch (reason.id) {
    case 'abrasion':
      return `${reason.on} and the like rub the line about ${Math.max(1, Math.round(reason.rubs))} ${reason.rubs < 1.5 ? 'time' : 'times'} a fish, which leaves ${percentText(reason.leftShare)} of a bare line's strength`
    case 'teeth':
      return reason.teeth === 'cutting'
        ? `teeth of ${reason.fish} cut any line; some tie the thickest fluorocarbon instead, look it over after every fish, and lose some`
        : `teeth of ${reason.fish} rasp a thin line through`
    case 'clarity':
      return 'braid shows in clear water (custom)'
    case 'none':
      return 'nothing here cuts or frays this line'
  }
}

/** What to tie between line and rig, and why, in sentences. */
export function leaderText(leader: Leader, system: UnitSystem): string {
  const { material, diameterM, lengthM, strengthN, reasons, leftShare, dragShare, hookFirst } = leader
  const why = reasons.map(reasonWords).join('; ')
  if (material === 'none') return `No leader: ${why}.`
  const { depth, fine, lineStrength } = UNITS[system]
  const length = lengthM < 1 ? smallText(lengthM, system) : withUnit(lengthM, { ...depth, decimals: 1 })
  const keeps =
    material === 'wire' || leftShare > 0.97
      ? ''
      : ` A fish's rubbing leaves it ${percentText(leftShare)}: cut it back then.`
  const drags =
    dragShare > 0.1
      ? // terminal speed goes with one over the root of the side held, were all of it held broadside
        ` Thicker than the line, it adds ${percentText(dragShare)} to the side that the water holds: a fall takes up to ${percentText(Math.sqrt(1 + dragShare) - 1)} longer.`
      : ''
  const opens = hookFirst ? ' The hook opens before it breaks.' : ' It breaks before the hook opens.'
  return `Leader: ${length} of ${MATERIALS[material]}, ${withUnit(diameterM, fine)}, ${withUnit(strengthN, lineStrength)}: ${why}.${keeps}${drags}${opens}`
}

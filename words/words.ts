import {
  radToDeg,
  type Basis,
  type BentFailure,
  type FallResult,
  type LossId,
  type Measure,
  type Quiver,
  type Rest,
  type RigReport,
  type DropFailure,
} from '#core'
import { withUnit, type Unit, smallText, type UnitSystem } from './units'

/** Plain words for what the core computes. */
export const LOSS_WORDS: Readonly<Record<LossId, string>> = {
  tailNip: 'tail nips',
  letGo: 'let go too soon',
  notReached: 'point stays covered',
  noBite: 'no gap left to bite',
  noForce: 'set too weak',
  opens: 'hook opens',
}

/** What has come right where a bite gets past each of these. */
export const PASSED_WORDS: Readonly<Record<LossId, string>> = {
  tailNip: 'not on the tail',
  letGo: 'held to the set',
  notReached: 'point clear',
  noBite: 'gap for a jaw',
  noForce: 'gone in',
  opens: 'hook held',
}

export const DOUBT_WORDS = {
  crossDrag: 'drag across the body',
  axialDrag: 'drag along the body',
  eta: 'the turning moment of the flow',
  etaRoll: 'the rolling moment of the flow',
  tailLift: 'lift of the tail',
  vortexSide: 'lopsided shedding on a crooked bait',
  lineBow: 'bow in the line',
  density: 'density of the plastic',
  hookPlace: 'where the hook is laid, within 2 mm',
  bending: 'how the bait bends',
  bendingLoss: 'how quickly its bending dies away',
  lineDrag: 'drag of the line across itself',
  fingerPull: 'how hard the finger holds the line',
  start: 'how it is let go',
} as const

/** The same in a word or two, for tables. */
export const DOUBT_SHORT: Readonly<Record<keyof typeof DOUBT_WORDS, string>> = {
  crossDrag: 'cross drag',
  axialDrag: 'axial drag',
  eta: 'turning moment',
  etaRoll: 'rolling moment',
  tailLift: 'tail lift',
  vortexSide: 'lopsided flow',
  lineBow: 'bow in the line',
  density: 'density',
  hookPlace: 'hook place',
  bending: 'bending',
  bendingLoss: 'loss in bending',
  lineDrag: 'line drag',
  fingerPull: 'finger on the line',
  start: 'the start',
}

/** Small marks for where a figure comes from. */
export const BASIS_MARKS: Readonly<Record<Basis, string>> = { computed: '◇', measured: '◆', logged: '▤' }

export const POINT_WORDS = {
  open: 'open',
  flush: 'flush on the back',
  skin: 'just under the skin',
  buried: 'buried',
} as const

/** "near level, upright", from mean pitch, roll and swing of a fall. */
export function postureWords({ fall }: RigReport): string {
  const pitch = radToDeg(fall.pitchRad.value)
  const steep = pitch < -60
  const nose = pitch < -45 ? 'nose first' : pitch < -20 ? 'nose down' : pitch <= 20 ? 'near level' : 'nose up'
  const swings = radToDeg(fall.summary.pitchSwingRad) > 5 ? ', swings' : ''
  return `${nose}, ${rollWords(radToDeg(fall.rollRad.value), steep)}${swings}`
}

function rollWords(roll: number, steep: boolean): string {
  if (roll <= 20) return 'upright'
  if (steep) return 'rolls over'
  return roll <= 60 ? 'leans' : roll <= 120 ? 'on its side' : 'belly up'
}

/** Why a drop gives no figures; where it was left hanging, how deep that is. */
export function stoppedText(
  { code, message, depthM }: { code: DropFailure; message: string; depthM?: number },
  depth: Unit,
): string {
  if (code !== 'hangs' || depthM === undefined) return message
  return `Hangs on the line at ${withUnit(depthM, depth)}: it never reaches the bottom. Give line, stand farther off, or take more weight.`
}

/**
 * What is to be known of rigs whose plastic bends in the tank: that the sheet takes them as stiff, and which are so
 * here too.
 */
export function notBentText(
  stiff: readonly { readonly letter: string; readonly code: BentFailure }[],
): string {
  const of = (codes: readonly BentFailure[]): string =>
    stiff
      .filter(({ code }) => codes.includes(code))
      .map(({ letter }) => letter)
      .join(', ')
  const said = (letters: string, why: string): string[] => (letters ? [`${letters}: ${why}.`] : [])
  return [
    'Drawn as they bend; what does not say “bends” the sheet takes as one stiff body: it falls alike.',
    ...said(of(['stiff']), 'the hook holds all of it stiff'),
    ...said(of(['unstable', 'timeLimit', 'hangs']), 'it could not be bent, drawn stiff'),
  ].join(' ')
}

/** "1 in 38" for a rare thing, a percentage for a common one. */
export function oddsText(chance: Measure): { readonly value: string; readonly unit: string } {
  if (chance.value < 0.0005) return { value: '< 1 in 2000', unit: 'casts' }
  if (chance.value < 0.25) return { value: `1 in ${Math.round(1 / chance.value)}`, unit: 'casts' }
  return { value: `${Math.round(100 * chance.value)}`, unit: '% of casts' }
}

/** "stands, point to the side": how a rig comes to lie on the bottom. */
export function restWords({ posture, point, pitchRad, sunkM }: Rest, system: UnitSystem): string {
  const end = posture === 'stands' || posture === 'hangs' ? (pitchRad < 0 ? ', tail up' : ', nose up') : ''
  const sunk = sunkM >= 0.003 ? `, ${smallText(sunkM, system)} into the mud` : ''
  return `${posture}${end}, point ${point === 'side' ? 'to the side' : point}${sunk}`
}

/** "31° nose down", "level": how a rig lies in the water. */
export function slopeText(pitchRad: number): string {
  const degrees = Math.round(radToDeg(pitchRad))
  return degrees === 0 ? 'level' : `${Math.abs(degrees)}° nose ${degrees < 0 ? 'down' : 'up'}`
}

/** How far a bait is bent between nose and tail, where that is to be seen; nothing where it is not. */
export function foldText(foldRad: number): string {
  const degrees = Math.round(radToDeg(foldRad))
  return degrees < 3 ? '' : `its ends ${degrees}° apart`
}

/** "quivers 3.7 times a second by 0.4 mm" */
export const quiverText = ({ hz, swingM }: Quiver, system: UnitSystem): string =>
  `quivers ${hz.toFixed(hz < 9.95 ? 1 : 0)} times a second by ${smallText(swingM, system)}`

/** Seconds of a fall, to a tenth while they are few. */
export const secondsText = (s: number): string => (s < 9.95 ? s.toFixed(1) : String(Math.round(s)))

/** What the range of a fall leaves out, in sentences; nothing where it leaves out nothing. */
export function fallLimits({
  mayFloat,
  unresolved,
  bending,
}: Pick<FallResult, 'mayFloat' | 'unresolved' | 'bending'>): string {
  const floats = mayFloat
    ? ' With the lightest plastic of this kind it would float; the range is of those that sink.'
    : ''
  const open =
    unresolved.length > 0
      ? ` Not in the range, as it could not be worked out: ${unresolved.map(id => DOUBT_WORDS[id]).join(', ')}.`
      : ''
  const limp = !bending
    ? ''
    : bending.rodS === undefined
      ? ' It is reckoned as a stiff rod, and so long and thin a bait bends as it falls: the range is wider for it.'
      : ` It is reckoned as it bends; a stiff rod would take ${secondsText(bending.rodS)} s.`
  return floats + open + limp
}

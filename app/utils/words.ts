import { radToDeg } from '#catalogue'
import type { LossId, Measure, Rest, RigReport } from '#core'
import type { Letter } from '#schemas/spread'
import type { LaneOutcome } from '~/workers/protocol'

/** Plain words for what the core computes. */
export const LOSS_WORDS: Readonly<Record<LossId, string>> = {
  tailNip: 'tail nips', notReached: 'point stays covered', noBite: 'no gap left to bite', noForce: 'set too weak', opens: 'hook opens',
}

export const DOUBT_WORDS = {
  crossDrag: 'drag across the body', axialDrag: 'drag along the body', eta: 'the turning moment of the flow', etaRoll: 'the rolling moment of the flow',
  lineBow: 'bow in the line', density: 'density of the plastic',
} as const

/** The same in a word or two, for tables. */
export const DOUBT_SHORT: Readonly<Record<keyof typeof DOUBT_WORDS, string>> = {
  crossDrag: 'cross drag', axialDrag: 'axial drag', eta: 'turning moment', etaRoll: 'rolling moment', lineBow: 'bow in the line', density: 'density',
}

export const POINT_WORDS = { open: 'open', flush: 'flush on the back', skin: 'skin-hooked', buried: 'buried' } as const

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

/** "1 in 38" for a rare thing, a percentage for a common one. */
export function oddsText(chance: Measure): { readonly value: string, readonly unit: string } {
  if (chance.value < 0.0005) return { value: '< 1 in 2000', unit: 'casts' }
  if (chance.value < 0.25) return { value: `1 in ${Math.round(1 / chance.value)}`, unit: 'casts' }
  return { value: `${Math.round(100 * chance.value)}`, unit: '% of casts' }
}

export const percentText = (share: number): string => `${Math.round(100 * share)} %`

/** "stands, point to the side": how a rig comes to lie on the bottom. */
export function restWords({ posture, point, pitchRad }: Rest): string {
  const end = posture === 'stands' || posture === 'hangs' ? (pitchRad < 0 ? ', tail up' : ', nose up') : ''
  return `${posture}${end}, point ${point === 'side' ? 'to the side' : point}`
}

/** Each drop in a sentence, for those who cannot see it. */
export const summaryOf = (order: readonly Letter[], outcomes: ReadonlyMap<string, LaneOutcome>): string => order.map((letter) => {
  const outcome = outcomes.get(letter)
  if (outcome?.kind !== 'done') return `${letter}: ${outcome?.kind === 'failed' ? outcome.message : 'not dropped.'}`
  const { timeS, glide, rest } = outcome.report.fall
  return `${letter}: down in ${timeS.value.toFixed(1)} seconds, ${postureWords(outcome.report)}, ${glide.value.toFixed(2)} metres sideways per metre; then ${restWords(rest)}.`
}).join(' ')

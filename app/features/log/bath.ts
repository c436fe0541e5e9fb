import {
  asInOpenWater,
  ballSeconds,
  fitsVessel,
  shownAcrossM,
  tapLag,
  wallSlowing,
  waterOf,
  WEIGHT_MATERIALS,
  type BaitSpec,
  type TapLag,
} from '#core'
import type { Unit } from '#words/units'
import type { DropEntry } from '#schemas/log'
import type { BathContent, StoredDocument } from '#schemas/spot'

/** What a bath's ball says: how long it truly falls, and how late the thumb is. */
export interface BathReading {
  readonly ballS: number
  readonly lag: TapLag
}

/** @throws RangeError when the ball does not sink in it, or fills it */
export function readBath({ depthM, acrossM, temperatureC, salinityGKg, ball }: BathContent): BathReading {
  const ballS = ballSeconds(
    ball.massKg,
    WEIGHT_MATERIALS[ball.material].densityKgM3,
    { depthM, acrossM },
    waterOf(temperatureC, salinityGKg),
  )
  return { ballS, lag: tapLag(ball.taps, ballS) }
}

/**
 * A thumb cannot be late by more than this, s: the depth or the ball is another than was put in. *Assumed.*
 */
const LATE_MOST_S = 0.5

/** What the ball says, in sentences. */
export function bathWords({ ball }: BathContent, { ballS, lag }: BathReading): string {
  const falls = `The ball falls for ${ballS.toFixed(2)} s here.`
  if (lag.used === 0)
    return `${falls} Tap its splash and its knock on the bottom five times: it tells how late your thumb is. Until then drops here count as doubtful by ${lag.sdS.toFixed(2)} s.`
  if (Math.abs(lag.lagS) > LATE_MOST_S)
    return `${falls} Your taps say ${(ballS + lag.lagS).toFixed(2)} s: too far off for a thumb. Check the depth, and the ball's weight.`
  const strange = lag.outliers.length > 0 ? ` ${lag.outliers.length} set aside.` : ''
  return `${falls} ${lag.used} of ${ball.taps.length} taps: your thumb is ${Math.abs(lag.lagS).toFixed(2)} s ${lag.lagS >= 0 ? 'late' : 'early'}, give or take ${lag.sdS.toFixed(2)} s. That is taken off every drop here.${strange}`
}

/**
 * A time tapped in a bath as it would be on open water, with what was done to it.
 * @throws RangeError with a sentence when the bait has no room to turn, or nothing is left of the time
 */
export function bathDrop(
  vessel: Unit,
  tappedS: number,
  { name, content }: Pick<StoredDocument<'bath'>, 'name' | 'content'>,
  bait: BaitSpec,
  pitchRad: number,
  thumb: boolean,
): { readonly seconds: number; readonly bath: NonNullable<DropEntry['bath']> } {
  if (!fitsVessel(bait, content))
    throw new RangeError(
      `${name} is too narrow: a bait needs room to turn, ${Math.ceil(vessel.from(bait.lengthM / 0.8))} ${vessel.label} across for this one.`,
    )
  const { lag } = readBath(content)
  if (lag.used > 0 && Math.abs(lag.lagS) > LATE_MOST_S)
    throw new RangeError(
      `${name} is not calibrated: its ball was tapped ${Math.abs(lag.lagS).toFixed(1)} s off. Check its depth and the ball.`,
    )
  const { lagS, sdS } = thumb ? lag : { lagS: 0, sdS: 0 }
  const slowed = wallSlowing(Math.min(shownAcrossM(bait, pitchRad), 0.9 * content.acrossM), content.acrossM)
  return {
    seconds: asInOpenWater(tappedS, { lagS }, slowed),
    bath: { name, tappedS, lagS, lagSdS: sdS, slowed },
  }
}

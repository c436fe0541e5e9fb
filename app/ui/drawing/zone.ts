import { SAMPLE_STRIDE, type Drop } from '#core'
import type { SpreadContent } from '#schemas/spread'
import type { Zone } from './diver'

/** Least height of a feeding zone, m. */
export const LEAST_ZONE_M = 0.1

/** Changes the depth of the water; the feeding zone keeps to what is left, and goes where nothing is. */
export function setDepth(draft: SpreadContent, depthM: number): void {
  draft.water.depthM = depthM
  if (!draft.water.zone) return
  const toM = Math.min(draft.water.zone.toM, depthM)
  const fromM = Math.min(draft.water.zone.fromM, toM - LEAST_ZONE_M)
  if (fromM < 0) delete draft.water.zone
  else draft.water.zone = { fromM, toM }
}

/** Seconds a drop spends between two depths, by its centre. */
export function secondsIn({ samples: s }: Drop, { fromM, toM }: Zone): number {
  let seconds = 0
  for (let i = SAMPLE_STRIDE; i < s.length; i += SAMPLE_STRIDE) {
    const middle = -(s[i + 3]! + s[i - SAMPLE_STRIDE + 3]!) / 2
    if (middle >= fromM && middle <= toM) seconds += s[i]! - s[i - SAMPLE_STRIDE]!
  }
  return seconds
}

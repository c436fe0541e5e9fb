import type { RodPower } from '#core'
import type { SpreadContent } from '#schemas/spread'

/** Another power is another rod: length, casting weights and measured casts were those of the one before. */
export function withRod(fishing: SpreadContent['fishing'], rod: RodPower): SpreadContent['fishing'] {
  const { rodLengthM: _, castKg: __, casts: ___, ...kept } = fishing ?? {}
  return { ...kept, rod }
}

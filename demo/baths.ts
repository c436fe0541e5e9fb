import { ballSeconds, gToKg, normal, seededRandom, waterOf, WEIGHT_MATERIALS } from '#core'
import type { BathContent } from '#schemas/spot'

const bucket = { depthM: 0.36, acrossM: 0.28, temperatureC: 16, salinityGKg: 0 } as const
/** How late the made-up thumb is, s, and how its taps scatter. */
const LATE_S = 0.11
const SCATTER_S = 0.03

/** Seven taps of a ball in a bucket by a thumb that is always a little late. */
function taps(): number[] {
  const random = seededRandom(31)
  const falls = ballSeconds(
    gToKg(7),
    WEIGHT_MATERIALS.lead.densityKgM3,
    bucket,
    waterOf(bucket.temperatureC, bucket.salinityGKg),
  )
  return Array.from({ length: 7 }, () => Number((falls + LATE_S + SCATTER_S * normal(random)).toFixed(3)))
}

export const DEMO_BATHS: readonly { readonly name: string; readonly content: BathContent }[] = [
  {
    name: 'Bucket by the shed',
    content: { ...bucket, ball: { massKg: gToKg(7), material: 'lead', taps: taps() } },
  },
]

import {
  BOTTOM_IDS,
  CLARITIES,
  COVER_IDS,
  LIGHTS,
  SALINITY_GKG,
  seededRandom,
  SPECIES,
  SPECIES_IDS,
  type Day,
} from '#core'
import { dayOf } from '../shared/day'

/**
 * Seeded days on which picks are judged: those that what is evaluated in full was laid out on, and others that nothing
 * was laid out on.
 */
export const SETS = {
  laidOutOn: { days: 40, seed: 19_700 },
  unseen: { days: 20, seed: 77_003 },
} as const

/** Days of every kind of fish in turn, in any cover, bottom, depth and month: the same at every call. */
export function seededDays({ days, seed }: { readonly days: number; readonly seed: number }): Day[] {
  const random = seededRandom(seed)
  const of = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]!
  return Array.from({ length: days }, (_, i) => {
    const species = SPECIES_IDS[i % SPECIES_IDS.length]!
    const moving = random() < 0.3
    return dayOf({
      species,
      depthM: Math.round(10 * (0.6 + 7 * random() ** 1.5)) / 10,
      temperatureC: Math.round(5 + 17 * random()),
      month: 1 + Math.floor(12 * random()),
      salinityGKg: of([SALINITY_GKG.fresh, SALINITY_GKG.salt]),
      cover: of(COVER_IDS),
      bottom: of(BOTTOM_IDS),
      clarity: of(CLARITIES),
      light: of(LIGHTS),
      prey: of(SPECIES[species].prey),
      ...(moving ? { stream: { surfaceMS: Math.round(60 * random()) / 100, towardRad: 0 } } : {}),
    })
  })
}

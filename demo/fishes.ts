import { SPECIES, type Species } from '#core'
import type { FishContent } from '#schemas/spot'

const { name: _, ...bass } = SPECIES.seaBass as Species

/** A kind of fish of the angler's own: the few large ones of the lagoon, as he knows them. */
export const DEMO_FISHES: readonly { readonly name: string; readonly content: FishContent }[] = [
  {
    name: 'old bass of the lagoon',
    content: {
      ...(structuredClone(bass) as Omit<FishContent, 'like'>),
      like: 'seaBass',
      feeding: { active: 'gulp', steady: 'grab', slow: 'nip' },
      mouth: { bite: 1.5, hard: 1.2, gapeM: 0.09 },
      zone: [0.7, 1],
      prey: ['smallFish', 'crab', 'prawn'],
      preyM: { smallFish: 0.14 },
    },
  },
]

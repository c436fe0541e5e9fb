/** Ways to work a rig through cover. */
export type RetrieveId = 'hop' | 'drag' | 'slowRoll' | 'shake' | 'swim' | 'snap' | 'fallInto' | 'punch'

export interface Retrieve {
  readonly name: string
  /** share of meetings while the line is tight; the rest come as the rig falls on slack */
  readonly tight: number
  /** how often the bottom is met, against a bait hopped along it */ readonly bottom: number
  /** how often standing cover is met, against a bait hopped through it */ readonly cover: number
  /** median press of an obstacle on the bait as it slides by, N */ readonly pressN: number
  /** how far roll wanders about its mean, standard deviation, rad */ readonly wanderRad: number
  /** a cast and its retrieve, minutes */ readonly castMin: number
}

/** All *assumed*, from how each is fished; hopping is the yardstick. */
export const RETRIEVES: Readonly<Record<RetrieveId, Retrieve>> = {
  hop: { name: 'hop', tight: 0.8, bottom: 1, cover: 1, pressN: 0.8, wanderRad: 0.2, castMin: 1.2 },
  drag: { name: 'drag', tight: 0.95, bottom: 1.8, cover: 0.8, pressN: 0.9, wanderRad: 0.15, castMin: 1.6 },
  slowRoll: { name: 'slow roll', tight: 1, bottom: 0.5, cover: 1, pressN: 1, wanderRad: 0.12, castMin: 0.9 },
  shake: {
    name: 'shake in place',
    tight: 0.4,
    bottom: 0.8,
    cover: 0.6,
    pressN: 0.4,
    wanderRad: 0.35,
    castMin: 2.2,
  },
  swim: { name: 'swim', tight: 1, bottom: 0.05, cover: 1, pressN: 1.1, wanderRad: 0.12, castMin: 0.7 },
  snap: { name: 'snap', tight: 0.6, bottom: 0.7, cover: 1.1, pressN: 2, wanderRad: 0.3, castMin: 1 },
  fallInto: {
    name: 'fall into holes',
    tight: 0.1,
    bottom: 0.6,
    cover: 0.7,
    pressN: 0.4,
    wanderRad: 0.3,
    castMin: 1,
  },
  punch: {
    name: 'punch through',
    tight: 0.35,
    bottom: 0.4,
    cover: 1.6,
    pressN: 2.5,
    wanderRad: 0.2,
    castMin: 0.8,
  },
}
export const RETRIEVE_IDS = Object.keys(RETRIEVES) as RetrieveId[]

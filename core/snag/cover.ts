import type { BottomId } from '../water/bed'

/**
 * Cover as distributions of what a point can meet. Diameters, strengths and meeting rates are orders of magnitude from
 * field descriptions of such places, so *assumed*; the meeting rate carries a factor 1.6 either way in the range shown.
 */
export type CoverId = 'open' | 'sparseWeed' | 'thickWeed' | 'reeds' | 'wood'

export type { BottomId } from '../water/bed'

/** One kind of thing in a cover. */
export interface Obstacle {
  readonly name: string
  /** meetings per metre of retrieve, in the path of a bait */ readonly perM: number
  /** median diameter of a stem, or of the rounding of an edge, m */ readonly diameterM: number
  readonly diameterGsd: number
  /** share that stands upright and is met from the side; the rest lies and is met from above or below */ readonly upright: number
  /** of those that lie, share met from above */ readonly overhead: number
  /** median load that tears it off or pulls it out, N */ readonly strengthN: number
  readonly strengthGsd: number
}

export interface Cover { readonly name: string, readonly obstacles: readonly Obstacle[] }

/** Doubt in every meeting rate, a factor either way. */
export const RATE_DOUBT = 1.6

const blade: Obstacle = {
  name: 'weed blade', perM: 0, diameterM: 0.003, diameterGsd: 1.5, upright: 0.8, overhead: 0.6, strengthN: 5, strengthGsd: 1.8,
}
const root: Obstacle = {
  name: 'weed stem', perM: 0, diameterM: 0.004, diameterGsd: 1.5, upright: 0.8, overhead: 0.5, strengthN: 25, strengthGsd: 1.8,
}

const twig: Obstacle = {
  name: 'twig', perM: 0.35, diameterM: 0.005, diameterGsd: 2, upright: 0.45, overhead: 0.5, strengthN: 60, strengthGsd: 2.5,
}
const limb: Obstacle = {
  name: 'limb', perM: 0.2, diameterM: 0.05, diameterGsd: 1.8, upright: 0.4, overhead: 0.4, strengthN: 2000, strengthGsd: 2,
}
const reed: Obstacle = {
  name: 'reed stem', perM: 0.4, diameterM: 0.008, diameterGsd: 1.4, upright: 0.95, overhead: 0.5, strengthN: 70, strengthGsd: 1.6,
}

/** Cover that stands or hangs in the water. */
export const COVERS: Readonly<Record<CoverId, Cover>> = {
  open: { name: 'open water', obstacles: [{ ...blade, name: 'stray weed', perM: 0.03 }] },
  sparseWeed: { name: 'sparse weed', obstacles: [{ ...blade, perM: 0.25 }, { ...root, perM: 0.02 }] },
  thickWeed: { name: 'thick weed', obstacles: [{ ...blade, perM: 1.5 }, { ...root, perM: 0.15 }] },
  reeds: { name: 'reeds', obstacles: [reed] },
  wood: { name: 'drowned wood', obstacles: [twig, limb] },
}
export const COVER_IDS = Object.keys(COVERS) as CoverId[]

const edge = { upright: 0.3, overhead: 0.1, strengthGsd: 2 }

/** Edges of the bottom, at the rate met by a bait worked along it half of the time. */
export const BOTTOMS: Readonly<Record<BottomId, Cover>> = {
  mud: { name: 'mud', obstacles: [] },
  sand: { name: 'sand', obstacles: [{ ...edge, name: 'stray shell edge', perM: 0.02, diameterM: 0.003, diameterGsd: 1.8, strengthN: 150 }] },
  gravel: { name: 'gravel', obstacles: [{ ...edge, name: 'stone edge', perM: 0.1, diameterM: 0.01, diameterGsd: 2, strengthN: 20 }] },
  rock: { name: 'rock', obstacles: [{ ...edge, name: 'rock edge', perM: 0.25, diameterM: 0.008, diameterGsd: 2.5, strengthN: 2000 }] },
  shell: { name: 'shell bed', obstacles: [{ ...edge, name: 'shell edge', perM: 0.3, diameterM: 0.002, diameterGsd: 1.8, strengthN: 90 }] },
}
export const BOTTOM_IDS = Object.keys(BOTTOMS) as BottomId[]

/** What a point can meet in a place: cover and bottom together. */
export const obstaclesOf = (cover: CoverId, bottom: BottomId): readonly Obstacle[] => [...COVERS[cover].obstacles, ...BOTTOMS[bottom].obstacles]

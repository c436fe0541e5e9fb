import type { BottomId } from '../water/bed'

/**
 * Cover as distributions of what a rig can meet. Diameters, widths, strengths and meeting rates are orders of
 * magnitude from field descriptions of such places, so *assumed*; their doubts stand in the register of what
 * is uncertain.
 */
export type CoverId =
  'open' | 'sparseWeed' | 'thickWeed' | 'mat' | 'pads' | 'reeds' | 'wood' | 'pilings' | 'boulders'

export type { BottomId } from '../water/bed'

/** What a thing looks like in a drawing. */
export type ThingLook =
  | 'blade'
  | 'stem'
  | 'reed'
  | 'stalk'
  | 'pad'
  | 'strand'
  | 'twig'
  | 'limb'
  | 'fork'
  | 'pile'
  | 'clump'
  | 'kelp'
  | 'stone'
  | 'gap'

interface Met {
  readonly name: string
  readonly look: ThingLook
  /** meetings per metre of retrieve, in the path of a bait */ readonly perM: number
  /** median load that tears it off or pulls it out, N */ readonly strengthN: number
  readonly strengthGsd: number
}

/** A stem, blade, branch or edge that slides along the bait. */
export interface Rod extends Met {
  readonly kind: 'rod'
  /** median diameter of a stem, or of the rounding of an edge, m */ readonly diameterM: number
  readonly diameterGsd: number
  /** share that stands upright and is met from the side; the rest lies and is met from above or below */
  readonly upright: number
  /** of those that lie, share met from above */ readonly overhead: number
  /** thin and soft: it hangs on steps and knots too */ readonly strand?: true
}

/** A gap a head can wedge in: a fork met head on, or a crevice met from above. */
export interface Gap extends Met {
  readonly kind: 'fork' | 'crevice'
  /** median width, m */ readonly widthM: number
  readonly widthGsd: number
}

/** One kind of thing in a cover. */
export type Obstacle = Rod | Gap

export interface Cover {
  readonly name: string
  readonly obstacles: readonly Obstacle[]
}

const blade: Rod = {
  kind: 'rod',
  name: 'weed blade',
  look: 'blade',
  perM: 0,
  diameterM: 0.003,
  diameterGsd: 1.5,
  upright: 0.8,
  overhead: 0.6,
  strengthN: 5,
  strengthGsd: 1.8,
  strand: true,
}
const root: Rod = {
  kind: 'rod',
  name: 'weed stem',
  look: 'stem',
  perM: 0,
  diameterM: 0.004,
  diameterGsd: 1.5,
  upright: 0.8,
  overhead: 0.5,
  strengthN: 25,
  strengthGsd: 1.8,
  strand: true,
}
const twig: Rod = {
  kind: 'rod',
  name: 'twig',
  look: 'twig',
  perM: 0.35,
  diameterM: 0.005,
  diameterGsd: 2,
  upright: 0.45,
  overhead: 0.5,
  strengthN: 60,
  strengthGsd: 2.5,
}
const limb: Rod = {
  kind: 'rod',
  name: 'limb',
  look: 'limb',
  perM: 0.2,
  diameterM: 0.05,
  diameterGsd: 1.8,
  upright: 0.4,
  overhead: 0.4,
  strengthN: 2000,
  strengthGsd: 2,
}
const fork: Gap = {
  kind: 'fork',
  name: 'fork of twigs',
  look: 'fork',
  perM: 0.12,
  widthM: 0.009,
  widthGsd: 1.6,
  strengthN: 120,
  strengthGsd: 2,
}
const reed: Rod = {
  kind: 'rod',
  name: 'reed stem',
  look: 'reed',
  perM: 0.4,
  diameterM: 0.008,
  diameterGsd: 1.4,
  upright: 0.95,
  overhead: 0.5,
  strengthN: 70,
  strengthGsd: 1.6,
}
const stalk: Rod = {
  kind: 'rod',
  name: 'lily stalk',
  look: 'stalk',
  perM: 0.45,
  diameterM: 0.007,
  diameterGsd: 1.3,
  upright: 0.9,
  overhead: 0.7,
  strengthN: 45,
  strengthGsd: 1.5,
}
const pad: Rod = {
  kind: 'rod',
  name: 'edge of a pad',
  look: 'pad',
  perM: 0.2,
  diameterM: 0.002,
  diameterGsd: 1.3,
  upright: 0.1,
  overhead: 0.9,
  strengthN: 8,
  strengthGsd: 1.5,
}
const layer: Rod = {
  kind: 'rod',
  name: 'mat strand',
  look: 'strand',
  perM: 3,
  diameterM: 0.002,
  diameterGsd: 1.6,
  upright: 0.5,
  overhead: 0.5,
  strengthN: 9,
  strengthGsd: 1.8,
  strand: true,
}
const pile: Rod = {
  kind: 'rod',
  name: 'piling',
  look: 'pile',
  perM: 0.12,
  diameterM: 0.25,
  diameterGsd: 1.3,
  upright: 1,
  overhead: 0.5,
  strengthN: 5000,
  strengthGsd: 1.5,
}
const growth: Rod = {
  kind: 'rod',
  name: 'mussel clump',
  look: 'clump',
  perM: 0.2,
  diameterM: 0.003,
  diameterGsd: 1.8,
  upright: 0.7,
  overhead: 0.4,
  strengthN: 40,
  strengthGsd: 1.8,
}
const boulderEdge: Rod = {
  kind: 'rod',
  name: 'boulder edge',
  look: 'stone',
  perM: 0.2,
  diameterM: 0.012,
  diameterGsd: 2.2,
  upright: 0.4,
  overhead: 0.2,
  strengthN: 2000,
  strengthGsd: 2,
}
const kelp: Rod = {
  kind: 'rod',
  name: 'kelp stalk',
  look: 'kelp',
  perM: 0.15,
  diameterM: 0.012,
  diameterGsd: 1.4,
  upright: 0.9,
  overhead: 0.5,
  strengthN: 90,
  strengthGsd: 1.6,
}

/** Cover that stands or hangs in the water. */
export const COVERS: Readonly<Record<CoverId, Cover>> = {
  open: { name: 'open water', obstacles: [{ ...blade, name: 'stray weed', perM: 0.03 }] },
  sparseWeed: {
    name: 'sparse weed',
    obstacles: [
      { ...blade, perM: 0.25 },
      { ...root, perM: 0.02 },
    ],
  },
  thickWeed: {
    name: 'thick weed',
    obstacles: [
      { ...blade, perM: 1.5 },
      { ...root, perM: 0.15 },
    ],
  },
  mat: { name: 'floating mat', obstacles: [layer, { ...root, perM: 0.3 }] },
  pads: { name: 'lily pads', obstacles: [stalk, pad] },
  reeds: { name: 'reeds', obstacles: [reed] },
  wood: { name: 'drowned wood', obstacles: [twig, limb, fork] },
  pilings: { name: 'pilings', obstacles: [pile, growth] },
  boulders: {
    name: 'kelp and boulders',
    obstacles: [
      boulderEdge,
      kelp,
      {
        kind: 'crevice',
        name: 'gap between boulders',
        look: 'gap',
        perM: 0.08,
        widthM: 0.03,
        widthGsd: 1.6,
        strengthN: 3000,
        strengthGsd: 1.5,
      },
    ],
  },
}
export const COVER_IDS = Object.keys(COVERS) as CoverId[]

const edge = { kind: 'rod', look: 'stone', upright: 0.3, overhead: 0.1, strengthGsd: 2 } as const
const crevice = { kind: 'crevice', look: 'gap', widthGsd: 1.6, strengthGsd: 1.8 } as const

/** Edges and crevices of the bottom, at the rate met by a bait worked along it half of the time. */
export const BOTTOMS: Readonly<Record<BottomId, Cover>> = {
  mud: { name: 'mud', obstacles: [] },
  sand: {
    name: 'sand',
    obstacles: [
      { ...edge, name: 'stray shell edge', perM: 0.02, diameterM: 0.003, diameterGsd: 1.8, strengthN: 150 },
    ],
  },
  gravel: {
    name: 'gravel',
    obstacles: [
      { ...edge, name: 'stone edge', perM: 0.1, diameterM: 0.01, diameterGsd: 2, strengthN: 20 },
      { ...crevice, name: 'gap between stones', perM: 0.03, widthM: 0.008, strengthN: 25 },
    ],
  },
  rock: {
    name: 'rock',
    obstacles: [
      { ...edge, name: 'rock edge', perM: 0.25, diameterM: 0.008, diameterGsd: 2.5, strengthN: 2000 },
      { ...crevice, name: 'crevice', perM: 0.06, widthM: 0.014, strengthN: 2000 },
    ],
  },
  shell: {
    name: 'shell bed',
    obstacles: [
      { ...edge, name: 'shell edge', perM: 0.3, diameterM: 0.002, diameterGsd: 1.8, strengthN: 90 },
      { ...crevice, name: 'gap between shells', perM: 0.06, widthM: 0.007, strengthN: 80 },
    ],
  },
}
export const BOTTOM_IDS = Object.keys(BOTTOMS) as BottomId[]

/** An obstacle where it stands: in the cover, or on the bottom. */
export type Placed = Obstacle & { readonly on: 'cover' | 'bottom' }

/** What a rig can meet in a place: cover and bottom together. */
export const obstaclesOf = (cover: CoverId, bottom: BottomId): readonly Placed[] => [
  ...COVERS[cover].obstacles.map(o => ({ ...o, on: 'cover' as const })),
  ...BOTTOMS[bottom].obstacles.map(o => ({ ...o, on: 'bottom' as const })),
]

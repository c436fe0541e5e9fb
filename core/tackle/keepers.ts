import { ladderLengthM, type HookSize } from './hooks'
import type { Plastic } from './materials'

/** What keeps a bait on its hook. */
export type KeeperId =
  'screw' | 'pin' | 'chinBarb' | 'collar' | 'barb' | 'neck' | 'ring' | 'glue' | 'friction'

export interface Keeper {
  readonly name: string
  /**
   * length and thickness of what sits in the plastic, mm: the surface that must tear. Typical of the field.
   */
  readonly insideMm: readonly [length: number, thickness: number]
  /** how well that surface grips against plain tearing of the plastic round it; *assumed* from hand pulls */
  readonly grip: number
}

export const KEEPERS: Readonly<Record<KeeperId, Keeper>> = {
  screw: { name: 'screw with centring pin', insideMm: [8, 3], grip: 0.9 },
  pin: { name: 'pin and stopper', insideMm: [10, 3], grip: 0.95 },
  chinBarb: { name: 'chin barb', insideMm: [9, 1.6], grip: 0.8 },
  collar: { name: 'collar', insideMm: [6, 3.5], grip: 0.6 },
  barb: { name: 'barb on the shank', insideMm: [6, 2], grip: 0.7 },
  neck: { name: 'eye and step of the neck', insideMm: [9, 3], grip: 0.75 },
  ring: { name: 'ring round the bait', insideMm: [4, 6], grip: 0.8 },
  glue: { name: 'glue on the nose', insideMm: [6, 5], grip: 1 },
  friction: { name: 'friction inside the body', insideMm: [12, 4], grip: 0.35 },
}
export const KEEPER_IDS = Object.keys(KEEPERS) as KeeperId[]

/**
 * Shear strength of soft plastic, Pa, for toughness 1. Tensile strength of soft gels and elastomers of Shore
 * 00 20–40 stands near 0.1–0.3 MPa, shear near half of it; *assumed* 60 kPa.
 */
const SHEAR_PA = 6e4

/**
 * Size of a hook whose keeper is as listed. Screws, pins, barbs and collars grow with the hook; rings go by
 * the bait, glue and friction by the nose.
 */
const LISTED_HOOK: HookSize = '4/0'
const GROWS: ReadonlySet<KeeperId> = new Set(['screw', 'pin', 'chinBarb', 'collar', 'barb', 'neck'])

/** A bait whose ring is as listed, m wide. */
const LISTED_RING_M = 0.01

/** How much larger a keeper is on a hook of a size, in a bait so wide, than as listed. */
export const keeperScale = (id: KeeperId, size: HookSize, baitM: number): number =>
  GROWS.has(id) ? ladderLengthM(size) / ladderLengthM(LISTED_HOOK) : id === 'ring' ? baitM / LISTED_RING_M : 1

/**
 * Pull that tears a bait off its keeper, N: shear strength on the surface inside, times the grip. Tough
 * plastic holds better, by the root of its toughness.
 * @param scale of the keeper's lengths against those listed
 */
export function pullOutN(keeper: Keeper, plastic: Plastic, scale = 1): number {
  const [length, thickness] = keeper.insideMm
  return (
    scale *
    scale *
    SHEAR_PA *
    Math.sqrt(plastic.toughness) *
    keeper.grip *
    Math.PI *
    length *
    thickness *
    1e-6
  )
}

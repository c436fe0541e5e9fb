import { PLASTICS } from '../../tackle/materials'
import type { AssembledRig } from '../../rig/assemble'
import { STATION_COUNT } from '../../rig/bait'
import { sumParts, type Compact, type CompactKind, type RigGeometry, type Strip } from '../../rig/geometry'
import type { Vec3 } from '../../numerics/quaternion'
import type { Water } from '../../water/water'
import { hydroBody, type HydroBody } from '../hydroBody'
import { giveOf, springsOf } from './bending'
import type { Link } from './chain'

/** Plastic against what it is taken for: so many times as stiff in bending, and losing so many times as much in it. */
export interface PlasticAs {
  readonly stiffer?: number
  readonly lossier?: number
}

/** How a rig is cut. */
export interface CutOptions extends PlasticAs {
  /** links behind the hook, and ahead of it where the nose is free; by the bait's fineness when left out */
  readonly behind?: number
  readonly ahead?: number
}

/** Links are about so many thicknesses long, and a free end has at most so many. */
const THICKNESSES = 2.5
const MOST = 5
/** A free end shorter than this many thicknesses does not bend. */
const STUMP = 1.5
/**
 * Part of the critical damping of each joint swinging by itself: what plastisol loses in bending, between rubber (a
 * tenth) and gel. *Assumed.*
 */
const LOSS = 0.15

/** From and to, m from the nose. */
type Stretch = readonly [number, number]

/**
 * Cuts a rig into links: the part that the hook runs through is one, with the weights on it, the root of all; what is
 * free behind it, and ahead of it, are chains of links. One link alone where nothing is free to bend.
 */
export function cutRig(rig: AssembledRig, water: Water, options: CutOptions = {}): Link[] {
  const { bait, baitSpec, geometry } = rig
  const { shore00 } = PLASTICS[baitSpec.material]
  const path = rig.parts.placement.path.points.map(p => p.s)
  // cut between slices, so that none is cut through
  const slice = bait.bodyM / STATION_COUNT
  const from = slice * Math.floor(Math.max(0, Math.min(...path)) / slice)
  const to = slice * Math.ceil(Math.min(bait.bodyM, Math.max(...path, 0)) / slice)
  const back = lengthsOf(rig, [to, bait.bodyM], options.behind)
  const front = lengthsOf(rig, [0, from], options.ahead)
  const stretches: Stretch[] = [
    [front > 0 ? from : 0, back > 0 ? to : Infinity],
    ...split([to, bait.bodyM], back, slice),
    ...split([0, from], front, slice).reverse(),
  ]
  const stiffer = options.stiffer ?? 1
  const bodies = pieces(geometry, stretches).map(piece => rolling(hydroBody(piece, water, geometry)))
  const parents = stretches.map((_, n) => (n === 0 ? -1 : n === 1 || n === 1 + back ? 0 : n - 1))
  const joints = stretches.slice(1).map((own, i) => {
    const n = i + 1
    const parent = parents[n]!
    const ahead = n > back
    const s = ahead ? own[1] : own[0]
    const joint: Vec3 = [-s, bait.offAt(s), bait.middleAt(s)]
    // a joint stands for half of each of its links; the root does not bend
    const before = parent === 0 ? s : middleOf(stretches[parent]!)
    const [from, to] = [before, middleOf(own)].sort((a, b) => a - b) as [number, number]
    const { centre } = bodies[n]!.geometry
    return {
      give: giveOf(bait, shore00, from, to).map(g => g / stiffer) as [number, number, number],
      inertia: bodies[n]!.inertia,
      jointAt: less(joint, centre),
      jointOnParent: less(joint, bodies[parent]!.geometry.centre),
    }
  })
  const springs = springsOf(joints, LOSS * (options.lossier ?? 1))
  return bodies.map((body, n): Link => {
    const { jointAt, jointOnParent } = joints[n - 1] ?? { jointAt: NONE, jointOnParent: NONE }
    const { stiffness, damping, slowing } = springs[n - 1] ?? { stiffness: NONE, damping: NONE, slowing: 0 }
    return { body, parent: parents[n]!, jointAt, jointOnParent, stiffness, damping, slowing }
  })
}

const middleOf = ([from, to]: Stretch): number => (from + to) / 2

/** Flat limbs, which carry water with them as they roll. */
const FLAT: ReadonlySet<CompactKind> = new Set(['curl', 'fin', 'fork', 'claw', 'paddle'])

/**
 * A link with the water that its limbs carry along in rolling, ρ·(π/8)·(a² − b²)²·length (Newman, Marine Hydrodynamics,
 * table 4.3): a rig as a whole has roll inertia enough without it, a tail by itself has hardly any other.
 */
function rolling(body: HydroBody): HydroBody {
  const rho = body.water.densityKgM3
  const inertia = body.inertia.slice()
  for (const { kind, size } of body.geometry.compacts)
    if (FLAT.has(kind))
      inertia[21]! += rho * (Math.PI / 8) * ((size[1] / 2) ** 2 - (size[2] / 2) ** 2) ** 2 * size[0]
  return { ...body, inertia }
}

const NONE: Vec3 = [0, 0, 0]
const less = (a: Vec3, b: Vec3): Vec3 => [a[0] - b[0], a[1] - b[1], a[2] - b[2]]

/** Links that a free end is cut into. */
function lengthsOf({ bait }: AssembledRig, [from, to]: Stretch, asked: number | undefined): number {
  const free = to - from
  if (!(free > 0)) return 0
  const middle = (from + to) / 2
  const thick = Math.max(bait.widthAt(middle), bait.heightAt(middle))
  const most = Math.round((free / bait.bodyM) * STATION_COUNT)
  if (asked !== undefined) return Math.min(most, asked)
  if (free < STUMP * thick) return 0
  return Math.min(MOST, most, Math.max(1, Math.round(free / (THICKNESSES * thick))))
}

/** A free end in links of whole slices. */
function split([from, to]: Stretch, count: number, slice: number): Stretch[] {
  const cut = (i: number): number => from + slice * Math.round(((to - from) / slice) * (i / count))
  return Array.from({ length: count }, (_, i) => [cut(i), cut(i + 1)])
}

/** Parts of a rig by the stretch that they lie in; wire, and what lies beyond the ends, with what is next to it. */
function pieces(whole: RigGeometry, stretches: readonly Stretch[]): RigGeometry[] {
  const strips: Strip[][] = stretches.map(() => [])
  const compacts: Compact[][] = stretches.map(() => [])
  const last = Math.max(...stretches.map(([, to]) => (Number.isFinite(to) ? to : 0)))
  const of = (s: number): number => {
    const within = stretches.length > 1 ? Math.min(Math.max(s, 0), last * (1 - 1e-9)) : s
    const found = stretches.findIndex(([from, to]) => within >= from && within < to)
    return Math.max(0, found)
  }
  for (const strip of whole.strips) {
    strips[strip.part === 'wire' ? 0 : of(-strip.at[0])]!.push(strip)
  }
  for (const compact of whole.compacts) compacts[of(-compact.at[0])]!.push(compact)
  return stretches.map((_, n) => sumParts(strips[n]!, compacts[n]!, whole.tie))
}

import type { Vec3 } from '../numerics/quaternion'
import type { LimbKind } from '../tackle/forms'
import type { WeightShape } from '../tackle/weights'

/**
 * A slender piece: an elliptic slice of plastic or a length of wire. Axes are unit vectors of the rig frame
 * (x toward the nose, y left, z to the back; origin at the bait's nose).
 */
export interface Strip {
  readonly at: Vec3
  /** along the piece */ readonly axis: Vec3
  /** across, along which `widthM` is measured */ readonly side: Vec3
  /** across, along which `heightM` is measured */ readonly up: Vec3
  readonly lengthM: number
  readonly widthM: number
  readonly heightM: number
  readonly massKg: number
  readonly displacedM3: number
  /** water that fills it and moves with it, m³: it has inertia, and no weight in water */
  readonly trappedM3?: number
  /** false for wire inside plastic: it has weight but touches no water */ readonly wet: boolean
  readonly part: 'bait' | 'wire'
}

/**
 * Weights by shape; `inside` is wrapped in plastic; `nose` the blunt front of a bait; the rest are tails and
 * limbs, and thin metal.
 */
export type CompactKind = WeightShape | 'inside' | 'nose' | LimbKind | 'blade'

/**
 * A lump: a weight, or the blunt parts of the bait that strips do not cover (their mass may be zero). Full
 * extents along x, y, z.
 */
export interface Compact {
  readonly kind: CompactKind
  readonly at: Vec3
  readonly size: Vec3
  readonly massKg: number
  readonly displacedM3: number
  /** true when plastic stands directly behind or before it and fills its wake */ readonly joined: boolean
  /** turned about z by this, rad, as the tail of a bent bait is; 0 when left out */ readonly yawRad?: number
}

/** A rig as one rigid body, before water. Origin at the bait's nose; SI. */
export interface RigGeometry {
  readonly strips: readonly Strip[]
  readonly compacts: readonly Compact[]
  /** where the line pulls */ readonly tie: Vec3
  readonly massKg: number
  readonly displacedM3: number
  readonly centre: Vec3
  readonly buoyancyCentre: Vec3
  /** about the centre of gravity, row-major 3x3, kg·m² */ readonly inertia: Float64Array
  /** longest extent, m */ readonly lengthM: number
  /** how far the tail stands off to the left, share of the bait's length */ readonly crookedShare?: number
  /** outermost points, x y z triples, for contact with the bottom */ readonly outline: Float64Array
  /** face each of these points presses on a soft bottom with, m² */ readonly outlineAreas: Float64Array
}

/**
 * Sums parts into a rigid body: mass, centre of gravity, centre of buoyancy, inertia about the centre of
 * gravity. Each slice counts as an elliptic cylinder, each lump as an ellipsoid (Meriam & Kraige, Dynamics,
 * app. D).
 * @throws RangeError when nothing has mass or volume
 */
export function sumParts(strips: readonly Strip[], compacts: readonly Compact[], tie: Vec3): RigGeometry {
  let massKg = 0
  let displacedM3 = 0
  const moment = [0, 0, 0]
  const volumeMoment = [0, 0, 0]
  for (const part of [...strips, ...compacts]) {
    massKg += part.massKg
    displacedM3 += part.displacedM3
    for (let k = 0; k < 3; k++) {
      moment[k]! += part.massKg * part.at[k]!
      volumeMoment[k]! += part.displacedM3 * part.at[k]!
    }
  }
  if (!(massKg > 0 && displacedM3 > 0)) throw new RangeError('sumParts: a rig needs mass and volume')
  const centre: Vec3 = [moment[0]! / massKg, moment[1]! / massKg, moment[2]! / massKg]
  const inertia = new Float64Array(9)
  for (const s of strips) {
    const across = (s.widthM / 2) ** 2
    const high = (s.heightM / 2) ** 2
    const along = s.lengthM ** 2 / 12
    addOwn(inertia, s.axis, (s.massKg * (across + high)) / 4)
    addOwn(inertia, s.side, s.massKg * (high / 4 + along))
    addOwn(inertia, s.up, s.massKg * (across / 4 + along))
    addOffset(inertia, s.massKg, s.at, centre)
  }
  for (const c of compacts) {
    const [x, y, z] = c.size.map(d => (d / 2) ** 2) as [number, number, number]
    addOwn(inertia, [1, 0, 0], (c.massKg * (y + z)) / 5)
    addOwn(inertia, [0, 1, 0], (c.massKg * (x + z)) / 5)
    addOwn(inertia, [0, 0, 1], (c.massKg * (x + y)) / 5)
    addOffset(inertia, c.massKg, c.at, centre)
  }
  const { outline, outlineAreas } = outlineOf(strips, compacts)
  return {
    strips,
    compacts,
    tie,
    massKg,
    displacedM3,
    centre,
    buoyancyCentre: [
      volumeMoment[0]! / displacedM3,
      volumeMoment[1]! / displacedM3,
      volumeMoment[2]! / displacedM3,
    ],
    inertia,
    lengthM: extentAlongX(outline),
    outline,
    outlineAreas,
  }
}

function addOwn(inertia: Float64Array, axis: Vec3, value: number): void {
  for (let i = 0; i < 3; i++) for (let j = 0; j < 3; j++) inertia[3 * i + j]! += value * axis[i]! * axis[j]!
}

function addOffset(inertia: Float64Array, mass: number, at: Vec3, centre: Vec3): void {
  const d = [at[0] - centre[0], at[1] - centre[1], at[2] - centre[2]]
  const square = d[0]! ** 2 + d[1]! ** 2 + d[2]! ** 2
  for (let i = 0; i < 3; i++) {
    for (let j = 0; j < 3; j++) inertia[3 * i + j]! += mass * ((i === j ? square : 0) - d[i]! * d[j]!)
  }
}

function outlineOf(
  strips: readonly Strip[],
  compacts: readonly Compact[],
): Pick<RigGeometry, 'outline' | 'outlineAreas'> {
  const points: number[] = []
  const areas: number[] = []
  const put = (at: Vec3, direction: Vec3, distance: number, area: number): void => {
    const [x, y, z] = [distance * direction[0], distance * direction[1], distance * direction[2]]
    points.push(at[0] - x, at[1] - y, at[2] - z, at[0] + x, at[1] + y, at[2] + z)
    areas.push(area, area)
  }
  strips.forEach(s => {
    if (!s.wet) return
    put(s.at, s.up, s.heightM / 2, s.widthM * s.lengthM)
    put(s.at, s.side, s.widthM / 2, s.heightM * s.lengthM)
  })
  for (const { kind, at, size } of compacts) {
    const [x, y, z] = size
    const face = Math.PI / 4
    const down = FLAT_FACED.get(kind)
    if (down !== undefined) {
      points.push(...flatFace(at, size, down))
      areas.push(...Array<number>(RIM).fill((face * y * z) / RIM))
    }
    put(at, [1, 0, 0], x / 2, face * y * z)
    put(at, [0, 1, 0], y / 2, face * x * z)
    put(at, [0, 0, 1], z / 2, face * x * y)
  }
  return { outline: Float64Array.from(points), outlineAreas: Float64Array.from(areas) }
}

/**
 * Heads with a flat face on which they stand, and how far it looks down from straight ahead, rad; and the
 * points its rim is taken as.
 */
const FLAT_FACED: ReadonlyMap<CompactKind, number> = new Map<CompactKind, number>([
  ['mushroom', 0],
  ['wedge', Math.PI / 4],
])
const RIM = 12

function flatFace(at: Vec3, size: Vec3, down: number): number[] {
  const [cos, sin] = [Math.cos(down), Math.sin(down)]
  return Array.from({ length: RIM }, (_, i) => {
    const angle = (2 * Math.PI * i) / RIM
    const rise = (size[2] / 2) * Math.sin(angle)
    return [
      at[0] + (size[0] / 2) * cos + rise * sin,
      at[1] + (size[1] / 2) * Math.cos(angle),
      at[2] - (size[0] / 2) * sin + rise * cos,
    ]
  }).flat()
}

function extentAlongX(outline: Float64Array): number {
  let low = Infinity
  let high = -Infinity
  for (let i = 0; i < outline.length; i += 3) {
    low = Math.min(low, outline[i]!)
    high = Math.max(high, outline[i]!)
  }
  return high - low
}

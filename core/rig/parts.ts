import { HOOK_STEEL_KGM3 } from '../constants'
import type { Vec3 } from '../numerics/quaternion'
import { WEIGHT_MATERIALS, weightSize, type WeightShape, type WeightSize } from '../tackle/weights'
import type { Limb, LimbKind } from '../tackle/forms'
import { STATION_COUNT, type BaitShape } from './bait'
import type { Compact, CompactKind, Strip } from './geometry'
import type { HookPath, PlanePoint } from './hookPath'
import type { RigSpec } from './spec'

/** Frame change: s metres behind the nose becomes x = -s. */
export const inFrame = (p: PlanePoint): Vec3 => [-p.s, 0, p.z]

/** Slices of plastic, each an elliptic cylinder of the local width and height. */
export function plasticStrips(bait: BaitShape): Strip[] {
  const ds = bait.bodyM / STATION_COUNT
  return Array.from({ length: STATION_COUNT }, (_, i) => {
    const s = (i + 0.5) * ds
    const widthM = bait.widthAt(s)
    const heightM = bait.heightAt(s)
    const outerM3 = (Math.PI / 4) * widthM * heightM * ds
    const trappedM3 = outerM3 * bait.hollowAt(s)
    const displacedM3 = outerM3 - trappedM3
    return {
      at: [-s, bait.offAt(s), bait.middleAt(s)],
      ...axesAt(bait.offSlopeAt(s), bait.bowSlopeAt(s)),
      lengthM: ds,
      widthM,
      heightM,
      massKg: displacedM3 * bait.densityKgM3,
      displacedM3,
      trappedM3,
      wet: true,
      part: 'bait',
    }
  })
}

/** Mass of those slices, kg. */
export function bodyKg(bait: BaitShape): number {
  const ds = bait.bodyM / STATION_COUNT
  let square = 0
  for (let i = 0; i < STATION_COUNT; i++) {
    const s = (i + 0.5) * ds
    square += bait.widthAt(s) * bait.heightAt(s) * (1 - bait.hollowAt(s))
  }
  return (Math.PI / 4) * square * ds * bait.densityKgM3
}

/**
 * Axis toward the nose, side and back of a slice of a bent bait, unit vectors; slopes of the middle line to
 * the left and up, toward the tail.
 */
function axesAt(aside: number, rise: number): Pick<Strip, 'axis' | 'side' | 'up'> {
  const level = Math.hypot(1, aside)
  const axisLength = Math.hypot(1, aside, rise)
  const axis: Vec3 = [1 / axisLength, -aside / axisLength, -rise / axisLength]
  const side: Vec3 = [aside / level, 1 / level, 0]
  return {
    axis,
    side,
    up: [
      axis[1] * side[2] - axis[2] * side[1],
      axis[2] * side[0] - axis[0] * side[2],
      axis[0] * side[1] - axis[1] * side[0],
    ],
  }
}

/**
 * Lumps of plastic beyond the slices: what a head leaves of the blunt nose (drag only), and the tail with its
 * own mass.
 * @param noseCover share of the nose that is hidden, 0..1
 */
export function plasticCompacts(bait: BaitShape, noseCover: number): Compact[] {
  const L = bait.lengthM
  const parts: Compact[] = []
  if (noseCover < 1) {
    const s = 0.1 * L
    const across = Math.sqrt(1 - noseCover)
    parts.push({
      kind: 'nose',
      at: [0, 0, 0],
      size: [s, across * bait.widthAt(s), across * bait.heightAt(s)],
      massKg: 0,
      displacedM3: 0,
      joined: true,
    })
  }
  for (const limb of bait.limbs) parts.push(...limbCompacts(limb, bait))
  return parts
}

/**
 * Share of the box round a tail or limb that plastic fills: discs and rods are elliptic; thin and tapering
 * ones, and how full a skirt is, *assumed*.
 */
const FILLED: Readonly<Record<LimbKind, number>> = {
  paddle: Math.PI / 4,
  fork: Math.PI / 4,
  fin: 0.7,
  curl: 0.7,
  skirt: (0.25 * Math.PI) / 4,
  claw: Math.PI / 6,
  leg: Math.PI / 4,
}

function limbCompacts({ kind, at, width, height, thickness, aside }: Limb, bait: BaitShape): Compact[] {
  const L = bait.soldM
  const size: Vec3 = [thickness * L, width * L, height * L]
  const displacedM3 = FILLED[kind] * size[0] * size[1] * size[2]
  const s = bait.placeOf(at)
  return (aside === undefined ? [0] : [-aside * L, aside * L]).map(out => ({
    kind,
    at: [-s, bait.offAt(s) + (bait.sideOn ? 0 : out), bait.bowAt(s) + (bait.sideOn ? out : 0)],
    yawRad: -Math.atan(bait.offSlopeAt(s)),
    size,
    massKg: displacedM3 * bait.densityKgM3,
    displacedM3,
    joined: true,
  }))
}

const LONGEST_WIRE_PIECE_M = 0.01

/** Hook wire cut into short straight pieces; those inside the plastic are marked dry. */
export function wireStrips(path: HookPath, bait: BaitShape): Strip[] {
  const area = (Math.PI / 4) * path.wireM ** 2
  const strips: Strip[] = []
  for (let i = 0; i < path.points.length - 1; i++) {
    const a = path.points[i]!
    const b = path.points[i + 1]!
    const length = Math.hypot(b.s - a.s, b.z - a.z)
    if (length === 0) continue
    const count = Math.ceil(length / LONGEST_WIRE_PIECE_M)
    const axis: Vec3 = [-(b.s - a.s) / length, 0, (b.z - a.z) / length]
    for (let k = 0; k < count; k++) {
      const t = (k + 0.5) / count
      const at = { s: a.s + (b.s - a.s) * t, z: a.z + (b.z - a.z) * t }
      const volume = area * (length / count)
      strips.push({
        at: inFrame(at),
        axis,
        side: [0, 1, 0],
        up: [-axis[2], 0, axis[0]],
        lengthM: length / count,
        widthM: path.wireM,
        heightM: path.wireM,
        massKg: volume * HOOK_STEEL_KGM3,
        displacedM3: volume,
        wet: !inside(at, bait),
        part: 'wire',
      })
    }
  }
  return strips
}

const inside = (p: PlanePoint, bait: BaitShape): boolean =>
  p.s > 0 && p.s < bait.bodyM && p.z < bait.topAt(p.s) && p.z > bait.bottomAt(p.s)

/** Density of a rig's weight: as given, or its material's. kg/m³ */
export const weightDensity = (spec: Pick<RigSpec, 'weightMaterial' | 'weightDensityKgM3'>): number =>
  spec.weightDensityKgM3 ?? WEIGHT_MATERIALS[spec.weightMaterial].densityKgM3

/** A compact weight with its middle at a place in the pitch plane. */
export function weightCompact(
  shape: WeightShape,
  massKg: number,
  densityKgM3: number,
  at: PlanePoint,
  joined: boolean,
): Compact {
  const size = weightSize(shape, massKg, densityKgM3)
  return {
    kind: shape as CompactKind,
    at: inFrame(at),
    size: extents(size),
    massKg,
    displacedM3: massKg / densityKgM3,
    joined,
  }
}

export const extents = (size: WeightSize): Vec3 => [size.lengthM, size.widthM, size.heightM]

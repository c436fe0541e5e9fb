import { invert } from '../numerics/linear'
import type { Vec3 } from '../numerics/quaternion'
import type { RigGeometry } from '../rig/geometry'
import type { Water } from '../water/water'
import { addedMass } from './addedMass'
import { compactDrag } from './compactDrag'
import { ellipseFactor, finiteLengthFactor, formFactor } from './dragCurves'
import { addActing, largestRate } from './stiffness'

/** Numbers a strip takes in `HydroBody.strips`, in this order. */
export const STRIP_STRIDE = 17
/**
 * Numbers a straight strip takes in `HydroBody.straight`: place x z, areas across `side` and `up`, squared
 * height and width, wetted area.
 */
export const STRAIGHT_STRIDE = 7
/**
 * Numbers a lump takes in `HydroBody.compacts`: place x y z, drag areas along its own axes (m²), diameter (m,
 * 0 for constant drag), cosine and sine of its turn about z, lift areas of a fin along y and z (m²).
 */
export const COMPACT_STRIDE = 11

/** A rig packed for one water: everything the loads need, about the centre of gravity. */
export interface HydroBody {
  readonly geometry: RigGeometry
  readonly water: Water
  readonly lengthM: number
  /** buoyant force per m/s² of gravity, kg */ readonly displacedKg: number
  readonly buoyancyAt: Vec3
  readonly tieAt: Vec3
  /** dry plus added, 6x6 row-major */ readonly inertia: Float64Array
  readonly inverse: Float64Array
  readonly added: Float64Array
  /**
   * Per wet strip: place xyz, axis xyz, side xyz, up xyz, area across `side` and across `up` times shape
   * factor (m²), squared heights and widths for the local Reynolds number (m²), wetted area times form factor
   * (m²).
   */
  readonly strips: Float64Array
  /**
   * strips that lie along the body's axis in its plane of symmetry: most of a straight bait, at a third of
   * the cost
   */
  readonly straight: Float64Array
  readonly compacts: Float64Array
  /** which side vortices leave first, -1..1: 0 on a straight bait */ readonly lopsided: number
  /** step that follows this body's motion in its own fall, s */ readonly stepS: number
  /** rate at which its quickest motion dies away, for each m/s of speed through the water, 1/m */
  readonly dampingPerM: number
  /** speed at which the step is judged, m/s */ readonly quickMS: number
  /** x of the nose about the centre of gravity, m */ readonly noseX: number
}

/**
 * Crookedness, tail's offset over length, at which three quarters of the lopsided shedding are there.
 * *Assumed.*
 */
const FULLY_LOPSIDED = 0.02

/**
 * Packs a rig for a given water.
 * @param whole the rig that this is a part of: what depends on the shape of all of it is as it is there
 */
export function hydroBody(geometry: RigGeometry, water: Water, whole = geometry): HydroBody {
  const added = addedMass(geometry, water.densityKgM3, whole)
  const inertia = added.slice()
  for (let i = 0; i < 3; i++) {
    inertia[7 * i]! += geometry.massKg
    for (let j = 0; j < 3; j++) inertia[6 * (i + 3) + j + 3]! += geometry.inertia[3 * i + j]!
  }
  const about = (p: Vec3): Vec3 => [
    p[0] - geometry.centre[0],
    p[1] - geometry.centre[1],
    p[2] - geometry.centre[2],
  ]
  const packed = { ...packStrips(geometry, about, whole), compacts: packCompacts(geometry, about) }
  const inverse = invert(inertia, 6)
  return {
    geometry,
    water,
    lengthM: whole.lengthM,
    displacedKg: water.densityKgM3 * geometry.displacedM3,
    buoyancyAt: about(geometry.buoyancyCentre),
    tieAt: about(geometry.tie),
    inertia,
    inverse,
    added,
    ...packed,
    ...stepFor(packed, inverse, geometry, water),
    lopsided: Math.tanh((whole.crookedShare ?? 0) / FULLY_LOPSIDED),
    noseX: -geometry.centre[0],
  }
}

function packStrips(
  rig: RigGeometry,
  about: (p: Vec3) => Vec3,
  whole: RigGeometry,
): Pick<HydroBody, 'strips' | 'straight'> {
  const wet = whole.strips.filter(s => s.wet)
  const thick = Math.max(0, ...wet.map(s => Math.max(s.widthM, s.heightM)))
  const plastic = wet.filter(s => s.part === 'bait' && Math.max(s.widthM, s.heightM) > 0.15 * thick)
  const length = plastic.reduce((sum, s) => sum + s.lengthM, 0)
  const breadth =
    length > 0 ? plastic.reduce((sum, s) => sum + s.lengthM * Math.sqrt(s.widthM * s.heightM), 0) / length : 1
  const ends = finiteLengthFactor(length / breadth)
  const form = formFactor(Math.min(0.5, breadth / Math.max(length, breadth)))
  const strips: number[] = []
  const straight: number[] = []
  for (const s of rig.strips) {
    if (!s.wet) continue
    const isBody = plastic.includes(s)
    const short = isBody ? ends : 1
    const perimeter = Math.PI * Math.sqrt((s.widthM ** 2 + s.heightM ** 2) / 2)
    const at = about(s.at)
    const drag = [
      short * s.heightM * s.lengthM * ellipseFactor(s.heightM, s.widthM),
      short * s.widthM * s.lengthM * ellipseFactor(s.widthM, s.heightM),
      s.heightM ** 2,
      s.widthM ** 2,
      perimeter * s.lengthM * (isBody ? form : 1),
    ]
    if (s.axis[0] === 1 && s.side[1] === 1 && at[1] === 0) straight.push(at[0], at[2], ...drag)
    else strips.push(...at, ...s.axis, ...s.side, ...s.up, ...drag)
  }
  return { strips: Float64Array.from(strips), straight: Float64Array.from(straight) }
}

/**
 * Integration step of a body that nothing hurries, s: 20 ms keeps the fall time of the catalogue's rigs
 * within 0.02 % of a 1 ms step (tested).
 */
export const STEP_S = 0.02

/**
 * Cross-flow drag coefficient, that of a ball, and speed, over that of a broadside fall, at which the
 * stiffest motion is judged; and steps in its time constant.
 */
const STIFF = { cd: 1.3, ballCd: 0.45, speed: 2, perTime: 1.7 } as const

type Packed = Pick<HydroBody, 'strips' | 'straight' | 'compacts'>

/**
 * Step for a body: drag of thin, light baits brings them up within milliseconds, and that of a small bait on
 * a heavy hook stops its rolling as quickly; the classical Runge–Kutta step is stable only below 2.8 of that
 * time. The quickest motion of all six is judged, at the drag's slope in a fast broadside fall.
 */
function stepFor(
  packed: Packed,
  inverse: Float64Array,
  geometry: RigGeometry,
  water: Water,
): Pick<HydroBody, 'stepS' | 'dampingPerM' | 'quickMS'> {
  const { area, matrix } = dampingOf(packed)
  const load = Math.abs(geometry.massKg - water.densityKgM3 * geometry.displacedM3) * 9.81
  const quickMS = STIFF.speed * Math.sqrt((2 * load) / (water.densityKgM3 * STIFF.cd * area))
  const dampingPerM = water.densityKgM3 * STIFF.cd * largestRate(inverse, matrix)
  return { dampingPerM, quickMS, stepS: stepAt(dampingPerM * quickMS) }
}

/** Step that follows what dies away at a rate, s. */
export const stepAt = (rate: number): number => Math.min(STEP_S, STIFF.perTime / rate)

/**
 * Where drag acts and how much of it, as areas times their places; and the area that a broadside fall meets,
 * m².
 */
function dampingOf({ strips, straight, compacts }: Packed): {
  readonly area: number
  readonly matrix: Float64Array
} {
  const matrix = new Float64Array(36)
  let area = 0
  for (let i = 0; i < strips.length; i += STRIP_STRIDE) {
    const at = strips.subarray(i, i + 3)
    addActing(matrix, at, strips.subarray(i + 6, i + 9), strips[i + 12]!)
    addActing(matrix, at, strips.subarray(i + 9, i + 12), strips[i + 13]!)
    area += strips[i + 13]!
  }
  for (let i = 0; i < straight.length; i += STRAIGHT_STRIDE) {
    const at = [straight[i]!, 0, straight[i + 1]!]
    addActing(matrix, at, SIDE, straight[i + 2]!)
    addActing(matrix, at, UP, straight[i + 3]!)
    area += straight[i + 3]!
  }
  for (let i = 0; i < compacts.length; i += COMPACT_STRIDE) {
    const at = compacts.subarray(i, i + 3)
    const share = (compacts[i + 6]! > 0 ? STIFF.ballCd : 1) / STIFF.cd
    const [cos, sin] = [compacts[i + 7]!, compacts[i + 8]!]
    addActing(matrix, at, [cos, sin, 0], share * compacts[i + 3]!)
    addActing(matrix, at, [-sin, cos, 0], share * compacts[i + 4]! + compacts[i + 9]! / STIFF.cd)
    addActing(matrix, at, UP, share * compacts[i + 5]! + compacts[i + 10]! / STIFF.cd)
    area += compacts[i + 5]!
  }
  return { area, matrix }
}

const SIDE: Vec3 = [0, 1, 0]
const UP: Vec3 = [0, 0, 1]

function packCompacts(rig: RigGeometry, about: (p: Vec3) => Vec3): Float64Array {
  const packed = new Float64Array(rig.compacts.length * COMPACT_STRIDE)
  rig.compacts.forEach((c, i) => {
    const drag = compactDrag(c)
    const yaw = c.yawRad ?? 0
    packed.set(
      [...about(c.at), ...drag.areas, drag.diameterM, Math.cos(yaw), Math.sin(yaw), ...drag.lifts],
      i * COMPACT_STRIDE,
    )
  })
  return packed
}

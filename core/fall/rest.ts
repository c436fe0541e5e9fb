import { upInBody, type Quaternion, type Vec3 } from '../numerics/quaternion'
import { bearingPa, bearingWork, type Bed } from '../water/bed'
import { STANDARD_GRAVITY } from './loads'
import type { HydroBody } from './hydroBody'

/** What of a body its rest follows from. */
type Resting = Pick<HydroBody, 'geometry' | 'displacedKg' | 'buoyancyAt' | 'tieAt'>

/** How a rig comes to lie. Angles in radians. */
export interface Rest {
  /** nose up positive */ readonly pitchRad: number
  /** -pi..pi, 0 back up */ readonly rollRad: number
  readonly posture: 'lies' | 'leans' | 'stands' | 'hangs'
  /** where the hook's point looks */ readonly point: 'up' | 'side' | 'down'
  /** height of the tail, or of the nose where that is higher, over the bottom, m */ readonly highestM: number
  /** height of the centre of gravity over the bottom, m; undefined for a rig that hangs */
  readonly centreM?: number
  /** how far the lowest part has sunk into a soft bottom, m */ readonly sunkM: number
  /** of a bait that bends: attitude of each link behind the hook's against the one that it hangs on, w x y z */
  readonly bent?: Float64Array
}

export interface RestOptions {
  /** attitude at the touch */ readonly from: Quaternion
  /** a hinge at the tie point holds it this high over the bottom, m (a weight on the bottom and its joint) */
  readonly hingeM?: number
  /** a soft bottom; hard when left out */ readonly bed?: Bed
  /** attitude is fixed by the water: the bait hangs above the bottom and touches nothing */
  readonly hangs?: boolean
}

/** Nose or tail at least this far up counts as standing, and as leaning. */
const STANDS_RAD = 1.05
const LEANS_RAD = 0.35

/**
 * Rest on a level bottom, hard and smooth unless a soft bed is given: from the attitude at the touch the rig
 * rolls and tips downhill in its potential energy (weight through the centre of gravity, buoyancy through its
 * own centre) over the points of its outline, until nothing lowers it. With a hinge the tie point stays at
 * the hinge's height and the bait turns about it. In a soft bed every point presses in until the bed bears
 * it; the work of pressing in counts with the energy.
 */
export function restOf(body: Resting, { from, hingeM, bed, hangs = false }: RestOptions): Rest {
  const up = hangs ? upInBody(from) : settle(upInBody(from), u => energy(body, u, hingeM, bed))
  const lowest = reach(body, up, -1)
  const centreM = hinged(body, up, hingeM) ?? restingHeight(body, up, lowest, bed)
  const pitch = Math.asin(Math.max(-1, Math.min(1, up[0])))
  return {
    pitchRad: pitch,
    rollRad: Math.atan2(up[1], up[2]),
    posture: hangs ? 'hangs' : postureAt(pitch),
    point: pointAt(up),
    highestM: hangs ? reach(body, up, 1) - lowest : Math.max(0, centreM + reach(body, up, 1)),
    ...(hangs ? {} : { centreM }),
    sunkM: hangs ? 0 : Math.max(0, -(centreM + lowest)),
  }
}

/** Where the hook's point looks, of what is up in the body's axes. */
export const pointAt = (up: Vec3): Rest['point'] => (up[2] > 0.5 ? 'up' : up[2] < -0.5 ? 'down' : 'side')

/** What a pitch is called, rad. */
export function postureAt(pitchRad: number): Exclude<Rest['posture'], 'hangs'> {
  const steep = Math.abs(pitchRad)
  return steep >= STANDS_RAD ? 'stands' : steep >= LEANS_RAD ? 'leans' : 'lies'
}

/**
 * Furthest point of the outline along (+1) or against (-1) a direction in body axes, about the centre of
 * gravity, m.
 */
function reach({ geometry: { outline, centre } }: Resting, up: Vec3, way: 1 | -1): number {
  let most = -Infinity
  for (let i = 0; i < outline.length; i += 3) {
    most = Math.max(
      most,
      way *
        (up[0] * (outline[i]! - centre[0]) +
          up[1] * (outline[i + 1]! - centre[1]) +
          up[2] * (outline[i + 2]! - centre[2])),
    )
  }
  return way * most
}

/**
 * Potential energy over gravity, kg·m, of an attitude given by the up direction in body axes; a bait pressed
 * below the bottom counts as steeply uphill.
 */
function energy(body: Resting, up: Vec3, hingeM: number | undefined, bed: Bed | undefined): number {
  const heavy = body.geometry.massKg - body.displacedKg
  const [bx, by, bz] = body.buoyancyAt
  const lifted = body.displacedKg * (up[0] * bx + up[1] * by + up[2] * bz)
  const lowest = reach(body, up, -1)
  const centre = hinged(body, up, hingeM) ?? restingHeight(body, up, lowest, bed)
  const pressed = bed
    ? overPoints(body, up, centre, d => bearingWork(bed, d)) / STANDARD_GRAVITY
    : 10 * body.geometry.massKg * Math.max(0, -(centre + lowest))
  return heavy * centre - lifted + pressed
}

function hinged({ tieAt: [tx, ty, tz] }: Resting, up: Vec3, hingeM: number | undefined): number | undefined {
  return hingeM === undefined ? undefined : hingeM - (up[0] * tx + up[1] * ty + up[2] * tz)
}

/** Deepest a rig is taken to sink, m. */
const DEEPEST_M = 0.5

/**
 * Height of the centre of gravity at which the bottom bears the rig, m: touching on a hard bottom, pressed in
 * on a soft one (bisection).
 */
function restingHeight(body: Resting, up: Vec3, lowest: number, bed: Bed | undefined): number {
  if (!bed) return -lowest
  const load = (body.geometry.massKg - body.displacedKg) * STANDARD_GRAVITY
  let borne = -lowest - DEEPEST_M
  let above = -lowest
  for (let i = 0; i < 18; i++) {
    const middle = (borne + above) / 2
    if (overPoints(body, up, middle, d => bearingPa(bed, d)) >= load) borne = middle
    else above = middle
  }
  return borne
}

/** Sum over the points below the bottom of their area times a function of their depth. */
function overPoints(
  { geometry: { outline, outlineAreas, centre } }: Resting,
  up: Vec3,
  heightM: number,
  per: (depthM: number) => number,
): number {
  let sum = 0
  for (let i = 0; i < outlineAreas.length; i++) {
    const depth = -(
      heightM +
      up[0] * (outline[3 * i]! - centre[0]) +
      up[1] * (outline[3 * i + 1]! - centre[1]) +
      up[2] * (outline[3 * i + 2]! - centre[2])
    )
    if (depth > 0) sum += outlineAreas[i]! * per(depth)
  }
  return sum
}

/** Pattern search downhill over directions: steps shrink from a third of a radian to a thousandth. */
function settle(start: Vec3, cost: (up: Vec3) => number): Vec3 {
  let at = start
  let least = cost(at)
  for (let step = 0.3; step > 1e-3; step /= 2) {
    for (let moved = true; moved;) {
      moved = false
      for (const [i, j, sign] of TURNS) {
        const next = turned(at, i, j, sign * step)
        const price = cost(next)
        if (price < least - 1e-12) {
          at = next
          least = price
          moved = true
        }
      }
    }
  }
  return at
}

const TURNS = [
  [0, 2, 1],
  [0, 2, -1],
  [1, 2, 1],
  [1, 2, -1],
  [0, 1, 1],
  [0, 1, -1],
] as const

function turned(v: Vec3, i: number, j: number, angle: number): Vec3 {
  const out = [...v] as [number, number, number]
  out[i] = Math.cos(angle) * v[i]! - Math.sin(angle) * v[j]!
  out[j] = Math.sin(angle) * v[i]! + Math.cos(angle) * v[j]!
  return out
}

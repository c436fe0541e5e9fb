import type { SecondWeight } from '../rig/families/family'
import type { RigGeometry } from '../rig/geometry'
import { weightSize } from '../tackle/weights'
import { clamp } from '../numerics/clamp'

/** How a rig goes through the air: weight ahead, or end over end. */
export type Flight = 'noseFirst' | 'tailFirst' | 'tumbles'

/** A rig in the air. SI. */
export interface AirBody {
  readonly massKg: number
  /** drag over dynamic pressure, m² */ readonly dragAreaM2: number
  readonly flight: Flight
  /** centre of mass before (+) or behind the middle of the side it shows, shares of its length */
  readonly noseLoad: number
  /** side it lands on, m², and its breadth over its height */ readonly flatM2: number
  readonly flatness: number
  /** what is hard and dense of it, kg: weights and hook */ readonly hardKg: number
}

/**
 * Drag of a stubby body end on, and of one that turns end over end against its mean projected area (Hoerner,
 * Fluid-Dynamic Drag, 3-12 and 3-16, blunt cylinders below the critical Reynolds number), with soft parts
 * fluttering: typical.
 */
const END_ON_CD = 0.65
const TUMBLING_CD = 0.9
/** A tail or skirt that flutters behind: friction against the whole surface. *Assumed.* */
const FLUTTER_CF = 0.02
/** Denser than any plastic, kg/m³: all that is metal is, and nothing else. */
const METAL_KGM3 = 3000
/** A load farther off the middle than this keeps the rig from turning over. *Assumed.* */
const STEADY = 0.09

/**
 * Reads off a rig's geometry what the air sees of it. A convex body that turns every way shows a quarter of
 * its surface (Cauchy); one whose weight lies well off the middle of its side flies weight first, as an arrow
 * does. Hooks count as wire, weights on a leader as spheres flying ahead.
 */
export function airBody(geometry: RigGeometry, second?: SecondWeight): AirBody {
  let surface = 0
  let side = 0
  let moment = 0
  let end = 0
  let flat = 0
  let hardKg = 0
  let tall = 0
  for (const s of geometry.strips) {
    if (s.part === 'wire') hardKg += s.massKg
    if (!s.wet) continue
    surface += Math.PI * Math.sqrt((s.widthM ** 2 + s.heightM ** 2) / 2) * s.lengthM
    const shown = s.heightM * s.lengthM
    side += shown
    moment += shown * s.at[0]
    if (s.part === 'wire') continue
    flat += s.widthM * s.lengthM
    tall += shown
    end = Math.max(end, (Math.PI / 4) * s.widthM * s.heightM)
  }
  const flatOfBait = flat
  for (const { kind, at, size, massKg, displacedM3 } of geometry.compacts) {
    // tails and claws are lumps too, of plastic
    if (massKg > METAL_KGM3 * displacedM3) hardKg += massKg
    const [x, y, z] = size
    if (kind === 'inside' || kind === 'nose') continue
    surface += Math.PI * Math.cbrt(x * y * z) ** 2
    side += (Math.PI / 4) * x * z
    moment += (Math.PI / 4) * x * z * at[0]
    end = Math.max(end, (Math.PI / 4) * y * z)
    flat += (Math.PI / 4) * x * y
  }
  const flatness = flatOfBait / Math.max(1e-9, tall)
  const noseLoad = (geometry.centre[0] - moment / side) / geometry.lengthM
  const steady = clamp(Math.abs(noseLoad) / STEADY, 0, 1)
  const along = END_ON_CD * end + FLUTTER_CF * surface
  const turning = (TUMBLING_CD * surface) / 4
  const drag = steady ** 2 * along + (1 - steady ** 2) * turning
  const ahead = second ? (Math.PI / 4) * weightSize('ball', second.massKg, second.densityKgM3).widthM ** 2 : 0
  return {
    massKg: geometry.massKg + (second?.massKg ?? 0),
    dragAreaM2: drag + SPHERE_CD * ahead,
    flight: steady < 0.7 && !second ? 'tumbles' : noseLoad >= 0 || second ? 'noseFirst' : 'tailFirst',
    noseLoad,
    flatM2: flat,
    flatness,
    hardKg: hardKg + (second?.massKg ?? 0),
  }
}

/** Drag of a sphere below the critical Reynolds number (Hoerner 3-8). */
const SPHERE_CD = 0.47

import type { Vec3 } from '../numerics/quaternion'
import type { Compact } from '../rig/geometry'

/**
 * Drag of a lump: areas along x, y, z already multiplied by shape, and the diameter for the sphere curve (0:
 * constant coefficient), and lift areas along y and z of a thin fin that lies along the flow.
 */
export interface CompactDrag {
  readonly areas: Vec3
  readonly diameterM: number
  readonly lifts: readonly [number, number]
}

/**
 * Share of axial drag left to a head or weight whose wake is filled by plastic. *Assumed* from bodies with
 * afterbody in Hoerner ch. 3.
 */
const FILLED_WAKE = 0.75

/**
 * Face-on drag of a soft paddle that bends away: between a rigid disc's 1.17 (Hoerner p. 3-15) and a flag.
 * *Assumed.*
 */
const PADDLE_CD = 0.9

/** Rounded blunt nose ahead of a long body, on frontal area (Hoerner p. 3-12). */
const NOSE_CD = 0.2

/**
 * A bullet's streamlined nose, or its drag as it hangs on the line, against a sphere of its diameter (Hoerner
 * ch. 3, *assumed* within ±20 %).
 */
export const BULLET_DRAG = 0.6

/** Disc across the flow (Hoerner p. 3-15). */
const DISC_CD = 1.17

/**
 * A bunch of tentacles along and across the flow, on its outline: they fold in the one and comb through in
 * the other. *Assumed.*
 */
const SKIRT_CD = [0.35, 0.8] as const

/**
 * A streaming, beating sickle on its side area: between a flag's 0.1 and 0.4 (Hoerner p. 3-25). *Assumed.*
 */
const CURL_CD = 0.25

/** A soft claw held out, on its frontal area: it bends back. *Assumed.* */
const CLAW_CD = 0.6

/**
 * A small blade that hangs and turns in the flow, on the disc it sweeps: an autorotating disc (Hoerner p.
 * 13-18), *assumed* 0.7.
 */
const BLADE_CD = 0.7

/** Plate across the flow (Hoerner p. 3-15). */
const PLATE_CD = 1.17

/**
 * Drag areas of a lump by kind. ball: sphere curve. bullet: along, a streamlined nose at 0.6 of a sphere;
 * across, a short cylinder, 0.65 on length times width against the sphere's 0.41; a slab or a stick likewise.
 * belly and keel: an ellipsoid half hidden under the bait, 0.7. football: an ellipsoid across the flow, the
 * sphere's curve on its own frontal area; wedge: the same with a flat base.
 */
export function compactDrag(c: Compact): CompactDrag {
  const [, y, z] = c.size
  return {
    ...dragOf(c),
    lifts: c.kind === 'fork' || c.kind === 'fin' ? [FIN_LIFT * z * z, FIN_LIFT * y * y] : [0, 0],
  }
}

/** Slender wing: lift over rho·U·w is pi/4 of the span squared (Jones, NACA TR-835, 1946). */
const FIN_LIFT = Math.PI / 4

function dragOf(c: Compact): Omit<CompactDrag, 'lifts'> {
  const [x, y, z] = c.size
  const front = (Math.PI / 4) * y * z
  const filled = c.joined ? FILLED_WAKE : 1
  switch (c.kind) {
    case 'ball':
    case 'football':
    case 'wedge':
      return { areas: [filled * front, (Math.PI / 4) * x * z, (Math.PI / 4) * x * y], diameterM: y }
    case 'bullet':
    case 'slab':
    case 'stick':
      return { areas: [BULLET_DRAG * filled * front, 1.5 * x * z * 0.85, 1.5 * x * y * 0.85], diameterM: y }
    case 'belly':
    case 'keel':
      return {
        areas: [filled * front, 0.7 * (Math.PI / 4) * x * z, 0.7 * (Math.PI / 4) * x * y],
        diameterM: y,
      }
    case 'mushroom':
      return { areas: [DISC_CD * filled * front, front, front], diameterM: 0 }
    case 'inside':
      return { areas: [0, 0, 0], diameterM: 0 }
    case 'skirt':
      return { areas: [SKIRT_CD[0] * front, SKIRT_CD[1] * x * z, SKIRT_CD[1] * x * y], diameterM: 0 }
    case 'nose':
      return { areas: [NOSE_CD * front, 0, 0], diameterM: 0 }
    case 'paddle':
      return { areas: [PADDLE_CD * front, PLATE_CD * x * z, PLATE_CD * x * y], diameterM: 0 }
    case 'blade':
      return { areas: [BLADE_CD * front, PLATE_CD * x * z, PLATE_CD * x * y], diameterM: 0 }
    case 'curl':
      return { areas: [CURL_CD * x * z, PLATE_CD * x * z, 0.6 * PLATE_CD * x * z], diameterM: 0 }
    case 'claw':
      return { areas: [CLAW_CD * front, PLATE_CD * x * z, PLATE_CD * x * y], diameterM: 0 }
    case 'leg':
      return { areas: [SKIRT_CD[0] * front, SKIRT_CD[1] * x * z, SKIRT_CD[1] * x * y], diameterM: 0 }
    case 'fin':
      return { areas: [0.1 * y * z, PLATE_CD * (Math.PI / 4) * x * z, PLATE_CD * x * y], diameterM: 0 }
    case 'fork':
      return { areas: [0.1 * y * z, PLATE_CD * x * z, PLATE_CD * (Math.PI / 4) * x * y], diameterM: 0 }
  }
}

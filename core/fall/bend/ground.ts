import type { Vec3 } from '../../numerics/quaternion'
import { bearingPa, type Bed } from '../../water/bed'
import { addAt } from '../addAt'
import type { Link, Pressing } from './chain'

/** What a chain comes to lie on. */
export interface Ground {
  /** height of the bottom, m */ readonly heightM: number
  /** a soft bottom; hard when left out */ readonly bed?: Bed
  /** a weight on the bottom holds the root's tie point at this place, m */ readonly hinge?: Vec3
}

/** How far a link swings on the ground in one step, rad: what lies on many of its points swings twice as far. */
const SWING = 0.35
/** Ground gives back the less the faster it is met, s/m (Hunt & Crossley, Journal of Applied Mechanics, 1975). */
const LOSS_S_M = 5
/** Of plastic and lead on a firm bottom. *Assumed.* */
const FRICTION = 0.5
/** What moves slower than this over the ground is held by less than the whole friction, m/s. */
const CREEP_MS = 0.02
/** Of the critical damping. */
const HINGE_LOSS = 0.7

/**
 * A ground that bears every outer point of every link: a hard one as a spring so stiff as steps can follow, a soft one
 * with no more than it bears there.
 */
export function pressing(
  links: readonly Link[],
  { heightM: ground, bed, hinge }: Ground,
  stepS: number,
): Pressing {
  const masses = links.map(({ body: { inertia } }) => (inertia[0]! + inertia[7]! + inertia[14]!) / 3)
  const rate = SWING / stepS
  const radii = links.map(({ body: { geometry } }) => radiusOf(geometry.outline, geometry.centre))
  return (n, heightM, place, axes, v, out) => {
    const { outline, outlineAreas, centre } = links[n]!.body.geometry
    const stiff = masses[n]! * rate ** 2
    const [ux, uy, uz] = [axes[0]!, axes[1]!, axes[2]!]
    if (n === 0 && hinge) hold(hinge, links[0]!.body.tieAt, masses[0]!, place, axes, v, out)
    if (heightM - radii[n]! > ground) return
    for (let i = 0; i < outlineAreas.length; i++) {
      const x = outline[3 * i]! - centre[0]
      const y = outline[3 * i + 1]! - centre[1]
      const z = outline[3 * i + 2]! - centre[2]
      const deep = ground - heightM - ux * x - uy * y - uz * z
      if (deep <= 0) continue
      const vx = v[0]! + v[4]! * z - v[5]! * y
      const vy = v[1]! + v[5]! * x - v[3]! * z
      const vz = v[2]! + v[3]! * y - v[4]! * x
      const rising = ux * vx + uy * vy + uz * vz
      let borne = stiff * deep
      if (bed) borne = Math.min(borne, bearingPa(bed, deep) * outlineAreas[i]!)
      borne *= Math.max(0, 1 - LOSS_S_M * rising)
      const along = Math.hypot(vx - rising * ux, vy - rising * uy, vz - rising * uz)
      const rubs = (-FRICTION * borne) / Math.max(CREEP_MS, along)
      addAt(
        out,
        x,
        y,
        z,
        borne * ux + rubs * (vx - rising * ux),
        borne * uy + rubs * (vy - rising * uy),
        borne * uz + rubs * (vz - rising * uz),
      )
    }
  }

  /** A spring and a damper from the tie point to where the weight holds it. */
  function hold(
    at: Vec3,
    [x, y, z]: Vec3,
    massKg: number,
    place: ArrayLike<number>,
    axes: Float64Array,
    v: Float64Array,
    out: Float64Array,
  ): void {
    const [ux, uy, uz, fx, fy, fz] = axes as unknown as [number, number, number, number, number, number]
    // the world's Y is up x X
    const [sx, sy, sz] = [uy * fz - uz * fy, uz * fx - ux * fz, ux * fy - uy * fx]
    const off = [
      place[0]! + fx * x + fy * y + fz * z - at[0],
      place[1]! + sx * x + sy * y + sz * z - at[1],
      place[2]! + ux * x + uy * y + uz * z - at[2],
    ] as const
    const spring = -massKg * rate ** 2
    const damper = -2 * HINGE_LOSS * massKg * rate
    const pull = (f: number, s: number, u: number, speed: number): number =>
      spring * (off[0] * f + off[1] * s + off[2] * u) + damper * speed
    addAt(
      out,
      x,
      y,
      z,
      pull(fx, sx, ux, v[0]! + v[4]! * z - v[5]! * y),
      pull(fy, sy, uy, v[1]! + v[5]! * x - v[3]! * z),
      pull(fz, sz, uz, v[2]! + v[3]! * y - v[4]! * x),
    )
  }
}

/** Furthest of the outer points from the centre of gravity, m. */
function radiusOf(outline: Float64Array, centre: Vec3): number {
  let most = 0
  for (let i = 0; i < outline.length; i += 3)
    most = Math.max(
      most,
      Math.hypot(outline[i]! - centre[0], outline[i + 1]! - centre[1], outline[i + 2]! - centre[2]),
    )
  return most
}

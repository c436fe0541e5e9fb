import { GRAVITY_MS2 } from '../constants'
import type { Line } from '../tackle/lines'
import { addAt } from './addAt'
import { frictionCf, inverseCubeRoot, LEAST_RE_SQUARED, sphereCd } from './dragCurves'
import type { FallFactors } from './factors'
import { COMPACT_STRIDE, STRAIGHT_STRIDE, STRIP_STRIDE, type HydroBody } from './hydroBody'
import { lineDragPerSpeed } from './lineDrag'

/**
 * A line held tight from far away: pulls the tie point toward a fixed direction as hard as the reel outruns
 * it. The direction lies in the world's X–Z plane, `elevationRad` above the horizontal.
 */
export interface Tow {
  readonly speedMS: number
  readonly elevationRad: number
  readonly newtonPerMS: number
  /**
   * what a weight that hangs at the tie point pulls besides: down, and back by its own drag at that speed, N
   */
  readonly hung?: {
    readonly downN: number
    readonly backN: number
  }
}

/**
 * What acts on the body. `viscous: false` leaves only gravity, buoyancy and ideal-fluid inertia, for checking
 * conservation.
 */
export interface LoadOptions {
  readonly factors: FallFactors
  readonly line?: Line
  readonly tow?: Tow
  readonly viscous: boolean
  readonly gravityMS2: number
  /**
   * velocity of the whole that this body is a part of, in this body's axes, m/s (3): the ideal moment is that of its
   * motion; the body's own where left out
   */
  readonly wholeMS?: Float64Array
}

/**
 * Force and moment about the centre of gravity in body axes.
 * @param v velocity of the centre of gravity u v w and turning rate p q r, body axes, m/s and rad/s (6
 * numbers)
 * @param axes world up (3) and world X (3), both in body axes
 * @param tieDepthM depth of the tie point, for the wetted line
 * @param out force x y z (N) and moment x y z (N·m), overwritten
 */
export type Loads = (v: Float64Array, axes: Float64Array, tieDepthM: number, out: Float64Array) => void

export const STANDARD_GRAVITY = GRAVITY_MS2

/** Makes the load function of one body in one water. */
export function makeLoads(body: HydroBody, options: LoadOptions): Loads {
  const { strips, straight, compacts, water, buoyancyAt: cb } = body
  const { factors, line } = options
  const rho = water.densityKgM3
  const perViscosity = rho / water.viscosityPaS
  const weight = body.geometry.massKg * options.gravityMS2
  const lift = body.displacedKg * options.gravityMS2

  return (v, axes, tieDepthM, out) => {
    const net = lift - weight
    const upX = axes[0]!
    const upY = axes[1]!
    const upZ = axes[2]!
    out[0] = net * upX
    out[1] = net * upY
    out[2] = net * upZ
    out[3] = lift * (cb[1] * upZ - cb[2] * upY)
    out[4] = lift * (cb[2] * upX - cb[0] * upZ)
    out[5] = lift * (cb[0] * upY - cb[1] * upX)
    if (!options.viscous) return
    stripLoads(v, out)
    compactLoads(v, out)
    momentCorrection(v, out)
    if (line) lineLoad(line, v, tieDepthM, out)
    if (options.tow) towLoad(options.tow, v, axes, out)
  }

  function stripLoads(v: Float64Array, out: Float64Array): void {
    const u0 = v[0]!
    const v0 = v[1]!
    const w0 = v[2]!
    const p = v[3]!
    const q = v[4]!
    const r = v[5]!
    const speed = Math.sqrt(u0 * u0 + v0 * v0 + w0 * w0)
    const friction = -0.5 * rho * factors.axialDrag * frictionCf(perViscosity * speed * body.lengthM) * speed
    const cross = 0.5 * rho * factors.crossDrag
    const square = perViscosity * perViscosity
    const lopsided = factors.vortexSide * body.lopsided
    let sumX = 0
    let sumY = 0
    let sumZ = 0
    let turnX = 0
    let turnY = 0
    let turnZ = 0
    // neighbours meet nearly the same flow, so each cube root of the drag curve starts from the last
    let root = 0
    // straight strips first: their axes are the body's own, which spares most of the work
    for (let i = 0; i < straight.length; i += STRAIGHT_STRIDE) {
      const x = straight[i]!
      const z = straight[i + 1]!
      const side = v0 + r * x - p * z
      const rise = w0 - q * x
      const side2 = side * side
      const rise2 = rise * rise
      const fx = friction * straight[i + 6]! * (u0 + q * z)
      let fy = 0
      let fz = 0
      if (side2 + rise2 > 1e-18) {
        root = inverseCubeRoot(
          Math.max(LEAST_RE_SQUARED, square * (straight[i + 4]! * side2 + straight[i + 5]! * rise2)),
          root,
        )
        const drag = -cross * (1 + 10 * root) * Math.sqrt(side2 + rise2)
        fy = drag * straight[i + 2]! * side
        fz = drag * straight[i + 3]! * rise
      }
      sumX += fx
      sumY += fy
      sumZ += fz
      turnX -= z * fy
      turnY += z * fx - x * fz
      turnZ += x * fy
    }
    for (let i = 0; i < strips.length; i += STRIP_STRIDE) {
      const x = strips[i]!
      const y = strips[i + 1]!
      const z = strips[i + 2]!
      const lx = u0 + q * z - r * y
      const ly = v0 + r * x - p * z
      const lz = w0 + p * y - q * x
      const along = lx * strips[i + 3]! + ly * strips[i + 4]! + lz * strips[i + 5]!
      const side = lx * strips[i + 6]! + ly * strips[i + 7]! + lz * strips[i + 8]!
      const rise = lx * strips[i + 9]! + ly * strips[i + 10]! + lz * strips[i + 11]!
      const across2 = side * side + rise * rise
      let fSide = 0
      let fRise = 0
      if (across2 > 1e-18) {
        root = inverseCubeRoot(
          Math.max(
            LEAST_RE_SQUARED,
            square * (strips[i + 14]! * side * side + strips[i + 15]! * rise * rise),
          ),
          root,
        )
        const drag = -cross * (1 + 10 * root) * Math.sqrt(across2)
        fSide = drag * strips[i + 12]! * side
        fRise = drag * strips[i + 13]! * rise
        if (lopsided !== 0) {
          // strongest at 45° to the flow and at the nose, gone broadside, end on and at the tail
          const both = (2 * along * Math.sqrt(across2)) / (along * along + across2)
          const turned =
            lopsided * both * both * both * both * Math.max(0, 1 + (x - body.noseX) / body.lengthM)
          const keep = fSide
          fSide -= turned * fRise
          fRise += turned * keep
        }
      }
      const fAlong = friction * strips[i + 16]! * along
      const fx = fAlong * strips[i + 3]! + fSide * strips[i + 6]! + fRise * strips[i + 9]!
      const fy = fAlong * strips[i + 4]! + fSide * strips[i + 7]! + fRise * strips[i + 10]!
      const fz = fAlong * strips[i + 5]! + fSide * strips[i + 8]! + fRise * strips[i + 11]!
      sumX += fx
      sumY += fy
      sumZ += fz
      turnX += y * fz - z * fy
      turnY += z * fx - x * fz
      turnZ += x * fy - y * fx
    }
    out[0]! += sumX
    out[1]! += sumY
    out[2]! += sumZ
    out[3]! += turnX
    out[4]! += turnY
    out[5]! += turnZ
  }

  function compactLoads(v: Float64Array, out: Float64Array): void {
    for (let i = 0; i < compacts.length; i += COMPACT_STRIDE) {
      const x = compacts[i]!
      const y = compacts[i + 1]!
      const z = compacts[i + 2]!
      const lx = v[0]! + v[4]! * z - v[5]! * y
      const ly = v[1]! + v[5]! * x - v[3]! * z
      const lz = v[2]! + v[3]! * y - v[4]! * x
      const speed = Math.sqrt(lx * lx + ly * ly + lz * lz)
      if (!(speed > 1e-9)) continue
      const d = compacts[i + 6]!
      const drag = -0.5 * rho * (d > 0 ? sphereCd(perViscosity * speed * d) : 1) * speed
      const across = drag * factors.crossDrag
      const cos = compacts[i + 7]!
      const sin = compacts[i + 8]!
      const along = cos * lx + sin * ly
      const aside = cos * ly - sin * lx
      const lift = -rho * factors.tailLift * Math.abs(along)
      const fx = drag * factors.axialDrag * compacts[i + 3]! * along
      const fy = (across * compacts[i + 4]! + lift * compacts[i + 9]!) * aside
      addAt(
        out,
        x,
        y,
        z,
        cos * fx - sin * fy,
        sin * fx + cos * fy,
        (across * compacts[i + 5]! + lift * compacts[i + 10]!) * lz,
      )
    }
  }

  /**
   * Takes back the share (1 - eta) of the ideal-fluid body moment p_added x v, which separated flow does not
   * deliver.
   */
  function momentCorrection(v: Float64Array, out: Float64Array): void {
    const a = body.added
    const through = options.wholeMS ?? v
    const share = 1 - factors.eta
    const rollShare = 1 - factors.etaRoll
    if (share === 0 && rollShare === 0) return
    let px = 0
    let py = 0
    let pz = 0
    for (let k = 0; k < 6; k++) {
      px += a[k]! * v[k]!
      py += a[6 + k]! * v[k]!
      pz += a[12 + k]! * v[k]!
    }
    out[3]! -= rollShare * (py * through[2]! - pz * through[1]!)
    out[4]! -= share * (pz * through[0]! - px * through[2]!)
    out[5]! -= share * (px * through[1]! - py * through[0]!)
  }

  function lineLoad(stock: Line, v: Float64Array, tieDepthM: number, out: Float64Array): void {
    const x = body.tieAt[0]
    const y = body.tieAt[1]
    const z = body.tieAt[2]
    const lx = v[0]! + v[4]! * z - v[5]! * y
    const ly = v[1]! + v[5]! * x - v[3]! * z
    const lz = v[2]! + v[3]! * y - v[4]! * x
    const k = -lineDragPerSpeed(
      stock,
      water,
      tieDepthM,
      Math.sqrt(lx * lx + ly * ly + lz * lz),
      factors.lineBow,
    )
    addAt(out, x, y, z, k * lx, k * ly, k * lz)
  }

  function towLoad(tow: Tow, v: Float64Array, axes: Float64Array, out: Float64Array): void {
    const [x, y, z] = body.tieAt
    const rise = Math.sin(tow.elevationRad)
    const level = Math.cos(tow.elevationRad)
    const dx = rise * axes[0]! + level * axes[3]!
    const dy = rise * axes[1]! + level * axes[4]!
    const dz = rise * axes[2]! + level * axes[5]!
    const along =
      dx * (v[0]! + v[4]! * z - v[5]! * y) +
      dy * (v[1]! + v[5]! * x - v[3]! * z) +
      dz * (v[2]! + v[3]! * y - v[4]! * x)
    const pull = tow.newtonPerMS * Math.max(0, tow.speedMS - along)
    const down = tow.hung?.downN ?? 0
    const back = tow.hung?.backN ?? 0
    addAt(
      out,
      x,
      y,
      z,
      pull * dx - down * axes[0]! - back * axes[3]!,
      pull * dy - down * axes[1]! - back * axes[4]!,
      pull * dz - down * axes[2]! - back * axes[5]!,
    )
  }
}

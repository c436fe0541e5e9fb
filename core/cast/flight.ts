import { AIR_KGM3, GRAVITY_MS2 } from '../constants'
import { rungeKutta4 } from '../numerics/rk4'

/** What flies, and what it draws behind it. SI. */
export interface Flyer {
  readonly massKg: number
  /** drag over dynamic pressure of the body, m² */ readonly dragAreaM2: number
  /** line drawn off behind it; none when left out */ readonly line?: FlyingLine
}
export interface FlyingLine {
  readonly kgPerM: number
  readonly diameterM: number
  /** friction at spool and guides, times the pull that gets the line going */ readonly spool: number
  /** a steady pull, N */ readonly steadyN: number
}

/** How it is thrown: speed, rise over the horizon, height of the hand. SI. */
export interface Throw {
  readonly speedMS: number
  readonly angleRad: number
  readonly fromM: number
  /** wind along the cast, with it (+) or against it, m/s */ readonly windMS: number
  /** wind across it, m/s; none when left out */ readonly acrossMS?: number
}

export interface Landing {
  readonly distanceM: number
  readonly timeS: number
  readonly speedMS: number
  /** how steeply it comes down, rad under the horizon */ readonly steepRad: number
  /** carried aside by a wind across, m */ readonly asideM: number
}

/**
 * Friction of air along a line that runs through it lengthwise, against its whole surface: a long thin
 * cylinder, boundary layer thicker than itself, Re of a few hundred on its width (Hoerner 3-9, wires along
 * the flow: 0.01 to 0.03).
 */
const ALONG_CF = 0.02
/** Speed under which a spool hardly holds a rig back any more, the line lying slack, m/s. *Assumed.* */
const SLACK_MS = 3
/** A rig that the wind brings back has come no farther than a rod's reach, m. */
const LEAST_M = 2
const STEP_S = 0.02
const LONGEST_S = 20

/**
 * Flight of a body with quadratic drag in a steady wind, the line being drawn off behind it: every metre is
 * brought from rest to its speed (a pull of line mass per metre times speed squared), rubs at spool and
 * guides, and along the air. Without drag and line it is the parabola of the school-book.
 * @throws RangeError unless it has mass, and comes down within 20 s
 */
export function fly({ massKg, dragAreaM2, line }: Flyer, cast: Throw): Landing {
  if (!(massKg > 0)) throw new RangeError('fly: massKg must be positive')
  const half = AIR_KGM3 / 2
  const { acrossMS = 0 } = cast
  const size = acrossMS === 0 ? 4 : 6
  const derivative = (y: Float64Array, dy: Float64Array): void => {
    const vx = y[2]!
    const vz = y[3]!
    const ax = vx - cast.windMS
    const ay = size === 6 ? y[5]! - acrossMS : 0
    const air = half * dragAreaM2 * Math.sqrt(ax * ax + vz * vz + ay * ay)
    let fx = -air * ax
    let fz = -air * vz
    const speed = Math.sqrt(vx * vx + vz * vz)
    if (line && speed > 1e-6) {
      const along = Math.max(0, (vx * ax + vz * vz) / speed)
      const pull =
        (1 + line.spool) * line.kgPerM * speed * speed +
        line.steadyN * Math.tanh(speed / SLACK_MS) +
        half * ALONG_CF * Math.PI * line.diameterM * Math.max(0, y[0]!) * along * along
      fx -= (pull * vx) / speed
      fz -= (pull * vz) / speed
    }
    dy[0] = vx
    dy[1] = vz
    dy[2] = fx / massKg
    dy[3] = fz / massKg - GRAVITY_MS2
    if (size === 6) {
      dy[4] = y[5]!
      dy[5] = (-air * ay) / massKg
    }
  }
  const step = rungeKutta4(size, derivative)
  const y = new Float64Array(size)
  y[1] = cast.fromM
  y[2] = cast.speedMS * Math.cos(cast.angleRad)
  y[3] = cast.speedMS * Math.sin(cast.angleRad)
  const before = new Float64Array(size)
  for (let t = 0; t < LONGEST_S; t += STEP_S) {
    before.set(y)
    step(y, STEP_S)
    if (y[1]! > 0) continue
    const part = before[1]! / (before[1]! - y[1]!)
    const at = (i: number): number => before[i]! + part * (y[i]! - before[i]!)
    return {
      distanceM: Math.max(LEAST_M, at(0)),
      timeS: t + part * STEP_S,
      speedMS: Math.hypot(at(2), at(3)),
      steepRad: Math.atan2(-at(3), at(2)),
      asideM: size === 6 ? Math.abs(at(4)) : 0,
    }
  }
  throw new RangeError('fly: it does not come down')
}

/** Rises that an angler chooses among, rad: low into the wind, high without. */
const RISES = [8, 17, 26, 35, 44].map(degrees => (degrees * Math.PI) / 180)

/** The farthest that one throw gets among the rises an angler chooses from. */
export function farthest(
  flyer: Flyer,
  cast: Omit<Throw, 'angleRad'>,
): Landing & { readonly angleRad: number } {
  return RISES.map(angleRad => ({ ...fly(flyer, { ...cast, angleRad }), angleRad })).reduce((a, b) =>
    b.distanceM > a.distanceM ? b : a,
  )
}

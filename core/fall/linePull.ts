import type { Line } from '../tackle/lines'

/** How the line is held while the rig falls. */
export type LineHold =
  | { readonly mode: 'slack' }
  /** light tension kept by letting line out under a finger */
  | { readonly mode: 'controlled', readonly rodDistanceM: number }
  /** bail closed: the rig swings in toward the rod tip on a line of fixed length */
  | { readonly mode: 'tight', readonly rodDistanceM: number }

/** Rod tip over the water, m. Usual from a bank or a small boat. */
export const ROD_TIP_M = 1.5
/** Tension of a controlled fall as a share of the rig's weight in water: the line leaves the spool under a finger. *Assumed.* */
export const CONTROLLED_SHARE = 0.2
/** Damping of a stretched line as a share of critical for a 10 g rig. *Assumed*; it only stills the twang. */
const LINE_DAMPING = 0.5

/** Force of the line on the tie point in world axes. @param place tie point, m; @param velocity m/s; @param out force, N, overwritten */
export type Pull = (place: ArrayLike<number>, velocity: ArrayLike<number>, out: Float64Array) => void

/**
 * Makes the pull of a held line; undefined for a slack one, whose drag is reckoned elsewhere. The rod tip stands behind the
 * splash, X negative.
 * @param sinkingN weight of the whole rig in water, N
 */
export function linePull(hold: LineHold, line: Line, sinkingN: number): Pull | undefined {
  if (hold.mode === 'slack') return undefined
  const x = -hold.rodDistanceM
  const z = ROD_TIP_M
  if (hold.mode === 'controlled') {
    return (place, _velocity, out) => {
      const [dx, dy, dz] = [x - place[0]!, -place[1]!, z - place[2]!]
      const pull = (CONTROLLED_SHARE * sinkingN) / Math.hypot(dx, dy, dz)
      out[0] = pull * dx
      out[1] = pull * dy
      out[2] = pull * dz
    }
  }
  const slackLength = Math.hypot(x, z)
  const stiffness = line.stiffnessN / slackLength
  const damping = 2 * LINE_DAMPING * Math.sqrt(stiffness * 0.01)
  return (place, velocity, out) => {
    const [dx, dy, dz] = [x - place[0]!, -place[1]!, z - place[2]!]
    const length = Math.hypot(dx, dy, dz)
    const stretch = length - slackLength
    const opening = -(dx * velocity[0]! + dy * velocity[1]! + dz * velocity[2]!) / length
    const pull = stretch > 0 ? Math.max(0, stiffness * stretch + damping * opening) / length : 0
    out[0] = pull * dx
    out[1] = pull * dy
    out[2] = pull * dz
  }
}

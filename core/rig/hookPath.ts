import type { HookDims } from '../tackle/hooks'

/**
 * A point in the pitch plane: s metres behind the bait's nose (negative in front of it), z metres above the
 * nose–tail line.
 */
export interface PlanePoint {
  readonly s: number
  readonly z: number
}

/** Wire of a hook as a polyline from eye to tip, with the places that fitting asks for. */
export interface HookPath {
  readonly points: readonly PlanePoint[]
  readonly eye: PlanePoint
  readonly tip: PlanePoint
  /** ends of the straight shank */ readonly shank: { readonly from: PlanePoint; readonly to: PlanePoint }
  /** index in points where the bend begins */ readonly bendStart: number
  readonly wireM: number
}

const BEND_STEPS = 8

/**
 * Lays an offset or belly-weighted hook: eye, neck, step down, shank, half-round bend of diameter `gap`,
 * point leg forward.
 * @param eye where the eye sits
 */
export function offsetPath(dims: HookDims, eye: PlanePoint): HookPath {
  const shankZ = eye.z - dims.stepM
  const end = eye.s + dims.lengthM
  const radius = dims.gapM / 2
  const stepEnd = eye.s + dims.neckM + 0.5 * dims.stepM
  return bent(dims, eye, [eye, { s: eye.s + dims.neckM, z: eye.z }, { s: stepEnd, z: shankZ }], {
    s: end - radius,
    z: shankZ,
  })
}

/**
 * Lays an open jig hook: the shank starts in the head and runs along the middle of the bait.
 * @param fromM s from which the hook's length counts: the nose, or farther back for a head inside
 */
export function jigPath(dims: HookDims, eye: PlanePoint, head: PlanePoint, fromM = 0): HookPath {
  return bent(dims, eye, [eye, head], { s: fromM + dims.lengthM - dims.gapM / 2, z: head.z })
}

/** Lays a plain hook along the back: eye, shank, bend and point all above the plastic. */
export const topPath = (dims: HookDims, eye: PlanePoint): HookPath =>
  bent(dims, eye, [eye], { s: eye.s + dims.lengthM - dims.gapM / 2, z: eye.z })

function bent(dims: HookDims, eye: PlanePoint, front: readonly PlanePoint[], shankEnd: PlanePoint): HookPath {
  const radius = dims.gapM / 2
  const points = [...front, shankEnd]
  for (let i = 1; i <= BEND_STEPS; i++) {
    const angle = -Math.PI / 2 + (Math.PI * i) / BEND_STEPS
    points.push({
      s: shankEnd.s + radius * Math.cos(angle),
      z: shankEnd.z + radius + radius * Math.sin(angle),
    })
  }
  const tip = { s: shankEnd.s - dims.pointM, z: shankEnd.z + dims.gapM }
  points.push(tip)
  return {
    points,
    eye,
    tip,
    shank: { from: front[front.length - 1]!, to: shankEnd },
    bendStart: front.length,
    wireM: dims.wireM,
  }
}

/** Turns a whole hook about its eye. @param angle radians, positive lifts the bend */
export function turnAboutEye(path: HookPath, angle: number): HookPath {
  const cos = Math.cos(angle)
  const sin = Math.sin(angle)
  const turn = (p: PlanePoint): PlanePoint => {
    const ds = p.s - path.eye.s
    const dz = p.z - path.eye.z
    return { s: path.eye.s + ds * cos - dz * sin, z: path.eye.z + ds * sin + dz * cos }
  }
  return {
    ...path,
    points: path.points.map(turn),
    tip: turn(path.tip),
    shank: { from: turn(path.shank.from), to: turn(path.shank.to) },
  }
}

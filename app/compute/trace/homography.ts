import { Matrix, solve } from 'ml-matrix'

export type Point = readonly [x: number, y: number]

/**
 * A plane seen by a camera: nine numbers, row-major, that take a place on the plane (mm) to one in the picture (px),
 * as x = (h0 X + h1 Y + h2) / (h6 X + h7 Y + h8), and y likewise.
 */
export type Homography = readonly number[]

/**
 * The homography that takes four places to four others (direct linear transform; Hartley & Zisserman, Multiple View
 * Geometry, 2nd ed., section 4.1, with h8 = 1).
 * @throws RangeError when three of the places lie on a line
 */
export function homographyOf(from: readonly Point[], to: readonly Point[]): Homography {
  const rows = from.flatMap(([X, Y], i) => {
    const [x, y] = to[i]!
    return [
      [X, Y, 1, 0, 0, 0, -x * X, -x * Y],
      [0, 0, 0, X, Y, 1, -y * X, -y * Y],
    ]
  })
  const h = solve(new Matrix(rows), Matrix.columnVector(to.flat())).to1DArray()
  if (!h.every(Number.isFinite)) throw new RangeError('homographyOf: three of the places lie on a line')
  return [...h, 1]
}

/** Where a place comes to lie. */
export function mapped(h: Homography, [x, y]: Point): Point {
  const w = h[6]! * x + h[7]! * y + h[8]!
  return [(h[0]! * x + h[1]! * y + h[2]!) / w, (h[3]! * x + h[4]! * y + h[5]!) / w]
}

/** The way back, by the adjugate. */
export function inverseOf(h: Homography): Homography {
  const [a, b, c, d, e, f, g, i, j] = h as [
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
    number,
  ]
  return [
    e * j - f * i,
    c * i - b * j,
    b * f - c * e,
    f * g - d * j,
    a * j - c * g,
    c * d - a * f,
    d * i - e * g,
    b * g - a * i,
    a * e - b * d,
  ]
}

/** How a camera stood to a plane. */
export interface Stance {
  /** between the camera's axis and the plumb line on the plane, rad */ readonly tiltRad: number
  /** from the camera to the plane's origin along the axis, mm */ readonly distanceMm: number
  /** how far the plane's axes are from being of one length and square: 0 for a true rectangle */
  readonly misfit: number
}

/**
 * Focal length of a telephone's main camera over the longer side of its picture: 26 mm over the 36 mm of a full
 * frame is usual (24 to 28). Typical.
 */
const FOCAL = 26 / 36

/** Reads the camera's stance off a homography, with the picture's middle as principal point. */
export function stanceOf(h: Homography, width: number, height: number): Stance {
  const f = FOCAL * Math.max(width, height)
  const column = (k: number): readonly [number, number, number] => {
    const w = h[6 + k]!
    return [(h[k]! - (width / 2) * w) / f, (h[3 + k]! - (height / 2) * w) / f, w]
  }
  const [p, q, t] = [column(0), column(1), column(2)]
  const [np, nq] = [Math.hypot(...p), Math.hypot(...q)]
  const dot = (p[0] * q[0] + p[1] * q[1] + p[2] * q[2]) / (np * nq)
  const normal = [p[1] * q[2] - p[2] * q[1], p[2] * q[0] - p[0] * q[2], p[0] * q[1] - p[1] * q[0]] as const
  return {
    tiltRad: Math.acos(Math.min(1, Math.abs(normal[2]) / Math.hypot(...normal))),
    distanceMm: Math.abs(t[2]) / Math.sqrt(np * nq),
    misfit: Math.abs(Math.log(np / nq)) + Math.abs(dot),
  }
}

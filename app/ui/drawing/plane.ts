import type { DrawnShape } from '#core'

/**
 * A drawing's scale and origin: pixels per metre, and where the nose and the nose–tail line stand on the
 * page.
 */
export interface Plane {
  readonly perM: number
  readonly x0: number
  readonly y0: number
}

export const px = (plane: Plane, s: number): number => plane.x0 + s * plane.perM
export const py = (plane: Plane, z: number): number => plane.y0 - z * plane.perM

/** A shape of a rig's side view as an SVG path. */
export function shapePath({ points, closed }: Pick<DrawnShape, 'points' | 'closed'>, plane: Plane): string {
  let d = ''
  for (let i = 0; i < points.length; i += 2)
    d += `${i === 0 ? 'M' : 'L'}${px(plane, points[i]!).toFixed(2)} ${py(plane, points[i + 1]!).toFixed(2)}`
  return closed ? `${d}Z` : d
}

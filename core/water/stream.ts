/**
 * A current whose speed falls from the surface to nothing at the bottom by the seventh-root law of turbulent
 * channels (Prandtl; Schlichting, Boundary-Layer Theory, ch. XX): u = surface · (height over the bottom /
 * depth)^(1/7).
 */
export interface Stream {
  readonly surfaceMS: number
  /** where it sets, rad from straight away from the rod, positive to the left */ readonly towardRad: number
  readonly depthM: number
}

/** Greatest surface speed that is offered, m/s: four knots. */
export const STREAM_RANGE_MS = [0, 2] as const

/**
 * @returns writes the water's velocity at height z (m, 0 at the surface, negative below) as X and Y into
 * `out`, m/s
 */
export function streamAt(stream: Stream): (z: number, out: Float64Array) => void {
  const x = stream.surfaceMS * Math.cos(stream.towardRad)
  const y = stream.surfaceMS * Math.sin(stream.towardRad)
  return (z, out) => {
    const share = Math.min(1, Math.max(0, 1 + z / stream.depthM)) ** (1 / 7)
    out[0] = x * share
    out[1] = y * share
  }
}

import type { Vec3 } from '../numerics/quaternion'

/** What a strand of a drawing is. */
type StrandKind = 'line' | 'leader' | 'ring' | 'shank' | 'main'

/**
 * A strand as it lies: places in space, x to the right, y up, z toward who looks; one is half a ring wide. The
 * working line runs from the rod to its free end.
 */
export interface Strand {
  readonly kind: StrandKind
  readonly points: readonly Vec3[]
  /** two lines side by side */ readonly doubled?: true
  /** its ends are one */ readonly closed?: true
}

/** Where one strand passes another, or itself, as it is seen. */
export interface Crossing {
  readonly at: readonly [number, number]
  /** strand and place along it, in points */ readonly over: Place
  readonly under: Place
  /** how far apart they are, toward who looks */ readonly gap: number
}
interface Place {
  readonly strand: number
  readonly along: number
}

/** Pieces that each span of a strand is drawn in. */
const PIECES = 8

/** A smooth strand through its points (Catmull–Rom), each span in pieces of equal parameter. */
export function smooth({ points, closed }: Strand): Vec3[] {
  const n = points.length
  const at = (i: number): Vec3 =>
    closed ? points[((i % n) + n) % n]! : points[Math.max(0, Math.min(n - 1, i))]!
  const spans = closed ? n : n - 1
  const out: Vec3[] = []
  for (let i = 0; i < spans; i++) {
    const [a, b, c, d] = [at(i - 1), at(i), at(i + 1), at(i + 2)]
    for (let k = 0; k < PIECES; k++) {
      const t = k / PIECES
      out.push([0, 1, 2].map(j => spline(a[j]!, b[j]!, c[j]!, d[j]!, t)) as unknown as Vec3)
    }
  }
  out.push(closed ? out[0]! : points[n - 1]!)
  return out
}

const spline = (a: number, b: number, c: number, d: number, t: number): number =>
  b + (t * (c - a + t * (2 * a - 5 * b + 4 * c - d + t * (3 * (b - c) + d - a)))) / 2

/** Every crossing of the strands as they are seen, found piece by piece. */
export function crossingsOf(strands: readonly Strand[]): Crossing[] {
  const lines = strands.map(smooth)
  const found: Crossing[] = []
  for (let s = 0; s < lines.length; s++)
    for (let i = 0; i < lines[s]!.length - 1; i++)
      for (let r = s; r < lines.length; r++)
        for (let k = r === s ? i + 2 : 0; k < lines[r]!.length - 1; k++) {
          // the ends of a ring are one
          if (r === s && strands[s]!.closed && i === 0 && k === lines[r]!.length - 2) continue
          const met = meeting(lines[s]![i]!, lines[s]![i + 1]!, lines[r]![k]!, lines[r]![k + 1]!)
          if (!met) continue
          const [one, other] = [
            { place: { strand: s, along: i + met.t }, z: met.z },
            { place: { strand: r, along: k + met.u }, z: met.w },
          ]
          const [over, under] = one.z > other.z ? [one, other] : [other, one]
          found.push({ at: met.at, over: over.place, under: under.place, gap: over.z - under.z })
        }
  return found
}

/** Where two pieces meet as seen, and how near each is there. */
function meeting(
  a: Vec3,
  b: Vec3,
  c: Vec3,
  d: Vec3,
): { readonly at: readonly [number, number]; t: number; u: number; z: number; w: number } | undefined {
  const [px, py] = [b[0] - a[0], b[1] - a[1]]
  const [qx, qy] = [d[0] - c[0], d[1] - c[1]]
  const det = px * qy - py * qx
  if (Math.abs(det) < 1e-12) return undefined
  const t = ((c[0] - a[0]) * qy - (c[1] - a[1]) * qx) / det
  const u = ((c[0] - a[0]) * py - (c[1] - a[1]) * px) / det
  if (t < 0 || t >= 1 || u < 0 || u >= 1) return undefined
  return {
    at: [a[0] + t * px, a[1] + t * py],
    t,
    u,
    z: a[2] + t * (b[2] - a[2]),
    w: c[2] + u * (d[2] - c[2]),
  }
}

/**
 * What a strand meets on its way, in order: over or under, and which strand.
 */
export const metAlong = (
  crossings: readonly Crossing[],
  strand: number,
): { readonly over: boolean; readonly other: number; readonly along: number }[] =>
  crossings
    .flatMap(({ over, under }) => [
      ...(over.strand === strand ? [{ over: true, other: under.strand, along: over.along }] : []),
      ...(under.strand === strand ? [{ over: false, other: over.strand, along: under.along }] : []),
    ])
    .sort((a, b) => a.along - b.along)

import { rotate, type Quaternion, type RigSolid, type Vec3 } from '#core'
import { UNBENT, type BentPart } from './bend'

/** Numbers a station takes in `RigSolid.stations` (x, y, z, width, height). */
const STRIDE = 5

/**
 * A rig seen from the side, about its centre of gravity: closed outlines and the wire, as X Z pairs in metres
 * (X away from the rod, Z up).
 */
export interface SideView {
  readonly body: readonly number[][]
  readonly lumps: readonly { readonly kind: string; readonly points: number[] }[]
  readonly wire: number[]
  /** lowest Z of all of it */ readonly lowest: number
}

/**
 * Projects a rig at an attitude on to the plane of the side view. The body is the envelope of its elliptic
 * sections; a lump is the outline of its ellipsoid.
 * @param partAt where its parts have come to where it bends, by how far toward the nose they lie, m
 */
export function sideView(solid: RigSolid, q: Quaternion, partAt: (x: number) => BentPart = UNBENT): SideView {
  const seen: Seen = {
    at: (x, y, z) => {
      const [X, , Z] = rotate(q, partAt(x).place([x, y, z]))
      return [X, Z]
    },
    axes: x => {
      const { turn } = partAt(x)
      return [rotate(q, turn([1, 0, 0])), rotate(q, turn([0, 1, 0])), rotate(q, turn([0, 0, 1]))]
    },
  }
  const body = [envelope(solid, seen), widest(solid, seen)]
  const lumps = solid.lumps.map(({ kind, at: [x, y, z], size }) => ({
    kind,
    points: ellipsoid(seen.at(x, y, z), seen.axes(x), size),
  }))
  // the hook holds its part of the plastic stiff: the root, whose own axes these are
  const [ax, az] = [rotate(q, [1, 0, 0]), rotate(q, [0, 0, 1])]
  const wire: number[] = []
  for (let i = 0; i < solid.wire.length; i += 2) {
    const [x, z] = [solid.wire[i]!, solid.wire[i + 1]!]
    wire.push(ax[0] * x + az[0] * z, ax[2] * x + az[2] * z)
  }
  let lowest = Infinity
  for (const points of [...body, ...lumps.map(l => l.points), wire])
    for (let i = 1; i < points.length; i += 2) lowest = Math.min(lowest, points[i]!)
  return { body, lumps, wire, lowest }
}

/** A point of the rig in the picture, and the body's axes there, by how far toward the nose, m. */
interface Seen {
  readonly at: (x: number, y: number, z: number) => [number, number]
  readonly axes: (x: number) => readonly [Vec3, Vec3, Vec3]
}

/** Upper and lower edge of all sections, perpendicular to the body's axis as it is seen. */
function envelope(solid: RigSolid, { at, axes }: Seen): number[] {
  const upper: number[] = []
  const lower: number[] = []
  for (let i = 0; i < solid.stations.length; i += STRIDE) {
    const [x, y, z, w, h] = [
      solid.stations[i]!,
      solid.stations[i + 1]!,
      solid.stations[i + 2]!,
      solid.stations[i + 3]!,
      solid.stations[i + 4]!,
    ]
    const [cx, cz] = at(x, y, z)
    const [ax, ay, az] = axes(x)
    const seen = Math.hypot(ax[0], ax[2])
    const n: [number, number] = seen > 0.02 ? [-ax[2] / seen, ax[0] / seen] : [0, 1]
    const reach = Math.hypot((w / 2) * (ay[0] * n[0] + ay[2] * n[1]), (h / 2) * (az[0] * n[0] + az[2] * n[1]))
    upper.push(cx + n[0] * reach, cz + n[1] * reach)
    lower.unshift(cx - n[0] * reach, cz - n[1] * reach)
  }
  return [...upper, ...lower]
}

const ROUND = 20

/** The thickest section by itself, which is what is seen when the bait comes head on. */
function widest(solid: RigSolid, { at, axes }: Seen): number[] {
  let best = 0
  for (let i = 0; i < solid.stations.length; i += STRIDE)
    if (solid.stations[i + 4]! > solid.stations[best + 4]!) best = i
  const [x, y, z, w, h] = [
    solid.stations[best]!,
    solid.stations[best + 1]!,
    solid.stations[best + 2]!,
    solid.stations[best + 3]!,
    solid.stations[best + 4]!,
  ]
  const [cx, cz] = at(x, y, z)
  const [, ay, az] = axes(x)
  return Array.from({ length: ROUND }, (_, i) => {
    const c = (Math.cos((2 * Math.PI * i) / ROUND) * w) / 2
    const s = (Math.sin((2 * Math.PI * i) / ROUND) * h) / 2
    return [cx + ay[0] * c + az[0] * s, cz + ay[2] * c + az[2] * s]
  }).flat()
}

/**
 * Outline of an ellipsoid: for every direction n of the picture, the point A·Aᵀn / |Aᵀn|, A holding the half
 * axes as seen.
 */
function ellipsoid([cx, cz]: [number, number], axes: readonly Vec3[], size: readonly number[]): number[] {
  const half = axes.map((axis, k) => [(axis[0] * size[k]!) / 2, (axis[2] * size[k]!) / 2] as const)
  return Array.from({ length: ROUND }, (_, i) => {
    const n = [Math.cos((2 * Math.PI * i) / ROUND), Math.sin((2 * Math.PI * i) / ROUND)] as const
    const along = half.map(([x, z]) => x * n[0] + z * n[1])
    const length = Math.hypot(...along) || 1
    return [
      cx + half.reduce((sum, [x], k) => sum + x * along[k]!, 0) / length,
      cz + half.reduce((sum, [, z], k) => sum + z * along[k]!, 0) / length,
    ]
  }).flat()
}

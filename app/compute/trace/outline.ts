import { edgeAlong } from './edges'
import type { Smoothed } from './ground'
import { inverseOf, mapped, type Homography, type Point } from './homography'
import { pxPerMmAt, type Scale } from './scale'
import type { Thing } from './things'

/**
 * A station across a traced bait: where along its axis (share of length from the first end), and how far the outline
 * stands off to either side, mm.
 */
export interface TracedStation {
  readonly at: number
  readonly over: number
  readonly under: number
}

/** An outline on the table, mm. */
export interface Trace {
  /** first end of the axis and unit direction along it */ readonly from: Point
  readonly along: Point
  readonly lengthMm: number
  readonly stations: readonly TracedStation[]
}

/** Stations proposed along a bait. */
const STATIONS = 21
/** A station at a very end is taken so far inside it, share of length. */
const END = 0.004

/** Where a place of a trace lies on the table, mm. */
export const placeMm = ({ from, along }: Trace, alongMm: number, acrossMm: number): Point => [
  from[0] + alongMm * along[0] - acrossMm * along[1],
  from[1] + alongMm * along[1] + acrossMm * along[0],
]

/**
 * Length and outline of a thing on the table: its edge taken to the plane of the scale, its axis by the second moments
 * of its area there, edges where the colour is half-way.
 */
export function outlineOf(thing: Thing, { toPicture }: Scale, picture: Smoothed): Trace {
  const toMm = inverseOf(toPicture)
  const axis = axisOnTable(thing, toMm)
  const across = ([x, y]: Point): number =>
    -(x - axis.mean[0]) * axis.along[1] + (y - axis.mean[1]) * axis.along[0]
  const down = ([x, y]: Point): number =>
    (x - axis.mean[0]) * axis.along[0] + (y - axis.mean[1]) * axis.along[1]
  const edge = thing.contour.map((p): readonly [number, number] => {
    const mm = mapped(toMm, p)
    return [down(mm), across(mm)]
  })
  const at = (l: number, a: number): Point => [
    axis.mean[0] + l * axis.along[0] - a * axis.along[1],
    axis.mean[1] + l * axis.along[1] + a * axis.along[0],
  ]
  /** The edge near a place on the table, looking along a direction on it; mm further out. */
  const further = (l: number, a: number, dl: number, da: number, insideMm: number): number => {
    const p = mapped(toPicture, at(l, a))
    const q = mapped(toPicture, at(l + 0.1 * dl, a + 0.1 * da))
    const px = 10 * Math.hypot(q[0] - p[0], q[1] - p[1])
    const out: Point = [(10 * (q[0] - p[0])) / px, (10 * (q[1] - p[1])) / px]
    return edgeAlong(picture, p, out, Math.max(1.5, Math.min(6, insideMm * px))) / px
  }
  const ends = [-1, 1].map(side => {
    const [l, a] = edge.reduce((far, p) => (side * p[0] > side * far[0] ? p : far))
    return l + side * further(l, a, side, 0, 6)
  }) as [number, number]
  const lengthMm = ends[1] - ends[0]
  const stations = Array.from({ length: STATIONS }, (_, k): TracedStation => {
    const share = k / (STATIONS - 1)
    const l = ends[0] + lengthMm * Math.min(1 - END, Math.max(END, share))
    const [under, over] = crossings(edge, l)
    const inside = (over - under) / 2
    return {
      at: share,
      over: over + further(l, over, 0, 1, inside),
      under: under - further(l, under, 0, -1, inside),
    }
  })
  return { from: at(ends[0], 0), along: axis.along, lengthMm, stations }
}

/** Lowest and highest place where an outline crosses a station. */
function crossings(edge: readonly (readonly [number, number])[], l: number): readonly [number, number] {
  let [least, most] = [Infinity, -Infinity]
  for (let i = 0; i < edge.length; i++) {
    const [a, b] = [edge[i]!, edge[(i + 1) % edge.length]!]
    if (a[0] < l === b[0] < l) continue
    const y = a[1] + ((l - a[0]) / (b[0] - a[0])) * (b[1] - a[1])
    least = Math.min(least, y)
    most = Math.max(most, y)
  }
  if (most < least) {
    const [, y] = edge.reduce((near, p) => (Math.abs(p[0] - l) < Math.abs(near[0] - l) ? p : near))
    return [y, y]
  }
  return [least, most]
}

/** Middle and long direction of a thing's area on the table; each pixel counts by the table it shows. */
function axisOnTable(thing: Thing, toMm: Homography): { readonly mean: Point; readonly along: Point } {
  let [n, sx, sy, sxx, syy, sxy] = [0, 0, 0, 0, 0, 0]
  thing.each((px, py) => {
    const [x, y] = mapped(toMm, [px, py])
    const weight = 1 / Math.abs(toMm[6]! * px + toMm[7]! * py + toMm[8]!) ** 3
    n += weight
    sx += weight * x
    sy += weight * y
    sxx += weight * x * x
    syy += weight * y * y
    sxy += weight * x * y
  })
  const mean: Point = [sx / n, sy / n]
  const angle =
    0.5 * Math.atan2(2 * (sxy / n - mean[0] * mean[1]), sxx / n - mean[0] ** 2 - syy / n + mean[1] ** 2)
  return { mean, along: [Math.cos(angle), Math.sin(angle)] }
}

/** What an edge or a corner set by eye or found may be off, px. *Assumed.* */
const EDGE_PX = 0.7

/**
 * How far the length may be off, mm: edges and the scale's own marks by a part of a pixel, and a tilt that the scale
 * cannot tell, the more the farther the thing lies from the scale. What stands up from the table is not in it.
 */
export function toleranceOf(trace: Trace, { marks, toPicture, stance, untoldRad }: Scale): number {
  const { lengthMm } = trace
  const toMm = inverseOf(toPicture)
  const onTable = marks.map(p => mapped(toMm, p))
  const middle: Point = [0, 1].map(
    k => onTable.reduce((sum, p) => sum + p[k]!, 0) / onTable.length,
  ) as unknown as Point
  const reach = Math.max(...onTable.map(p => Math.hypot(p[0] - middle[0], p[1] - middle[1])))
  const centre = placeMm(trace, lengthMm / 2, 0)
  const away = Math.hypot(centre[0] - middle[0], centre[1] - middle[1])
  const px = pxPerMmAt(toPicture, centre)
  const ofScale = ((EDGE_PX / px) * Math.SQRT2 * lengthMm * (1 + away / reach)) / (2 * reach)
  const ofEdges = (EDGE_PX / px) * Math.SQRT2
  const untold = (1 - Math.cos(untoldRad) + (Math.sin(untoldRad) * away) / stance.distanceMm) * lengthMm
  return Math.hypot(ofScale, ofEdges) + untold
}

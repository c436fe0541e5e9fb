import { edgeAlong } from './edges'
import type { Smoothed } from './ground'
import { homographyOf, mapped, stanceOf, type Homography, type Point, type Stance } from './homography'
import type { Thing } from './things'

/** A bank card (ISO/IEC 7810, ID-1): sides, mm. */
const CARD_MM = { width: 85.6, height: 53.98 } as const

/** What gives the scale: its place in the picture, the plane it lies in, and how the camera stood to that. */
export interface Scale {
  /** corners of a card, or the rim of a coin, or the ends of a ruler, px */ readonly marks: readonly Point[]
  /** mm on the table to px in the picture */ readonly toPicture: Homography
  readonly stance: Stance
  /** furthest aside that it tells the scale from, rad */ readonly mostTiltRad: number
  /** tilt that it cannot tell, rad */ readonly untoldRad: number
  /** the thing that it is, where it was found */ readonly thing?: Thing
}

const DEG = Math.PI / 180
/**
 * A card tells the tilt by how its far side shrinks; from further aside than this, what stands up from the table
 * leans too far. A coin tells only a large tilt, and not to which side; a ruler none. *Assumed.*
 */
const BY_CARD = { mostTiltRad: 25 * DEG, untoldRad: 0 } as const
const BY_COIN = { mostTiltRad: 12 * DEG, untoldRad: 6 * DEG } as const
const BY_RULER = { mostTiltRad: 25 * DEG, untoldRad: 8 * DEG } as const

/** A card whose sides are further from its true proportions than this is none. */
const MISFIT = 0.12
/** Least part of its hull that a card fills, and of the four-sided figure through its sides that the hull does. */
const FILLED = 0.88
const FOUR_SIDED = 0.92

/** The card among the things, if there is one: what fills a four-sided figure that is a card seen by a camera. */
export function cardAmong(things: readonly Thing[], picture: Smoothed): Scale | undefined {
  return things
    .flatMap((thing): Scale[] => {
      const hull = hullOf(thing.contour)
      const hullPx = areaOf(hull)
      if (hull.length < 4 || thing.areaPx < FILLED * hullPx) return []
      const corners = sidesOf(thing, quadIn(hull), picture)
      if (!corners || Math.abs(hullPx / areaOf(corners) - 1) > 1 - FOUR_SIDED) return []
      const scale = cardAt(corners, picture.width, picture.height)
      return scale && scale.stance.misfit < MISFIT ? [{ ...scale, thing }] : []
    })
    .sort((a, b) => a.stance.misfit - b.stance.misfit)[0]
}

/**
 * The scale by a card's four corners, in order around it; which pair of sides is the long one is found out.
 * Undefined where they are no four-sided figure.
 */
export function cardAt(corners: readonly Point[], width: number, height: number): Scale | undefined {
  if (corners.length !== 4) return undefined
  const around = areaOf(corners) < 0 ? corners.toReversed() : corners
  if (!isConvex(around)) return undefined
  const { width: w, height: h } = CARD_MM
  return [around, [around[1]!, around[2]!, around[3]!, around[0]!]]
    .map((marks): Scale => {
      const toPicture = homographyOf(
        [
          [0, 0],
          [w, 0],
          [w, h],
          [0, h],
        ],
        marks,
      )
      return { marks, toPicture, stance: stanceOf(toPicture, width, height), ...BY_CARD }
    })
    .sort((a, b) => a.stance.misfit - b.stance.misfit)[0]
}

/** A coin's edge is an ellipse whose area is within this of that by its axes, and not flatter than this. */
const ROUND = 0.02
const FLATTEST = 0.87

/** The coin among the things, if there is one: the roundest. Its ellipse's axes give scale and tilt. */
export function coinAmong(
  things: readonly Thing[],
  diameterMm: number,
  width: number,
  height: number,
): Scale | undefined {
  return things
    .flatMap((thing): (Scale & { readonly off: number })[] => {
      const { mean, along, axes } = ellipseOf(thing)
      const off = Math.abs(thing.areaPx / (Math.PI * axes[0] * axes[1]) - 1)
      if (off > ROUND || axes[1] / axes[0] < FLATTEST) return []
      const at = (u: number, v: number): Point => [
        mean[0] + u * axes[0] * along[0] - v * axes[1] * along[1],
        mean[1] + u * axes[0] * along[1] + v * axes[1] * along[0],
      ]
      const r = diameterMm / 2
      const toPicture = homographyOf(
        [
          [-r, -r],
          [r, -r],
          [r, r],
          [-r, r],
        ],
        [at(-1, -1), at(1, -1), at(1, 1), at(-1, 1)],
      )
      const stance = stanceOf(toPicture, width, height)
      const marks = Array.from({ length: 36 }, (_, i) => at(Math.cos(i / 5.73), Math.sin(i / 5.73)))
      return [
        {
          marks,
          toPicture,
          thing,
          off,
          stance: { ...stance, tiltRad: Math.acos(axes[1] / axes[0]), misfit: 0 },
          ...BY_COIN,
        },
      ]
    })
    .sort((a, b) => a.off - b.off)[0]
}

/** The scale by two marks of a ruler so far apart, seen from straight above. */
export function rulerAt([a, b]: readonly [Point, Point], mm: number, width: number, height: number): Scale {
  const [dx, dy] = [(b[0] - a[0]) / mm, (b[1] - a[1]) / mm]
  const toPicture = [dx, -dy, a[0], dy, dx, a[1], 0, 0, 1]
  return { marks: [a, b], toPicture, stance: stanceOf(toPicture, width, height), ...BY_RULER }
}

/** Pixels of the picture to a millimetre on the table, about a place on it. */
export function pxPerMmAt(toPicture: Homography, mm: Point): number {
  const a = mapped(toPicture, mm)
  const [x, y] = [1, 0].map(k => mapped(toPicture, [mm[0] + k, mm[1] + 1 - k])) as [Point, Point]
  return Math.sqrt(Math.abs((x[0] - a[0]) * (y[1] - a[1]) - (x[1] - a[1]) * (y[0] - a[0])))
}

/** Twice signed: positive clockwise in a picture. px² */
function areaOf(points: readonly Point[]): number {
  let sum = 0
  for (let i = 0; i < points.length; i++) {
    const [a, b] = [points[i]!, points[(i + 1) % points.length]!]
    sum += a[0] * b[1] - b[0] * a[1]
  }
  return sum / 2
}

const turn = (o: Point, a: Point, b: Point): number =>
  (a[0] - o[0]) * (b[1] - o[1]) - (a[1] - o[1]) * (b[0] - o[0])

const isConvex = (points: readonly Point[]): boolean =>
  points.every((p, i) => turn(p, points[(i + 1) % points.length]!, points[(i + 2) % points.length]!) > 1)

/** Convex hull, clockwise in a picture (Andrew's monotone chain, Inf. Proc. Letters 9, 1979). */
function hullOf(points: readonly Point[]): Point[] {
  const sorted = [...points].sort((a, b) => a[0] - b[0] || a[1] - b[1])
  const half = (list: readonly Point[]): Point[] => {
    const chain: Point[] = []
    for (const p of list) {
      while (chain.length > 1 && turn(chain.at(-2)!, chain.at(-1)!, p) <= 0) chain.pop()
      chain.push(p)
    }
    return chain.slice(0, -1)
  }
  return [...half(sorted), ...half(sorted.toReversed())]
}

/** The largest four-sided figure whose corners are of the hull. */
function quadIn(hull: readonly Point[]): Point[] {
  let best: Point[] = []
  let most = 0
  for (let i = 0; i < hull.length; i++)
    for (let j = i + 2; j < hull.length; j++) {
      const far = (from: number, to: number): { readonly at: number; readonly by: number } => {
        let [at, by] = [from, 0]
        for (let k = from + 1; k < to; k++) {
          const d = Math.abs(turn(hull[i]!, hull[j]!, hull[k % hull.length]!))
          if (d > by) [at, by] = [k % hull.length, d]
        }
        return { at, by }
      }
      const [one, other] = [far(i, j), far(j, i + hull.length)]
      if (one.by === 0 || other.by === 0 || one.by + other.by <= most) continue
      most = one.by + other.by
      best = [hull[i]!, hull[one.at]!, hull[j]!, hull[other.at]!]
    }
  return best
}

/** Part of a side, from either end, that a rounded corner may take. */
const CORNER_PART = 0.12
/** A place of the edge further from its side than this share of its length is not of it. */
const BESIDE = 0.04

/** Straight lines through the sides' edges, and where they meet: the corners as if they were not round. */
function sidesOf(thing: Thing, quad: readonly Point[], picture: Smoothed): Point[] | undefined {
  if (quad.length < 4) return undefined
  const lines = quad.map((a, i) => {
    const b = quad[(i + 1) % 4]!
    const length = Math.hypot(b[0] - a[0], b[1] - a[1])
    const [ux, uy] = [(b[0] - a[0]) / length, (b[1] - a[1]) / length]
    const out: Point = [uy, -ux]
    const places = thing.contour
      .filter(p => {
        const along = ((p[0] - a[0]) * ux + (p[1] - a[1]) * uy) / length
        const aside = (p[0] - a[0]) * out[0] + (p[1] - a[1]) * out[1]
        return along > CORNER_PART && along < 1 - CORNER_PART && Math.abs(aside) < BESIDE * length
      })
      .map((p): Point => {
        const t = edgeAlong(picture, p, out, 6)
        return [p[0] + t * out[0], p[1] + t * out[1]]
      })
    return places.length > 10 ? lineThrough(places) : undefined
  })
  const corners = lines.map((line, i) => {
    const before = lines[(i + 3) % 4]
    return line && before && meeting(before, line)
  })
  return corners.every(c => c !== undefined) ? corners : undefined
}

/** A line: a place on it and its direction. */
type StraightLine = { readonly at: Point; readonly along: Point }

/** The line nearest to places by least squares across it, what lies far from it left out twice. */
function lineThrough(places: readonly Point[]): StraightLine {
  let kept = places
  for (let pass = 0; ; pass++) {
    const { mean, along } = axisOf(kept)
    const away = kept.map(p => Math.abs((p[0] - mean[0]) * along[1] - (p[1] - mean[1]) * along[0]))
    if (pass === 2) return { at: mean, along }
    const limit = Math.max(0.5, 2.5 * away.toSorted((a, b) => a - b)[away.length >> 1]!)
    kept = kept.filter((_, i) => away[i]! <= limit)
  }
}

function meeting(one: StraightLine, other: StraightLine): Point | undefined {
  const cross = one.along[0] * other.along[1] - one.along[1] * other.along[0]
  if (Math.abs(cross) < 0.3) return undefined
  const t = ((other.at[0] - one.at[0]) * other.along[1] - (other.at[1] - one.at[1]) * other.along[0]) / cross
  return [one.at[0] + t * one.along[0], one.at[1] + t * one.along[1]]
}

/** Middle and main direction of places. */
function axisOf(places: readonly Point[]): { readonly mean: Point; readonly along: Point } {
  const mean: Point = [0, 1].map(
    k => places.reduce((sum, p) => sum + p[k]!, 0) / places.length,
  ) as unknown as Point
  let [xx, yy, xy] = [0, 0, 0]
  for (const p of places) {
    const [dx, dy] = [p[0] - mean[0], p[1] - mean[1]]
    xx += dx * dx
    yy += dy * dy
    xy += dx * dy
  }
  const angle = 0.5 * Math.atan2(2 * xy, xx - yy)
  return { mean, along: [Math.cos(angle), Math.sin(angle)] }
}

/** The ellipse with a thing's second moments: middle, long direction, half axes (px). */
function ellipseOf(thing: Thing): {
  readonly mean: Point
  readonly along: Point
  readonly axes: readonly [number, number]
} {
  const places: Point[] = []
  thing.each((x, y) => places.push([x, y]))
  const { mean, along } = axisOf(places)
  let [ll, aa] = [0, 0]
  for (const p of places) {
    const [dx, dy] = [p[0] - mean[0], p[1] - mean[1]]
    ll += (dx * along[0] + dy * along[1]) ** 2
    aa += (-dx * along[1] + dy * along[0]) ** 2
  }
  return { mean, along, axes: [2 * Math.sqrt(ll / places.length), 2 * Math.sqrt(aa / places.length)] }
}

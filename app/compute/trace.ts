import { apartFrom, smoothed } from './trace/ground'
import type { Picture } from './trace/picture'
import type { Homography, Point } from './trace/homography'
import { outlineOf, toleranceOf, type Trace } from './trace/outline'
import { cardAmong, cardAt, coinAmong, pxPerMmAt, rulerAt, type Scale } from './trace/scale'
import { coarseThingsOf, thingsOf, type Thing } from './trace/things'
import { inverseOf, mapped } from './trace/homography'

/** What lies beside the bait and is of known size: found, or set by hand where places in the picture are given. */
export type ScaleBy =
  | { readonly kind: 'card'; readonly corners?: readonly Point[] }
  | { readonly kind: 'coin'; readonly diameterMm: number }
  | { readonly kind: 'ruler'; readonly ends: readonly [Point, Point]; readonly mm: number }

/** What to look for besides the scale: baits, or nothing, where only the scale is wanted. */
export interface TraceJob {
  readonly picture: Picture
  readonly scale: ScaleBy
  readonly want: 'bait' | 'scale'
}

/** A thing in the picture that may be the bait. */
export interface Sighted {
  /** its edge in the picture, px */ readonly edge: readonly Point[]
  readonly trace: Trace
  /** how far the length may be off, mm */ readonly toleranceMm: number
}

/** What was found: the scale, the plane it lies in, and the things on it, the largest first. */
export interface Sighting {
  readonly marks: readonly Point[]
  readonly toPicture: Homography
  readonly toMm: Homography
  readonly pxPerMm: number
  readonly tiltRad: number
  /** from the camera to the table, by a telephone's usual lens, mm */ readonly distanceMm: number
  readonly things: readonly Sighted[]
}

/** Why nothing can be measured in a picture. */
export type TraceProblem =
  | { readonly code: 'noCard' | 'noCoin' | 'notFour' | 'noBait' | 'small' }
  | { readonly code: 'tilted'; readonly tiltRad: number }

export type TraceAnswer =
  { readonly ok: true; readonly sighting: Sighting } | { readonly ok: false; readonly problem: TraceProblem }

/** A bait shorter than this in the picture is not measured, px. */
const LEAST_PX = 60
/** A thing longer than this many times the longest bait is none, mm. */
const LONGEST_MM = 450

/**
 * Finds what gives the scale and the things beside it in a photograph of a table, and takes their outlines to the
 * table's plane, whatever the ground's colour and grain.
 */
export function tracePicture({ picture, scale: by, want }: TraceJob): TraceAnswer {
  const soft = smoothed(picture)
  const apart = apartFrom(soft)
  const things = thingsOf(apart)
  const found = scaleBy(by, things, () => coarseThingsOf(apart), soft)
  if ('code' in found) return { ok: false, problem: found }
  const { marks, toPicture, stance } = found
  if (stance.tiltRad > found.mostTiltRad)
    return { ok: false, problem: { code: 'tilted', tiltRad: stance.tiltRad } }
  const toMm = inverseOf(toPicture)
  const sighting = {
    marks,
    toPicture,
    toMm,
    pxPerMm: pxPerMmAt(toPicture, mapped(toMm, marks[0]!)),
    tiltRad: stance.tiltRad,
    distanceMm: stance.distanceMm,
  }
  if (want === 'scale') return { ok: true, sighting: { ...sighting, things: [] } }
  const others = things
    .filter(thing => !covers(found, thing))
    .map(thing => ({ edge: thing.contour, trace: outlineOf(thing, found, soft) }))
    .filter(({ trace }) => trace.lengthMm < LONGEST_MM)
  if (others.length === 0) return { ok: false, problem: { code: 'noBait' } }
  const large = others.filter(({ trace }) => trace.lengthMm * sighting.pxPerMm >= LEAST_PX)
  if (large.length === 0) return { ok: false, problem: { code: 'small' } }
  return {
    ok: true,
    sighting: {
      ...sighting,
      things: large.map(one => ({ ...one, toleranceMm: toleranceOf(one.trace, found) })),
    },
  }
}

function scaleBy(
  by: ScaleBy,
  things: readonly Thing[],
  coarse: () => readonly Thing[],
  soft: Parameters<typeof cardAmong>[1],
): Scale | TraceProblem {
  const { width, height } = soft
  if (by.kind === 'ruler') return rulerAt(by.ends, by.mm, width, height)
  if (by.kind === 'coin') return coinAmong(things, by.diameterMm, width, height) ?? { code: 'noCoin' }
  if (by.corners) return cardAt(by.corners, width, height) ?? { code: 'notFour' }
  return cardAmong(things, soft) ?? cardAmong(coarse(), soft) ?? { code: 'noCard' }
}

/** Whether a thing is what gives the scale, or a part of its print: its middle lies within the marks. */
function covers({ marks, thing: own }: Scale, thing: Thing): boolean {
  if (thing === own) return true
  if (marks.length < 3) return false
  const [x, y] = [0, 1].map(k => thing.contour.reduce((sum, p) => sum + p[k]!, 0) / thing.contour.length) as [
    number,
    number,
  ]
  let inside = false
  for (let i = 0, j = marks.length - 1; i < marks.length; j = i++) {
    const [a, b] = [marks[i]!, marks[j]!]
    if (a[1] > y !== b[1] > y && x < ((b[0] - a[0]) * (y - a[1])) / (b[1] - a[1]) + a[0]) inside = !inside
  }
  return inside
}

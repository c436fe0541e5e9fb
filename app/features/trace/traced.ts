import { BAIT_FORMS, type FormId, type OwnOutline } from '#core'
import type { Point, Trace, TracedStation } from '~/compute/trace'

/** From where the photograph looks at the bait. */
export type TraceSide = 'side' | 'above'

/** A place in the picture: so far along the axis (share), so far across it (pixels). */
export const placeOf = ({ from, along, lengthPx }: Trace, at: number, across: number): Point => [
  from[0] + at * lengthPx * along[0] - across * along[1],
  from[1] + at * lengthPx * along[1] + across * along[0],
]

/** The thicker half is the nose. */
export function noseFirst(stations: readonly TracedStation[]): boolean {
  const half = stations.length >> 1
  const sum = (list: readonly TracedStation[]): number =>
    list.reduce((total, s) => total + s.over - s.under, 0)
  return sum(stations.slice(0, half)) >= sum(stations.slice(-half))
}

/** Value of a form's table at a share of its length, straight between stations. */
function tableAt(at: readonly number[], values: readonly number[], share: number): number {
  const i = at.findIndex(a => a >= share)
  if (i <= 0) return values[i === 0 ? 0 : values.length - 1]!
  const part = (share - at[i - 1]!) / (at[i]! - at[i - 1]!)
  return values[i - 1]! + part * (values[i]! - values[i - 1]!)
}

/** Least and greatest breadth of a station, share of length: what the model can build. */
const LEAST = 0.004
const MOST = 0.6

/**
 * A traced outline as a bait's own: what the photograph shows is taken from it, the other of width and height
 * in the proportion of the form it is most like. The back is the side that is up in the picture.
 * @param reversed the axis runs from tail to nose
 */
export function ownOutline(trace: Trace, form: FormId, view: TraceSide, reversed: boolean): OwnOutline {
  const stations = reversed ? trace.stations.map(s => ({ ...s, at: 1 - s.at })).reverse() : trace.stations
  const like = BAIT_FORMS[form]
  const down = trace.along[0] >= 0 ? 1 : -1
  const seen = stations.map(s => Math.min(MOST, Math.max(LEAST, (s.over - s.under) / trace.lengthPx)))
  const other = stations.map(({ at }, i) => {
    const ratio = tableAt(like.at, like.width, at) / tableAt(like.at, like.height, at)
    return Math.min(MOST, Math.max(LEAST, seen[i]! * (view === 'side' ? ratio : 1 / ratio)))
  })
  return {
    at: stations.map(s => s.at),
    width: view === 'side' ? other : seen,
    height: view === 'side' ? seen : other,
    ...(view === 'side'
      ? {
          rise: stations.map(s =>
            Math.max(-0.3, Math.min(0.3, (-down * (s.over + s.under)) / 2 / trace.lengthPx)),
          ),
        }
      : {}),
  }
}

/**
 * Length and gap of a hook from three places in the picture, m: along the shank from the eye to the back of
 * the bend, and across it to the point.
 */
export function hookFrom(
  [eye, bend, tip]: readonly [Point, Point, Point],
  pxPerMm: number,
): { readonly lengthM: number; readonly gapM: number } {
  const shank = Math.hypot(bend[0] - eye[0], bend[1] - eye[1])
  const across =
    Math.abs((bend[0] - eye[0]) * (eye[1] - tip[1]) - (eye[0] - tip[0]) * (bend[1] - eye[1])) /
    Math.max(1e-9, shank)
  return { lengthM: shank / pxPerMm / 1000, gapM: across / pxPerMm / 1000 }
}

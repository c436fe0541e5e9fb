import { BAIT_FORMS, type FormId, type OwnOutline } from '#core'
import type { Sighting } from '~/compute/trace'
import { mapped, type Point } from '~/compute/trace/homography'
import { placeMm, type Trace, type TracedStation } from '~/compute/trace/outline'

/** From where the photograph looks at the bait. */
export type TraceSide = 'side' | 'above'

/** Where in the picture a place of a trace is: so far along its axis (share), so far across it (mm). */
export const placeOf = (
  { toPicture }: Pick<Sighting, 'toPicture'>,
  trace: Trace,
  at: number,
  across: number,
): Point => mapped(toPicture, placeMm(trace, at * trace.lengthMm, across))

/** How far across a trace's axis a place of the picture lies, mm. */
export function acrossOf({ toMm }: Pick<Sighting, 'toMm'>, { from, along }: Trace, place: Point): number {
  const [x, y] = mapped(toMm, place)
  return -(x - from[0]) * along[1] + (y - from[1]) * along[0]
}

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
 * @param overIsDown the side that stands off the axis to the positive is the lower one in the picture
 */
export function ownOutline(
  trace: Trace,
  form: FormId,
  view: TraceSide,
  reversed: boolean,
  overIsDown: boolean,
): OwnOutline {
  const stations = reversed ? trace.stations.map(s => ({ ...s, at: 1 - s.at })).reverse() : trace.stations
  const like = BAIT_FORMS[form]
  const down = overIsDown ? 1 : -1
  const { lengthMm } = trace
  const seen = stations.map(s => Math.min(MOST, Math.max(LEAST, (s.over - s.under) / lengthMm)))
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
          rise: stations.map(s => Math.max(-0.3, Math.min(0.3, (-down * (s.over + s.under)) / 2 / lengthMm))),
        }
      : {}),
  }
}

/** Whether the positive side of a trace's axis is the lower one in the picture. */
export const overIsDown = (sighting: Pick<Sighting, 'toPicture'>, trace: Trace): boolean =>
  placeOf(sighting, trace, 0.5, 1)[1] > placeOf(sighting, trace, 0.5, 0)[1]

/**
 * What a bait that lies on the table measures, over what its picture does: its edge stands half its thickness above
 * the table, nearer to the camera, and so looks larger.
 * @param own the outline, shares of length; the thickness is the breadth that the photograph does not show
 */
export function trueOverSeen(
  own: OwnOutline,
  lengthMm: number,
  view: TraceSide,
  { distanceMm }: Pick<Sighting, 'distanceMm'>,
): number {
  const thickMm = lengthMm * Math.max(...(view === 'side' ? own.width : own.height))
  return 1 - thickMm / 2 / distanceMm
}

/**
 * Length and gap of a hook from three places in the picture, m: along the shank from the eye to the back of
 * the bend, and across it to the point.
 */
export function hookFrom(
  places: readonly [Point, Point, Point],
  { toMm }: Pick<Sighting, 'toMm'>,
): { readonly lengthM: number; readonly gapM: number } {
  const [eye, bend, tip] = places.map(p => mapped(toMm, p)) as [Point, Point, Point]
  const shank = Math.hypot(bend[0] - eye[0], bend[1] - eye[1])
  const across =
    Math.abs((bend[0] - eye[0]) * (eye[1] - tip[1]) - (eye[0] - tip[0]) * (bend[1] - eye[1])) /
    Math.max(1e-9, shank)
  return { lengthM: shank / 1000, gapM: across / 1000 }
}

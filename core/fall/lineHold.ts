/**
 * How the line is held while the rig falls. One model of the line serves all; only what its end at the rod
 * does differs.
 */
export type LineHold =
  /** open spool: line is drawn off without tension and trails in the rig's own track */
  | { readonly mode: 'slack' }
  /** light pull: line leaves the spool under a finger, as soon as it is drawn harder than that */
  | { readonly mode: 'controlled'; readonly rodDistanceM: number; readonly lift?: RodLift }
  /**
   * closed bail: no line leaves, the rig drags it sideways through the water or swings in toward the rod tip
   */
  | { readonly mode: 'tight'; readonly rodDistanceM: number; readonly lift?: RodLift }

/** The rod tip raised (or lowered, where negative) while the rig falls. */
export interface RodLift {
  /** after the splash, s */ readonly afterS: number
  readonly byM: number
  /** how long it takes, s */ readonly overS: number
}

/** Rod tip over the water, m. Usual from a bank or a small boat. */
export const ROD_TIP_M = 1.5

/**
 * Height of the rod tip over the water and its speed upward, m and m/s, at a time after the splash: a lift
 * begins and ends gently (cubic).
 */
export function tipAt(lift: RodLift | undefined, t: number): readonly [heightM: number, speedMS: number] {
  if (!lift || t <= lift.afterS) return [ROD_TIP_M, 0]
  const part = Math.min(1, (t - lift.afterS) / lift.overS)
  const height = ROD_TIP_M + lift.byM * part * part * (3 - 2 * part)
  return [height, part < 1 ? (lift.byM / lift.overS) * 6 * part * (1 - part) : 0]
}

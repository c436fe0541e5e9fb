/** What may be given at all, and names that documents use: plain constants, for views and schemas alike. SI, °C. */

/** Deepest and shallowest water that is offered, m. */
export const DEPTH_RANGE_M = [0.2, 60] as const
/** How far out a rig may splash, m. */
export const ROD_DISTANCE_RANGE_M = [3, 60] as const
/** How far a rod may be lifted or lowered in the fall, m. */
export const LIFT_RANGE_M = [-1.2, 3] as const
/** Line strengths that are offered, N (about 0.5 to 50 kg). */
export const LINE_RANGE_N = [5, 500] as const
/** Depth and width of a bath, bucket or pool to time drops in, m. */
export const BATH_DEPTH_RANGE_M = [0.15, 4] as const
export const BATH_WIDTH_RANGE_M = [0.1, 25] as const
/** A ball weight that drops are held against, kg. */
export const BALL_RANGE_KG = [0.0005, 0.1] as const
/** Length of a rod, m; wind along the cast, m/s; and what is measured of a cast, kg and m. */
export const ROD_LENGTH_M = [0.5, 5] as const
export const WIND_RANGE_MS = [0, 20] as const
export const CAST_KG = [0.0005, 0.3] as const
export const CAST_RANGE_M = [2, 150] as const
/** Most casts that are kept with a rod. */
export const MOST_CASTS = 12
export const SIGHT_RANGE_M = [3, 60] as const
/** Line out at a bite, m. */
export const BITE_RANGE_M = [2, 60] as const
/** Casts between two looks at a hidden point. */
export const LOOKS_RANGE = [1, 40] as const
/** Length of what fish eat, m. */
export const PREY_RANGE_M = [0.02, 0.3] as const
/** Temperatures that fish live in, °C; bite and hardness of jaw against the usual; how far a mouth opens, m. */
export const FEED_RANGE_C = [-1, 40] as const
export const JAW_RANGE = [0.2, 4] as const
export const GAPE_RANGE_M = [0.005, 0.4] as const
/** Levels over chart datum, m. */
export const LEVEL_RANGE_M = [-5, 20] as const
export const AMPLITUDE_RANGE_M = [0, 10] as const
/** Most breaks that are kept of one knot in one line. */
export const MOST_BREAKS = 40
/** What can be tapped and is counted by rig and place. */
export const COUNTED = [
  'cast',
  'bump',
  'bite',
  'hooked',
  'landed',
  'snag',
  'freed',
  'lost',
  'reskin',
  'nipped',
  'onSlack',
  'covered',
] as const
export type CountedKind = (typeof COUNTED)[number]
/** All that can be logged. `void` takes another entry back. */
export const LOG_KINDS = ['start', 'rod', ...COUNTED, 'note', 'drop', 'void', 'end'] as const
export type LogKind = (typeof LOG_KINDS)[number]
/** Letters of rigs on a sheet. */
export const LETTERS = ['A', 'B', 'C', 'D', 'E'] as const
export type Letter = (typeof LETTERS)[number]

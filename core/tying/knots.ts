import type { Vec3 } from '../numerics/quaternion'
import type { Strand } from './strand'

/** Knots that the ways of rigging ask for, by what they are. */
export type KnotId =
  'snug' | 'doubled' | 'openLoop' | 'straightHook' | 'slidingStop' | 'wrappedLeader' | 'harness'

/** One step as it is drawn. The line that works is the first. */
export interface KnotStep {
  readonly id: string
  readonly strands: readonly Strand[]
}

/** Share of a line's strength that a knot keeps, by what is tied. Typical, *assumed*. */
interface Keeps {
  readonly low: number
  readonly value: number
  readonly high: number
}

export interface Knot {
  readonly id: KnotId
  readonly keeps: Keeps
  readonly steps: readonly KnotStep[]
}

const ring: Strand = {
  kind: 'ring',
  closed: true,
  points: Array.from({ length: 12 }, (_, i): Vec3 => {
    const a = (2 * Math.PI * i) / 12
    return [Math.cos(a), Math.sin(a), 0]
  }),
}
/** Wire of the hook behind its eye. */
const shank = (from = -1, to = -6): Strand => ({
  kind: 'shank',
  points: [
    [from, 0, 0],
    [(from + to) / 2, 0, 0],
    [to, 0, 0],
  ],
})
const line = (points: readonly Vec3[]): Strand => ({ kind: 'line', points })
const doubledLine = (points: readonly Vec3[]): Strand => ({ kind: 'line', points, doubled: true })

/** Points of a turn of a wrap. */
const PER_TURN = 8

/**
 * Wraps about an axis that lies along x at a height: from one place along it to another, so many turns, beginning
 * below and toward who looks, or away.
 */
function wraps(
  [fromX, toX]: readonly [number, number],
  turns: number,
  { axisY = 0, radius = 0.8, toward = true }: { axisY?: number; radius?: number; toward?: boolean } = {},
): Vec3[] {
  const n = Math.round(turns * PER_TURN)
  return Array.from({ length: n + 1 }, (_, i): Vec3 => {
    const a = -Math.PI / 2 + (2 * Math.PI * i) / PER_TURN
    return [
      fromX + ((toX - fromX) * i) / n,
      axisY + radius * Math.sin(a),
      (toward ? 1 : -1) * radius * Math.cos(a),
    ]
  })
}

/** From the rod through the eye: over its near rim, down through it, and back behind the rim. */
const THROUGH_EYE: readonly Vec3[] = [
  [11, 0, 0],
  [7, 0, 0],
  [3, 0.05, 0.15],
  [1.5, 0.3, 0.5],
  [0.55, 0.3, 0.3],
  [0.1, -0.1, -0.35],
  [0.6, -0.55, -0.5],
  [1.6, -0.75, -0.35],
]

/** A snug knot: five turns about the standing line, the end back through the small loop at the eye. */
const snug = (): KnotStep[] => {
  const turned = [...THROUGH_EYE, [2.2, -0.8, 0] as Vec3, ...wraps([2.9, 6.9], 5)]
  const end: Vec3[] = [
    [7.2, -1.3, 0.2],
    [6, -1.9, 0.3],
    [4, -2, 0.5],
    [2.6, -1.6, 0.6],
  ]
  return [
    { id: 'through', strands: [line([...THROUGH_EYE, [5, -0.9, 0], [8, -1, 0]]), ring, shank()] },
    { id: 'turns', strands: [line([...turned, [7.6, -1.2, 0]]), ring, shank()] },
    {
      id: 'back',
      strands: [
        line([
          ...turned,
          ...end,
          [1.9, -0.95, 0.5],
          [1.8, -0.3, -0.3],
          [1.75, 0.3, -0.45],
          [1.5, 1.5, -0.2],
          [1.2, 2.4, 0],
        ]),
        ring,
        shank(),
      ],
    },
    {
      id: 'tight',
      strands: [
        line([
          [11, 0, 0],
          [6, 0, 0],
          [3, 0, 0],
          [2, 0.02, 0.02],
          [1.45, 0.2, 0.45],
          [0.6, 0.25, 0.3],
          [0.2, -0.1, -0.35],
          [0.7, -0.5, -0.5],
          ...wraps([1.95, 4], 5, { radius: 0.55 }),
          [3.9, -0.9, 0.5],
          [2.8, -1, 0.5],
          [2.1, -1.7, 0.2],
        ]),
        ring,
        shank(),
      ],
    },
  ]
}

/** The doubled line through the eye, and back beside itself. */
const DOUBLED_EYE: readonly Vec3[] = [
  [11, 0.2, 0],
  [7, 0.2, 0],
  [3, 0.2, 0.15],
  [1.5, 0.3, 0.5],
  [0.55, 0.3, 0.3],
  [0.1, -0.1, -0.35],
  [0.6, -0.6, -0.5],
  [1.6, -1, -0.35],
]
/** Once round the standing line and through: over, under, over, as a half hitch is. */
const HITCH: readonly Vec3[] = [
  ...DOUBLED_EYE,
  [3.5, -1.6, 0],
  [5.5, -1.6, 0.1],
  [7, -0.6, 0.6],
  [7.1, 0.7, 0.6],
  [6.3, 1.5, 0],
  [5.3, 0.9, -0.6],
  [4.7, -0.2, -0.6],
  [4.3, -1, 0.3],
  [4, -1.7, 0.7],
  [3.4, -2.8, 0.3],
]
/** The same knot drawn up against the eye. */
const drawnUp = ([x, y, z]: Vec3): Vec3 =>
  x <= 1.6 || y === 0.2 ? [x, y * 0.7, z] : [1.6 + (x - 1.6) * 0.42, y * 0.62, z]
const doubledSteps = (): KnotStep[] => [
  { id: 'bight', strands: [doubledLine([...DOUBLED_EYE, [4, -1.3, 0], [7, -1.4, 0]]), ring, shank()] },
  { id: 'overhand', strands: [doubledLine(HITCH), ring, shank()] },
  {
    id: 'overHook',
    strands: [
      doubledLine([...HITCH, [2.6, -3.1, 0.2]]),
      ring,
      shank(),
      // the end of the bight, opened and passed over the whole hook: before its wire, then behind it
      {
        kind: 'line',
        points: [
          [2.6, -3, 0.2],
          [0.5, -2.8, 0.5],
          [-1.4, -1.6, 0.6],
          [-2.2, 0, 0.6],
          [-2.5, 1.3, 0.1],
          [-3.1, 1.2, -0.4],
          [-3.3, 0, -0.6],
          [-2.8, -1.9, -0.5],
          [-0.2, -3.5, -0.2],
          [2.6, -3.3, 0.1],
        ],
      },
    ],
  },
  {
    id: 'tight',
    strands: [doubledLine(HITCH.map(drawnUp)), ring, shank()],
  },
]

/**
 * An overhand knot in a line, open, its ends to the right and the left: a long trefoil of polynomials
 * (A. R. Shastri, Tôhoku Math. J. 44, 1992: t³ − 3t, t⁴ − 4t², t⁵/5 − 2t), so that over and under are those of the
 * knot itself.
 */
function overhand(atX: number, size: number): Vec3[] {
  const out: Vec3[] = []
  for (let t = 2.06; t >= -2.061; t -= 0.1287)
    out.push([
      atX + size * (t ** 3 - 3 * t),
      size * 0.55 * (t ** 4 - 4 * t ** 2),
      DEEP * (t ** 5 / 5 - 2 * t),
    ])
  return out
}

/** How far over and under lie apart in it. */
const DEEP = 0.31
const OVERHAND_X = 6.2
const OVERHAND_SIZE = 0.75
/** The line with its overhand knot, and on to the eye and through it. */
const KNOTTED: readonly Vec3[] = [[12, 0.4, 0], [9.4, 0.4, 0], ...overhand(OVERHAND_X, OVERHAND_SIZE)]
const TO_EYE: readonly Vec3[] = [
  [3.4, 0.5, 0],
  [1.6, 0.4, 0.5],
  [0.55, 0.3, 0.3],
  [0.1, -0.1, -0.35],
  [0.6, -0.55, -0.5],
  [1.7, -1.2, -0.3],
]
/** Back through the middle of the overhand knot, from behind. */
const BACK_THROUGH: readonly Vec3[] = [
  [2.6, -2.4, -0.6],
  [4.4, -2.9, -1.2],
  [5.6, -2.1, -1.4],
  [5.95, -1.3, -1.3],
  [6.2, -0.62, 0],
  [6.45, 0.1, 1.3],
  [6.9, 0.9, 1.7],
  [7.6, 1.3, 1.8],
]
const openLoopSteps = (): KnotStep[] => {
  const through = [...KNOTTED, ...TO_EYE, ...BACK_THROUGH]
  const turned = [
    ...through,
    [8.5, 1.35, 1] as Vec3,
    [9, 1.2, 0.3] as Vec3,
    ...wraps([9.3, 12.5], 4, { axisY: 0.4, radius: 0.8, toward: false }).slice(4),
  ]
  const standing: Vec3 = [15, 0.4, 0]
  return [
    { id: 'overhand', strands: [line([...KNOTTED, ...TO_EYE, [3, -1.6, 0], [5, -2, 0]]), ring, shank()] },
    { id: 'same', strands: [line([...through, [8.4, 1.8, 0.6], [9.6, 2.2, 0]]), ring, shank()] },
    {
      id: 'turns',
      strands: [line([standing, ...turned, [12.9, 0.4, -0.7], [13.2, 1.7, -0.2]]), ring, shank()],
    },
    {
      id: 'tight',
      strands: [
        line([
          [12, 0, 0],
          [8.4, 0, 0],
          [5.2, 0.1, 0.1],
          [3, 1.1, 0.3],
          [1.4, 0.9, 0.5],
          [0.5, 0.5, 0.3],
          [0.1, -0.1, -0.35],
          [0.6, -0.7, -0.5],
          [2.4, -1.3, -0.2],
          [4.4, -0.7, 0],
          ...wraps([5.4, 7.4], 4, { radius: 0.55 }),
          [7, -0.9, 0.5],
          [6, -1.2, 0.5],
          [5.2, -1.9, 0.2],
        ]),
        ring,
        shank(),
      ],
    },
  ]
}

/** The doubled snug knot, its long end back through the eye so that the hook stands out straight. */
const straightSteps = (): KnotStep[] => [
  ...doubledSteps().slice(1),
  {
    id: 'endBack',
    strands: [
      line([
        [0, 7, 0],
        [0, 4, 0],
        [0.1, 2.2, 0.2],
        [0.2, 1.2, 0.6],
        [0.15, 0.5, 0.4],
        [0, 0, -0.1],
        [-0.15, -0.5, -0.4],
        [-0.2, -1.2, -0.5],
        [0, -2.4, -0.1],
        [0, -4.4, 0],
        [0, -7, 0],
      ]),
      ring,
      shank(),
    ],
  },
]

/** A short piece that wraps itself and the line: it slides when pushed, and stops what is threaded. */
const slidingSteps = (): KnotStep[] => {
  const main: Strand = {
    kind: 'main',
    points: [
      [-8, 0, 0],
      [0, 0, 0],
      [8, 0, 0],
    ],
  }
  const laid: Vec3[] = [
    [-7, 0.7, 0.05],
    [-3, 0.5, 0.05],
    [2, 0.5, 0.05],
    [4.6, 0.7, 0.1],
    [5.6, 1.5, 0.2],
    [4.6, 2.2, 0.2],
    [0, 2.1, 0.2],
    [-3.4, 1.9, 0.2],
  ]
  const round = wraps([-3, 2.6], 5, { axisY: 0.25, radius: 1, toward: true })
  return [
    { id: 'lay', strands: [line([...laid, [-6, 1.8, 0]]), main] },
    {
      id: 'turns',
      strands: [
        line([
          ...laid,
          [-4.6, 1.2, 0.3],
          [-4.4, 0.1, 0.5],
          [-3.7, -0.7, 0.4],
          ...round,
          [3.4, -1.4, 0],
          [4.6, -1.8, 0],
        ]),
        main,
      ],
    },
    {
      id: 'tight',
      strands: [
        line([
          [-4.4, 1.1, 0.05],
          [-3, 0.45, 0.05],
          [0, 0.3, 0.05],
          [2, 0.3, 0.05],
          [2.7, 0.5, 0.2],
          [2.4, 1.05, 0.3],
          [0, 1.15, 0.3],
          [-2, 1.1, 0.3],
          [-2.5, 0.2, 0.6],
          ...wraps([-2.1, 1.7], 5, { axisY: 0.15, radius: 0.8 }),
          [2.4, -1.1, 0],
          [3.2, -1.5, 0],
        ]),
        main,
      ],
    },
  ]
}

/** The thinner line wraps the bent end of the leader, and goes out of the bend by the side that it came in. */
const leaderSteps = (): KnotStep[] => {
  const bend: Strand = {
    kind: 'leader',
    points: [
      [-9, 0.45, 0],
      [-4, 0.45, 0],
      [1, 0.5, 0],
      [4.4, 0.95, 0],
      [5.7, 0, 0],
      [4.4, -0.95, 0],
      [1, -0.5, 0],
      [-4, -0.45, 0],
    ],
  }
  const into: Vec3[] = [
    [11, 0.9, -0.2],
    [8, 0.5, -0.4],
    [6, 0.15, -0.5],
    [5, 0, 0.1],
    [4, 0, 0.4],
    [1, 0, 0.3],
    [-3, 0, 0.3],
  ]
  const round = wraps([-3.2, 3.4], 8, { radius: 1.15 })
  const out: Vec3[] = [
    [3.9, -0.5, 0.9],
    [4.5, -0.2, 0.2],
    [5.2, -0.25, -0.4],
    [6.2, -0.5, -0.5],
    [8, -1.4, -0.2],
  ]
  return [
    { id: 'bend', strands: [line([...into, [-5, 0, 0.3]]), bend] },
    { id: 'turns', strands: [line([...into, [-3.7, -0.5, 0.9], ...round, [4, -1.7, 0.8]]), bend] },
    { id: 'out', strands: [line([...into, [-3.7, -0.5, 0.9], ...round, ...out]), bend] },
    {
      id: 'tight',
      strands: [
        line([
          [11, 0.9, -0.2],
          [8, 0.5, -0.4],
          [4.9, 0.1, -0.5],
          [4, 0, 0.1],
          [3, 0, 0.35],
          [1, 0, 0.3],
          [-1.6, 0, 0.3],
          [-2.1, -0.5, 0.8],
          ...wraps([-1.8, 2.4], 8, { radius: 1 }),
          [2.9, -0.5, 0.8],
          [3.4, -0.25, 0.2],
          [4.1, -0.25, -0.4],
          [4.9, -0.6, -0.5],
          [5.8, -1.2, -0.2],
        ]),
        {
          kind: 'leader',
          points: [
            [-9, 0.4, 0],
            [-4, 0.4, 0],
            [1, 0.4, 0],
            [3.4, 0.7, 0],
            [4.5, 0, 0],
            [3.4, -0.7, 0],
            [1, -0.4, 0],
            [-3, -0.4, 0],
          ],
        },
      ],
    },
  ]
}

/** From the rod over the rim of the eye, through it, and on along the shank. */
const FROM_EYE: readonly Vec3[] = [
  [11, 0.1, 0],
  [6, 0.1, 0],
  [3.6, 0.1, 0.4],
  [2.5, 0.2, 0.35],
  [2, 0.2, -0.2],
  [1.2, 0.35, -0.45],
]
/** Turns about the wire of the hook over the line's own end: it pulls in line with the shank. */
const harnessSteps = (): KnotStep[] => {
  const wire: Strand = shank(1, -9)
  const eye: Strand = { ...ring, points: ring.points.map(([x, y, z]): Vec3 => [x + 2, y, z]) }
  const into: Vec3[] = [...FROM_EYE, [0.2, 0.45, 0.1], [-2, 0.5, 0.15], [-4.6, 0.5, 0.15]]
  const round = wraps([-4.6, -0.6], 6, { axisY: 0.2, radius: 0.85 })
  return [
    { id: 'through', strands: [line([...into, [-7, 0.8, 0.1]]), eye, wire] },
    {
      id: 'turns',
      strands: [
        line([...into, [-5.6, 0.3, 0.4], [-5.4, -0.4, 0.4], ...round, [-0.1, -1.4, 0.2], [0.6, -2, 0]]),
        eye,
        wire,
      ],
    },
    {
      id: 'tight',
      strands: [
        line([
          ...FROM_EYE,
          [0.4, 0.4, 0.05],
          [-1, 0.4, 0.05],
          [-2.2, 0.25, 0.35],
          [-2.3, -0.2, 0.5],
          ...wraps([-2, 0.4], 6, { axisY: 0.15, radius: 0.65 }),
          [0.6, -1.1, 0.1],
          [0.9, -1.7, 0],
        ]),
        eye,
        wire,
      ],
    },
  ]
}

/** Every knot, with the share of a line's strength that it keeps: typical of tests on scales, *assumed*. */
export const KNOTS: Readonly<Record<KnotId, Knot>> = {
  snug: { id: 'snug', keeps: { low: 0.65, value: 0.82, high: 0.92 }, steps: snug() },
  doubled: { id: 'doubled', keeps: { low: 0.75, value: 0.88, high: 0.96 }, steps: doubledSteps() },
  openLoop: { id: 'openLoop', keeps: { low: 0.68, value: 0.82, high: 0.92 }, steps: openLoopSteps() },
  straightHook: { id: 'straightHook', keeps: { low: 0.75, value: 0.87, high: 0.95 }, steps: straightSteps() },
  slidingStop: { id: 'slidingStop', keeps: { low: 0.85, value: 0.94, high: 1 }, steps: slidingSteps() },
  wrappedLeader: { id: 'wrappedLeader', keeps: { low: 0.6, value: 0.78, high: 0.9 }, steps: leaderSteps() },
  harness: { id: 'harness', keeps: { low: 0.72, value: 0.85, high: 0.95 }, steps: harnessSteps() },
}
export const KNOT_IDS = Object.keys(KNOTS) as KnotId[]

import { weightSize } from '../../tackle/weights'
import { ozToKg } from '../../units'
import type { BaitShape } from '../bait'
import { dimsOf } from '../dims'
import { offsetPath, topPath } from '../hookPath'
import { weightDensity } from '../parts'
import { layPoint, OPEN } from '../placement'
import type { RigSpec } from '../spec'
import { wholeBody, type Family, type FamilyParts, type SecondWeight } from './family'

/** Wire clip between the middle of a hinged ball's front and the hook's eye, m. Typical. */
const CLIP_M = 0.004

/**
 * Usual length of leader between weight and hook, of the dropper below it, and of a stiff wire dropper, m.
 */
export const USUAL_LEADER_M = { L3: 0.4, L4: 0.3, L5: 0.05 } as const

function withSecond(
  bait: BaitShape,
  spec: RigSpec,
  second: Omit<SecondWeight, 'massKg' | 'densityKgM3'>,
): FamilyParts {
  const dims = dimsOf('wideGap', spec)
  const weight = { ...second, massKg: spec.weightKg, densityKgM3: weightDensity(spec) }
  if (spec.pointRest === 'open') return noseHooked(bait, spec, weight)
  const eye = { s: spec.hookAtM ?? 0, z: 0 }
  return {
    dims,
    placement: layPoint(offsetPath(dims, eye), bait, spec),
    compacts: [],
    noseCover: 0,
    tie: eye,
    second: weight,
  }
}

/**
 * A plain hook through the tip of the nose, its point and bend standing above it: the plastic lies behind in
 * the bend, and the gap is open to the front.
 */
function noseHooked(bait: BaitShape, spec: RigSpec, second: SecondWeight): FamilyParts {
  const dims = dimsOf('jig', spec)
  const eye = { s: (spec.hookAtM ?? 0) + 0.006 - dims.lengthM + dims.gapM / 2, z: -dims.gapM / 2 }
  return {
    dims,
    placement: layPoint(topPath(dims, eye), bait, OPEN),
    compacts: [],
    noseCover: 0,
    tie: eye,
    onTop: true,
    inGapM: 0,
    second,
  }
}

/** A head clipped to the eye; the joint passes a pull and no turning moment. */
const hinged =
  (shape: 'ball' | 'football', lipDrag?: number) =>
  (bait: BaitShape, spec: RigSpec): FamilyParts =>
    withSecond(bait, spec, {
      shape,
      lineOnWeight: true,
      tetherM: CLIP_M + weightSize(shape, spec.weightKg, weightDensity(spec)).lengthM / 2,
      ...(lipDrag === undefined ? {} : { dragFactor: lipDrag }),
    })

/**
 * Drag of a head with a lip twice as wide as itself, against the bare ball: a disc across the flow over a
 * sphere (Hoerner p. 3-15), *assumed* tilted by half.
 */
const LIP_DRAG = 5

const jointed = {
  group: 'jointed',
  weighted: true,
  hookStyle: 'wideGap',
  pointRests: ['skin', 'flush', 'buried'],
  inGap: wholeBody,
} as const
const line = { ...jointed, group: 'line' } as const

export const JOINTED = {
  J3: {
    ...jointed,
    id: 'J3',
    loose: { hooks: ['wideGap'], weight: 'football' },
    hangs: { shape: 'football', bait: 'joined' },
    name: 'swinging football head',
    shortName: 'swinging football',
    keepers: ['neck', 'screw'],
    usualKg: [ozToKg(1 / 4), ozToKg(1)],
    advice:
      'Reel it slowly along the bottom: it swings side to side and lifts; leave the joint clear of plastic.',
    place: hinged('football'),
  },
  J4: {
    ...jointed,
    id: 'J4',
    loose: { hooks: ['wideGap'], weight: 'ball' },
    hangs: { shape: 'ball', bait: 'joined' },
    name: 'hinged ball weight on an offset hook',
    shortName: 'hinged ball',
    keepers: ['neck', 'chinBarb'],
    usualKg: [ozToKg(1 / 8), ozToKg(3 / 4)],
    advice: 'Swap weights and hooks; the hook rises with a floating bait; leave the clip room to travel up.',
    place: hinged('ball'),
  },
  J6: {
    ...jointed,
    id: 'J6',
    hangs: { shape: 'ball', bait: 'joined' },
    name: 'lipped wobbling head, jointed',
    shortName: 'lipped head',
    keepers: ['neck', 'screw'],
    usualKg: [ozToKg(1 / 4), ozToKg(3 / 4)],
    advice: 'Drag or roll it slowly; leave room at the joint.',
    place: hinged('ball', LIP_DRAG),
  },
  L3: {
    ...line,
    id: 'L3',
    loose: { hooks: ['wideGap'], weight: 'bullet' },
    hangs: { shape: 'bullet', bait: 'behind', leaderM: USUAL_LEADER_M.L3 },
    name: 'weight ahead on a leader',
    shortName: 'weight on a leader',
    keepers: ['neck', 'screw'],
    usualKg: [ozToKg(1 / 16), ozToKg(1)],
    advice: 'The bait floats free behind; in current a shot 25 to 30 cm ahead is enough.',
    place: (bait, spec) =>
      withSecond(bait, spec, {
        shape: 'bullet',
        lineOnWeight: true,
        tetherM: spec.leaderM ?? USUAL_LEADER_M.L3,
      }),
  },
  L4: {
    ...line,
    id: 'L4',
    loose: { hooks: ['wideGap'], weight: 'ball' },
    hangs: { shape: 'ball', bait: 'level', leaderM: USUAL_LEADER_M.L4 },
    name: 'hook over a dropper weight',
    shortName: 'dropper below',
    pointRests: ['skin', 'flush', 'buried', 'open'],
    keepers: ['neck', 'barb'],
    usualKg: [ozToKg(1 / 8), ozToKg(1 / 2)],
    advice:
      'The dropper sets how high the bait works; hooked straight it twists less; open means hooked through the nose or, moved back, through the throat.',
    place: (bait, spec) =>
      withSecond(bait, spec, {
        shape: 'ball',
        lineOnWeight: false,
        tetherM: spec.leaderM ?? USUAL_LEADER_M.L4,
      }),
  },
  L5: {
    ...line,
    id: 'L5',
    loose: { hooks: ['wideGap'], weight: 'ball' },
    hangs: { shape: 'ball', bait: 'level', leaderM: USUAL_LEADER_M.L5, stiff: true },
    name: 'hook over a short wire dropper',
    shortName: 'wire dropper',
    keepers: ['neck', 'barb'],
    usualKg: [ozToKg(1 / 8), ozToKg(3 / 4)],
    advice: 'A stiff wire of 25 to 75 mm under a free ring: level in current, on any line.',
    place: (bait, spec) =>
      withSecond(bait, spec, {
        shape: 'ball',
        lineOnWeight: false,
        tetherM: spec.leaderM ?? USUAL_LEADER_M.L5,
      }),
  },
} as const satisfies Partial<Record<string, Family>>

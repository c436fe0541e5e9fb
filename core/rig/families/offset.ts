import { ozToKg } from '../../units'
import type { HookStyle } from '../../tackle/hooks'
import type { BaitShape } from '../bait'
import { dimsOf } from '../dims'
import { offsetPath } from '../hookPath'
import { weightCompact, weightDensity } from '../parts'
import { layPoint } from '../placement'
import type { RigSpec } from '../spec'
import { RING_M } from './bellyWeighted'
import { noseCoverOf, wholeBody, type Family, type FamilyParts } from './family'

/**
 * The eye tucked into the nose, or carried in front of it by a screw, the shank along the belly, nothing but
 * the hook's own weight.
 */
const bareHook =
  (style: HookStyle, ahead = 0) =>
  (bait: BaitShape, spec: RigSpec): FamilyParts => {
    const dims = dimsOf(style, style === 'bellyWeighted' ? { wire: 'fine', ...spec } : spec)
    const eye = { s: (spec.hookAtM ?? 0) - ahead, z: 0 }
    return {
      dims,
      placement: layPoint(offsetPath(dims, eye), bait, spec),
      compacts: [],
      noseCover: 0,
      tie: eye,
    }
  }

/** How far a stop left half up lets the weight run, m. Typical. */
const HALF_STOP_M = 0.04

/**
 * A bullet ahead of the hook: held against the nose, so that both move as one and the line leaves the
 * bullet's front; or free to slide.
 */
function withBullet(bait: BaitShape, spec: RigSpec): FamilyParts {
  const hook = bareHook('wideGap')(bait, spec)
  if (spec.peg === 'free' || spec.peg === 'half') {
    return {
      ...hook,
      second: {
        shape: 'bullet',
        massKg: spec.weightKg,
        densityKgM3: weightDensity(spec),
        tetherM: spec.peg === 'half' ? HALF_STOP_M : Infinity,
        lineOnWeight: true,
      },
    }
  }
  const bullet = weightCompact('bullet', spec.weightKg, weightDensity(spec), { s: 0, z: 0 }, true)
  const half = bullet.size[0] / 2
  const at = spec.weightAtM ?? -half
  return {
    ...hook,
    compacts: [{ ...bullet, at: [-at, 0, 0] }],
    noseCover: noseCoverOf(bait, bullet.size[1], bullet.size[2]),
    tie: { s: at - half, z: 0 },
  }
}

const bare = {
  group: 'bare',
  weighted: false,
  pointRests: ['flush', 'skin', 'buried'],
  inGap: wholeBody,
} as const
const line = { group: 'line', weighted: true, hookStyle: 'wideGap', inGap: wholeBody } as const

export const OFFSET = {
  O1: {
    ...bare,
    id: 'O1',
    loose: { hooks: ['worm'] },
    name: 'offset worm hook, unweighted',
    shortName: 'worm hook',
    hookStyle: 'worm',
    keepers: ['neck', 'chinBarb'],
    advice: 'The bait must hang straight; skin-hook the point.',
    place: bareHook('worm'),
  },
  O2: {
    ...bare,
    id: 'O2',
    loose: { hooks: ['wideGap'] },
    name: 'wide-gap hook, unweighted',
    shortName: 'wide gap, no weight',
    hookStyle: 'wideGap',
    keepers: ['neck', 'screw', 'chinBarb'],
    advice:
      'For thick baits, craws and tubes; the eye tucked in, or left out so that plastic fills the neck.',
    place: bareHook('wideGap'),
  },
  O3: {
    ...bare,
    id: 'O3',
    loose: { hooks: ['straight'] },
    name: 'straight-shank hook, unweighted',
    shortName: 'straight shank',
    hookStyle: 'straight',
    keepers: ['barb'],
    advice: 'For slim baits in mats: a straight pull to the point, a snell knot on it.',
    place: bareHook('straight'),
  },
  O4: {
    ...bare,
    id: 'O4',
    loose: { hooks: ['bellyWeighted'] },
    name: 'screw-lock hook, unweighted, light wire',
    shortName: 'screw-lock, light',
    hookStyle: 'bellyWeighted',
    keepers: ['screw', 'chinBarb'],
    advice: 'Down to small sizes for baits of 50 to 65 mm; light wire opens under heavy line.',
    place: bareHook('bellyWeighted', RING_M),
  },
  L8: {
    ...bare,
    id: 'L8',
    name: 'weightless stick or jerkbait on a worm hook',
    shortName: 'weightless',
    hookStyle: 'worm',
    keepers: ['neck', 'screw'],
    advice: 'Skips, lands quietly, darts; casts are short.',
    place: bareHook('worm'),
  },
  L1: {
    ...line,
    id: 'L1',
    loose: { hooks: ['wideGap'], weight: 'bullet' },
    hangs: { shape: 'bullet', bait: 'behind' },
    pegs: true,
    name: 'offset hook behind a bullet weight',
    shortName: 'offset and bullet',
    pointRests: ['flush', 'skin', 'buried'],
    keepers: ['neck', 'screw'],
    usualKg: [ozToKg(1 / 8), ozToKg(7 / 8)],
    advice: 'Pegged it goes through cover as one; free, the bait lags and darts after a snap.',
    place: withBullet,
  },
  L2: {
    ...line,
    id: 'L2',
    loose: { hooks: ['wideGap', 'straight'], weight: 'bullet' },
    name: 'heavy pegged bullet for mats',
    shortName: 'punch rig',
    pointRests: ['buried', 'skin', 'flush'],
    keepers: ['neck', 'screw'],
    usualKg: [ozToKg(3 / 4), ozToKg(1.5)],
    advice: 'Mass and a slim profile break through a mat; peg it and bury the point.',
    place: (bait, spec) => withBullet(bait, { ...spec, peg: 'pegged' }),
  },
} as const satisfies Partial<Record<string, Family>>

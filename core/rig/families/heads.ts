import { weightSize, type WeightShape } from '../../tackle/weights'
import { ozToKg } from '../../units'
import type { BaitShape } from '../bait'
import { dimsOf } from '../dims'
import type { Compact } from '../geometry'
import { jigPath, offsetPath, topPath } from '../hookPath'
import { weightCompact, weightDensity } from '../parts'
import { layPoint, OPEN } from '../placement'
import type { RigSpec } from '../spec'
import { backOnly, noseCoverOf, wholeBody, type Family, type FamilyParts } from './family'

interface HeadOptions {
  readonly style?: 'jig' | 'longJig'
  /** an offset hook in the head, its point in the plastic */ readonly weedless?: boolean
  readonly extra?: (bait: BaitShape, spec: RigSpec, headM: number) => readonly Compact[]
  readonly trailing?: boolean
}

/**
 * A head at the nose with its eye on top; the shank runs along the middle of the bait, or the hook is laid
 * weedless behind it.
 */
function headAtNose(
  shape: WeightShape,
  { style = 'jig', weedless = false, extra, trailing = false }: HeadOptions = {},
) {
  return (bait: BaitShape, spec: RigSpec): FamilyParts => {
    const dims = dimsOf(weedless ? 'wideGap' : style, spec)
    const back = spec.hookAtM ?? 0
    const density = weightDensity(spec)
    const { lengthM, widthM, heightM } = weightSize(shape, spec.weightKg, density)
    const middle = { s: spec.weightAtM ?? -lengthM / 2, z: 0 }
    const eye = { s: middle.s, z: heightM / 2 + 1.5 * dims.wireM }
    const placement = weedless
      ? layPoint(offsetPath(dims, { s: back, z: 0 }), bait, spec)
      : layPoint(jigPath(dims, eye, middle, back), bait, OPEN)
    return {
      dims,
      placement,
      compacts: [
        weightCompact(shape, spec.weightKg, density, middle, true),
        ...(extra?.(bait, spec, heightM) ?? []),
      ],
      noseCover: noseCoverOf(bait, widthM, heightM),
      tie: eye,
      ...(trailing ? stinger(bait, spec) : {}),
    }
  }
}

/**
 * Where a trailing hook hangs on the back, share of the bait's length; two thirds of the main hook's size.
 * Typical.
 */
const STINGER_AT = 0.6
const STINGER_SHARE = 0.65

function stinger(bait: BaitShape, spec: RigSpec): Pick<FamilyParts, 'trailing' | 'trailingDims'> {
  const main = dimsOf('jig', spec)
  const dims = {
    ...main,
    lengthM: STINGER_SHARE * main.lengthM,
    gapM: STINGER_SHARE * main.gapM,
    wireM: 0.85 * main.wireM,
    pointM: STINGER_SHARE * main.pointM,
  }
  const s = STINGER_AT * bait.lengthM
  return { trailing: topPath(dims, { s, z: bait.topAt(s) }), trailingDims: dims }
}

/**
 * A skirt of thin strands round the neck of a head: it hides the nose and drags. Mass of silicone strands,
 * typical.
 */
const skirt = (bait: BaitShape, _spec: RigSpec, headM: number): readonly Compact[] => {
  const across = Math.max(headM, bait.heightAt(0.1 * bait.lengthM)) * 1.5
  return [
    {
      kind: 'skirt',
      at: [-0.02, 0, 0],
      size: [0.035, across, across],
      massKg: 0.0012,
      displacedM3: 1.1e-6,
      joined: true,
    },
  ]
}

/** A thin blade in front of the head, as wide as two heads. Steel, 0.6 mm. */
const blade = (bait: BaitShape, spec: RigSpec, headM: number): readonly Compact[] => {
  const across = 2 * headM
  const volume = (Math.PI / 4) * across ** 2 * 0.0006
  return [
    {
      kind: 'blade',
      at: [headM + 0.004, 0, 0],
      size: [0.0006, across, across],
      massKg: 7850 * volume,
      displacedM3: volume,
      joined: false,
    },
    ...skirt(bait, spec, headM),
  ]
}

const open = {
  group: 'open',
  weighted: true,
  hookStyle: 'jig',
  pointRests: ['open'],
  guards: ['none', 'fibre', 'wire'],
  inGap: backOnly,
} as const
const weedless = {
  group: 'jointed',
  weighted: true,
  hookStyle: 'wideGap',
  pointRests: ['skin', 'flush', 'buried'],
  inGap: wholeBody,
} as const

export const HEADS = {
  E1: {
    ...open,
    id: 'E1',
    name: 'ball jig head',
    shortName: 'ball jig head',
    keepers: ['collar', 'barb', 'screw', 'glue'],
    usualKg: [ozToKg(1 / 16), ozToKg(3 / 4)],
    advice: 'The search bait with the surest hook-up; it catches weed, shell and branches.',
    place: headAtNose('ball'),
  },
  E2: {
    ...open,
    id: 'E2',
    name: 'football head',
    shortName: 'football head',
    keepers: ['collar', 'barb'],
    usualKg: [ozToKg(1 / 4), ozToKg(1)],
    advice: 'Wide across: it rides over rock where a ball drops in; drag it.',
    place: headAtNose('football'),
  },
  E3: {
    ...open,
    id: 'E3',
    name: 'flat-faced stand-up head',
    shortName: 'stand-up head',
    keepers: ['barb', 'glue'],
    usualKg: [ozToKg(1 / 20), ozToKg(1 / 8)],
    advice: 'A short floating bait stands tail up on its face; for cold, slow fish.',
    place: headAtNose('mushroom'),
  },
  E4: {
    ...open,
    id: 'E4',
    name: 'angled stand-up head',
    shortName: 'angled head',
    keepers: ['collar', 'barb'],
    usualKg: [ozToKg(1 / 8), ozToKg(1 / 2)],
    advice: 'Its base tilts the body up: claws raised, as in defence.',
    place: headAtNose('wedge'),
  },
  E5: {
    ...open,
    id: 'E5',
    name: 'long-shank minnow head',
    shortName: 'long-shank head',
    hookStyle: 'longJig',
    keepers: ['screw', 'collar'],
    usualKg: [ozToKg(1 / 8), ozToKg(1)],
    advice: 'The point should stand a third to half of the way down the bait.',
    place: headAtNose('keel', { style: 'longJig' }),
  },
  E6: {
    ...open,
    id: 'E6',
    shortHold: true,
    name: 'flat-backed head with a trailing hook',
    shortName: 'head and trailing hook',
    keepers: ['glue'],
    guards: ['none'],
    usualKg: [ozToKg(3 / 4), ozToKg(1.5)],
    advice:
      'Heavy, for deep ledges; cut the nose square and glue it. The trailing hook catches short bites, and rock.',
    place: headAtNose('slab', { trailing: true }),
  },
  J1: {
    ...weedless,
    id: 'J1',
    name: 'ball head with an offset hook',
    shortName: 'weedless ball head',
    keepers: ['neck', 'screw'],
    usualKg: [ozToKg(1 / 16), ozToKg(3 / 8)],
    advice: 'Shake it in place: a worm stands off soft bottom and lies on hard.',
    place: headAtNose('ball', { weedless: true }),
  },
  J2: {
    ...weedless,
    id: 'J2',
    name: 'flat-faced head with a wide-gap hook',
    shortName: 'weedless stand-up',
    keepers: ['chinBarb'],
    usualKg: [ozToKg(1 / 20), ozToKg(1 / 8)],
    advice: 'Stands up in cover; small hooks for short baits.',
    place: headAtNose('mushroom', { weedless: true }),
  },
  J7: {
    ...open,
    id: 'J7',
    shortHold: true,
    group: 'jointed',
    name: 'skirted brush jig, guarded',
    shortName: 'brush jig',
    trailer: true,
    keepers: ['barb', 'collar'],
    guards: ['fibre', 'wire', 'none'],
    usualKg: [ozToKg(3 / 16), ozToKg(3 / 4)],
    advice: 'For wood: cut the trailer to length; a worn bait makes a good one.',
    place: headAtNose('ball', { extra: skirt }),
  },
  T1: {
    ...open,
    id: 'T1',
    shortHold: true,
    group: 'trailer',
    name: 'trailer on a bladed or topwater jig',
    shortName: 'bladed jig',
    trailer: true,
    keepers: ['barb', 'collar', 'screw'],
    guards: ['none', 'fibre'],
    usualKg: [ozToKg(1 / 4), ozToKg(3 / 4)],
    advice: 'Trim the trailer to length; flat side down, or side-on for a slim profile.',
    place: headAtNose('ball', { extra: blade }),
  },
} as const satisfies Partial<Record<string, Family>>

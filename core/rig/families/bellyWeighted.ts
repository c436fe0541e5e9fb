import { ozToKg } from '../../units'
import type { HookDims } from '../../tackle/hooks'
import type { BaitShape } from '../bait'
import { dimsOf } from '../dims'
import type { Compact } from '../geometry'
import { offsetPath, type HookPath, type PlanePoint } from '../hookPath'
import { weightCompact, weightDensity } from '../parts'
import { layPoint } from '../placement'
import type { RigSpec } from '../spec'
import { wholeBody, type Family, type FamilyParts } from './family'

/** Straight piece between the eye and the nose, taken up by the screw's ring, m. Typical. */
export const RING_M = 0.003

/** Neck of a hook that is threaded through the nose to a pin or chin barb, m. Typical 8–10 mm. */
const THREADED_NECK_M = 0.009

interface BellyOptions {
  /** share of the straight shank at which the weight usually sits */ readonly usual: number
  /** eye in the nose and a threaded neck, rather than a screw in front */ readonly threaded?: boolean
  readonly extra?: (dims: HookDims, at: PlanePoint) => readonly Compact[]
}

/** The weight moulded on, or sliding along, the shank under the belly. */
function belly({ usual, threaded = false, extra }: BellyOptions) {
  return (bait: BaitShape, spec: RigSpec): FamilyParts => {
    const typical = dimsOf('bellyWeighted', spec)
    const dims = threaded ? { ...typical, neckM: spec.hook?.neckM ?? THREADED_NECK_M } : typical
    const eye = { s: (threaded ? 0 : -RING_M) + (spec.hookAtM ?? 0), z: 0 }
    const placement = layPoint(offsetPath(dims, eye), bait, spec)
    const at = alongShank(placement.path, spec.weightAtM, usual)
    return {
      dims,
      placement,
      noseCover: 0,
      tie: eye,
      compacts: [
        weightCompact('belly', spec.weightKg, weightDensity(spec), at, true),
        ...(extra?.(dims, at) ?? []),
      ],
    }
  }
}

function alongShank(path: HookPath, atM: number | undefined, usual: number): PlanePoint {
  const { from, to } = path.shank
  const share = atM === undefined ? usual : (atM - from.s) / (to.s - from.s)
  return { s: from.s + share * (to.s - from.s), z: from.z + share * (to.z - from.z) }
}

/** A small blade on a swivel under the weight, a third of the gap across by two thirds. Brass, 0.5 mm. */
function flash(dims: HookDims, at: PlanePoint): readonly Compact[] {
  const [across, high] = [dims.gapM / 3, (2 * dims.gapM) / 3]
  const volume = (Math.PI / 4) * across * high * 0.0005
  return [
    {
      kind: 'blade',
      at: [-at.s, 0, at.z - high],
      size: [0.0005, across, high],
      massKg: 8500 * volume,
      displacedM3: volume,
      joined: false,
    },
  ]
}

const common = {
  group: 'belly',
  weighted: true,
  hookStyle: 'bellyWeighted',
  pointRests: ['flush', 'skin', 'buried'],
  inGap: wholeBody,
  usualKg: [ozToKg(1 / 16), ozToKg(3 / 8)],
} as const

export const BELLY = {
  W1: {
    ...common,
    id: 'W1',
    loose: { hooks: ['bellyWeighted'], weight: 'onHook' },
    name: 'belly-weighted screw-lock hook',
    shortName: 'belly-weighted',
    keepers: ['screw'],
    slides: true,
    advice:
      'A level, slow, upright fall. Each size is made in only a few weights, so the box limits the choice.',
    place: belly({ usual: 0.62 }),
  },
  W2: {
    ...common,
    id: 'W2',
    name: 'belly-weighted hook with a pin',
    shortName: 'belly-weighted, pinned',
    keepers: ['pin', 'chinBarb'],
    advice: 'Thread 8 to 10 mm of neck; the weight slides through the plastic as you pull it home.',
    place: belly({ usual: 0.62, threaded: true }),
  },
  W3: {
    ...common,
    id: 'W3',
    name: 'sliding-weight hook',
    shortName: 'sliding weight',
    keepers: ['screw'],
    slides: true,
    advice: 'Weight forward for nose first, back for level.',
    place: belly({ usual: 0.4 }),
  },
  W4: {
    ...common,
    id: 'W4',
    name: 'bladed belly hook',
    shortName: 'bladed belly',
    keepers: ['screw'],
    advice: 'Flash under a full-bodied bait; the blade also slows the fall.',
    place: belly({ usual: 0.54, extra: flash }),
  },
} as const satisfies Partial<Record<string, Family>>

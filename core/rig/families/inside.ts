import { weightSize } from '../../tackle/weights'
import { ozToKg } from '../../units'
import type { BaitShape } from '../bait'
import { dimsOf } from '../dims'
import { jigPath, topPath, type PlanePoint } from '../hookPath'
import { weightCompact, weightDensity } from '../parts'
import { layPoint, OPEN } from '../placement'
import type { Compact } from '../geometry'
import type { RigSpec } from '../spec'
import { backOnly, type Family, type FamilyParts } from './family'

/** A weight wrapped in plastic: it has weight and volume, and meets no water of its own. */
const hidden = (shape: 'ball' | 'stick', spec: RigSpec, at: PlanePoint): Compact => ({
  ...weightCompact(shape, spec.weightKg, weightDensity(spec), at, true),
  kind: 'inside',
})

/**
 * Usual place of a head inside a tube: pushed up as far as the body is wide, share of length to its middle.
 */
const IN_TUBE = 0.2

/**
 * A head pushed up inside, its eye pierced through the back; the hook open behind it, or laid weedless on the
 * back.
 */
const inTube =
  (weedless: boolean) =>
  (bait: BaitShape, spec: RigSpec): FamilyParts => {
    const dims = dimsOf('jig', spec)
    const middle = { s: spec.weightAtM ?? IN_TUBE * bait.lengthM, z: 0 }
    const diameterM = weightSize('ball', spec.weightKg, weightDensity(spec)).widthM
    const eye = { s: middle.s, z: Math.max(bait.topAt(middle.s), diameterM / 2) + 1.5 * dims.wireM }
    return {
      dims,
      placement: layPoint(jigPath(dims, eye, middle, middle.s), bait, weedless ? spec : OPEN),
      compacts: [hidden('ball', spec, middle)],
      noseCover: 0,
      tie: eye,
      inside: { diameterM, atM: middle.s },
    }
  }

/**
 * Where the hook goes through: the middle third, a little forward; and how deep in the nose the weight sits.
 * Shares of length.
 */
const HOOKED_AT = 0.42
const IN_NOSE = 0.04

/** Hooked across the middle: a plain hook that lies on the back. */
function acrossMiddle(at: number, weightAt?: number) {
  return (bait: BaitShape, spec: RigSpec): FamilyParts => {
    const dims = dimsOf('jig', spec)
    const s = at * bait.lengthM + (spec.hookAtM ?? 0)
    const eye = { s: s - 0.3 * dims.lengthM, z: bait.topAt(s) + 0.5 * dims.wireM }
    return {
      dims,
      placement: layPoint(topPath(dims, eye), bait, OPEN),
      noseCover: 0,
      tie: { s, z: eye.z },
      onTop: true,
      compacts:
        weightAt === undefined
          ? []
          : [hidden('stick', spec, { s: spec.weightAtM ?? weightAt * bait.lengthM, z: 0 })],
    }
  }
}

/**
 * The spike of a glider sits in the tail end, share of length; the wire loop holds the hook at the other end.
 */
const IN_TAIL = 0.5

const finesse = {
  group: 'finesse',
  hookStyle: 'jig',
  pointRests: ['open'],
  guards: ['none', 'wire', 'fibre'],
  inGap: () => 0,
} as const

export const INSIDE = {
  E7: {
    group: 'open',
    id: 'E7',
    shortHold: true,
    name: 'head inside a tube, hook open',
    shortName: 'head in a tube',
    weighted: true,
    hookStyle: 'jig',
    pointRests: ['open'],
    keepers: ['friction'],
    guards: ['none', 'fibre'],
    slides: true,
    hollowOnly: true,
    usualKg: [ozToKg(1 / 16), ozToKg(3 / 8)],
    inGap: backOnly,
    advice: 'Pierce the eye through the back; the farther back the head, the more it glides, and circles.',
    place: inTube(false),
  },
  J5: {
    group: 'jointed',
    id: 'J5',
    shortHold: true,
    name: 'fixed-eye weedless head inside a tube',
    shortName: 'weedless in a tube',
    weighted: true,
    hookStyle: 'jig',
    pointRests: ['flush', 'skin'],
    keepers: ['friction'],
    slides: true,
    hollowOnly: true,
    usualKg: [ozToKg(1 / 8), ozToKg(1 / 2)],
    inGap: backOnly,
    advice:
      'The eye stands up at 90 degrees and the rig glides; it takes a thick-walled tube of 100 mm or more; the hook lies flat on the back.',
    place: inTube(true),
  },
  L6: {
    ...finesse,
    across: true,
    id: 'L6',
    shortHold: true,
    loose: { hooks: ['jig'] },
    name: 'hooked across the middle, unweighted',
    shortName: 'hooked across',
    weighted: false,
    keepers: ['ring', 'barb'],
    advice:
      'Falls level and slow, its ends quivering, and folds as it is pulled; shallow. A ring saves baits, a guard saves hooks.',
    place: acrossMiddle(0.5),
  },
  L7: {
    ...finesse,
    across: true,
    id: 'L7',
    shortHold: true,
    loose: { hooks: ['jig'], weight: 'stick' },
    name: 'hook in the middle, weight in the nose',
    shortName: 'nose-weighted',
    weighted: true,
    slides: true,
    keepers: ['ring', 'barb'],
    usualKg: [ozToKg(1 / 32), ozToKg(3 / 16)],
    advice:
      'Ring set a little forward of the middle; nearly straight down, with less weight for the same fall.',
    place: acrossMiddle(HOOKED_AT, IN_NOSE),
  },
  L9: {
    ...finesse,
    id: 'L9',
    shortHold: true,
    name: 'glider: spike in the tail, hook ahead',
    shortName: 'backward glider',
    weighted: true,
    slides: true,
    keepers: ['ring'],
    usualKg: [ozToKg(1 / 16), ozToKg(1 / 4)],
    advice: 'A craw that slides away backward on slack: throw it to the edge of cover and let it run under.',
    place: acrossMiddle(0.2, IN_TAIL),
  },
} as const satisfies Partial<Record<string, Family>>

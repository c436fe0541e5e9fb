import { typicalHook } from '../../tackle/hooks'
import { weightSize } from '../../tackle/weights'
import { jigPath, topPath } from '../hookPath'
import { weightCompact, weightDensity } from '../parts'
import { layPoint } from '../placement'
import type { Compact } from '../geometry'
import type { PlanePoint } from '../hookPath'
import type { RigSpec } from '../spec'
import type { Family } from './family'

/** A weight wrapped in plastic: it has weight and volume, and meets no water of its own. */
const hidden = (spec: RigSpec, at: PlanePoint): Compact =>
  ({ ...weightCompact('ball', spec.weightKg, weightDensity(spec), at, true), kind: 'inside' })

/** Usual place of a head inside a tube: pushed up to the nose, share of length to its middle. */
const IN_TUBE = 0.12

/** E7: a head pushed up inside, its eye pierced through the back, the hook open behind it. */
export const headInTube: Family = {
  id: 'E7',
  name: 'head inside a tube, hook open',
  shortName: 'head in a tube',
  weighted: true,
  hookStyle: 'jig',
  pointRests: ['open'],
  inGap: (bait, s) => bait.topAt(s),
  place(bait, spec) {
    const dims = { ...typicalHook('jig', spec.hookSize), ...spec.hook }
    const middle = { s: spec.weightAtM ?? IN_TUBE * bait.lengthM, z: 0 }
    const radius = weightSize('ball', spec.weightKg, weightDensity(spec)).widthM / 2
    const eye = { s: middle.s, z: Math.max(bait.topAt(middle.s), radius) + 1.5 * dims.wireM }
    return {
      dims, placement: layPoint(jigPath(dims, eye, middle, middle.s), bait, 'open'), compacts: [hidden(spec, middle)], noseCovered: false, tie: eye,
    }
  },
}

/** Where the hook goes through: the middle third, a little forward; and how deep in the nose the weight sits. Shares of length. */
const HOOKED_AT = 0.42
const IN_NOSE = 0.04

/** L7: hooked in the middle third, a thin weight pushed into the nose. */
export const noseWeighted: Family = {
  id: 'L7',
  name: 'hook in the middle, weight in the nose',
  shortName: 'nose-weighted',
  weighted: true,
  hookStyle: 'jig',
  onTop: true,
  pointRests: ['open'],
  inGap: () => 0,
  place(bait, spec) {
    const dims = { ...typicalHook('jig', spec.hookSize), ...spec.hook }
    const s = HOOKED_AT * bait.lengthM
    const eye = { s: s - 0.3 * dims.lengthM, z: bait.topAt(s) + 0.5 * dims.wireM }
    return {
      dims, placement: layPoint(topPath(dims, eye), bait, 'open'),
      compacts: [hidden(spec, { s: spec.weightAtM ?? IN_NOSE * bait.lengthM, z: 0 })], noseCovered: false, tie: { s, z: eye.z },
    }
  },
}

import { typicalHook } from '../../tackle/hooks'
import type { BaitShape } from '../bait'
import { offsetPath } from '../hookPath'
import { weightCompact, weightDensity } from '../parts'
import { layPoint } from '../placement'
import type { RigSpec } from '../spec'
import type { Family, FamilyParts } from './family'

/** O2: the eye tucked into the nose, the neck leaving by the chin, the shank along the belly, nothing but the hook's own weight. */
export const offsetHook: Family = {
  id: 'O2',
  name: 'offset hook, unweighted',
  shortName: 'offset, no weight',
  weighted: false,
  hookStyle: 'wideGap',
  pointRests: ['flush', 'skin', 'buried'],
  inGap: (bait, s) => bait.heightAt(s),
  place: placeOffset,
}

function placeOffset(bait: BaitShape, spec: RigSpec): FamilyParts {
  const dims = { ...typicalHook('wideGap', spec.hookSize), ...spec.hook }
  const eye = { s: 0, z: 0 }
  return { dims, placement: layPoint(offsetPath(dims, eye), bait, spec.pointRest), compacts: [], noseCovered: false, tie: eye }
}

/** L1: the same hook behind a bullet weight: held against the nose by a peg, so that both move as one and the line leaves the bullet's front; or free to slide. */
export const peggedBullet: Family = {
  id: 'L1',
  name: 'offset hook behind a bullet weight',
  shortName: 'offset and bullet',
  weighted: true,
  hookStyle: 'wideGap',
  pointRests: ['flush', 'skin', 'buried'],
  inGap: (bait, s) => bait.heightAt(s),
  place(bait, spec) {
    const hook = placeOffset(bait, spec)
    if (spec.peg === 'free') {
      return { ...hook, second: { shape: 'bullet', massKg: spec.weightKg, densityKgM3: weightDensity(spec), tetherM: Infinity, lineOnWeight: true } }
    }
    const bullet = weightCompact('bullet', spec.weightKg, weightDensity(spec), { s: 0, z: 0 }, true)
    const half = bullet.size[0] / 2
    const at = spec.weightAtM ?? -half
    return {
      ...hook,
      compacts: [{ ...bullet, at: [-at, 0, 0] }],
      noseCovered: bullet.size[1] >= bait.widthAt(0.05 * bait.lengthM),
      tie: { s: at - half, z: 0 },
    }
  },
}

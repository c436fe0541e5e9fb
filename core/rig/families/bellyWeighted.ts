import { typicalHook } from '../../tackle/hooks'
import { offsetPath, type HookPath, type PlanePoint } from '../hookPath'
import { weightCompact, weightDensity } from '../parts'
import { layPoint } from '../placement'
import type { Family } from './family'

/** Straight piece between the eye and the nose, taken up by the screw's ring, m. Typical. */
const RING_M = 0.003

/** W1: a screw in the nose carries the eye just in front of it; the weight is moulded on the shank under the belly. */
export const bellyWeighted: Family = {
  id: 'W1',
  name: 'belly-weighted screw-lock hook',
  shortName: 'belly-weighted',
  weighted: true,
  hookStyle: 'bellyWeighted',
  pointRests: ['flush', 'skin', 'buried'],
  inGap: (bait, s) => bait.heightAt(s),
  place(bait, spec) {
    const dims = { ...typicalHook('bellyWeighted', spec.hookSize), ...spec.hook }
    const eye = { s: -RING_M, z: 0 }
    const placement = layPoint(offsetPath(dims, eye), bait, spec.pointRest)
    const at = alongShank(placement.path, spec.weightAtM)
    return {
      dims,
      placement,
      compacts: [weightCompact('belly', spec.weightKg, weightDensity(spec), at, true)],
      noseCovered: false,
      tie: eye,
    }
  },
}

/** Middle of the weight on the straight shank: 0.7 of the way back, typical of hooks made to fall level, or where the angler says. */
function alongShank(path: HookPath, atM: number | undefined): PlanePoint {
  const { from, to } = path.shank
  const share = atM === undefined ? 0.7 : (atM - from.s) / (to.s - from.s)
  return { s: from.s + share * (to.s - from.s), z: from.z + share * (to.z - from.z) }
}

import { typicalHook } from '../../tackle/hooks'
import { WEIGHT_MATERIALS, weightSize } from '../../tackle/weights'
import { jigPath } from '../hookPath'
import { weightCompact } from '../parts'
import { layPoint } from '../placement'
import type { Family } from './family'

/** E1: a ball at the nose, the eye on top of it, the shank along the middle of the bait, the point open above the back. */
export const ballHead: Family = {
  id: 'E1',
  name: 'ball jig head',
  shortName: 'ball jig head',
  weighted: true,
  hookStyle: 'jig',
  pointRests: ['open'],
  place(bait, spec) {
    const dims = { ...typicalHook('jig', spec.hookSize), ...spec.hook }
    const diameter = weightSize('ball', spec.weightKg, WEIGHT_MATERIALS[spec.weightMaterial].densityKgM3).widthM
    const middle = { s: spec.weightAtM ?? -diameter / 2, z: 0 }
    const eye = { s: middle.s, z: diameter / 2 + 1.5 * dims.wireM }
    const placement = layPoint(jigPath(dims, eye, middle), bait, 'open')
    return {
      dims,
      placement,
      compacts: [weightCompact('ball', spec.weightKg, spec.weightMaterial, middle, true)],
      noseCovered: diameter >= bait.heightAt(0.05 * bait.lengthM),
      tie: eye,
    }
  },
}

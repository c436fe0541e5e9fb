import { typicalHook } from '../../tackle/hooks'
import { weightSize } from '../../tackle/weights'
import { jigPath } from '../hookPath'
import { weightCompact, weightDensity } from '../parts'
import { layPoint } from '../placement'
import type { BaitShape } from '../bait'
import type { RigSpec } from '../spec'
import type { Family, FamilyParts } from './family'

/** A head at the nose, the eye on top of it, the shank along the middle of the bait, the point open above the back. */
function headAtNose(shape: 'ball' | 'mushroom') {
  return (bait: BaitShape, spec: RigSpec): FamilyParts => {
    const dims = { ...typicalHook('jig', spec.hookSize), ...spec.hook }
    const { lengthM, heightM } = weightSize(shape, spec.weightKg, weightDensity(spec))
    const middle = { s: spec.weightAtM ?? -lengthM / 2, z: 0 }
    const eye = { s: middle.s, z: heightM / 2 + 1.5 * dims.wireM }
    return {
      dims,
      placement: layPoint(jigPath(dims, eye, middle), bait, 'open'),
      compacts: [weightCompact(shape, spec.weightKg, weightDensity(spec), middle, true)],
      noseCovered: heightM >= bait.heightAt(0.05 * bait.lengthM),
      tie: eye,
    }
  }
}

const common = { weighted: true, hookStyle: 'jig', pointRests: ['open'], inGap: (bait: BaitShape, s: number): number => bait.topAt(s) } as const

/** E1: the round-ball jig head. */
export const ballHead: Family = { ...common, id: 'E1', name: 'ball jig head', shortName: 'ball jig head', place: headAtNose('ball') }

/** E3: a domed head with a flat face on which it stands. */
export const standUpHead: Family = { ...common, id: 'E3', name: 'flat-faced stand-up head', shortName: 'stand-up head', place: headAtNose('mushroom') }

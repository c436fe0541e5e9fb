import { typicalHook } from '../../tackle/hooks'
import { weightSize } from '../../tackle/weights'
import { offsetPath } from '../hookPath'
import { weightDensity } from '../parts'
import { layPoint } from '../placement'
import type { BaitShape } from '../bait'
import type { RigSpec } from '../spec'
import type { Family, FamilyParts, SecondWeight } from './family'

/** Wire clip between the middle of a hinged ball's front and the hook's eye, m. Typical. */
const CLIP_M = 0.004

/** Usual length of leader between weight and hook, and of the dropper below it, m. */
export const USUAL_LEADER_M = 0.4
export const USUAL_DROPPER_M = 0.3

function withSecond(bait: BaitShape, spec: RigSpec, second: Omit<SecondWeight, 'massKg' | 'densityKgM3'>): FamilyParts {
  const dims = { ...typicalHook('wideGap', spec.hookSize), ...spec.hook }
  const eye = { s: 0, z: 0 }
  return {
    dims, placement: layPoint(offsetPath(dims, eye), bait, spec.pointRest), compacts: [], noseCovered: false, tie: eye,
    second: { ...second, massKg: spec.weightKg, densityKgM3: weightDensity(spec) },
  }
}

const common = { weighted: true, hookStyle: 'wideGap', pointRests: ['skin', 'flush', 'buried'], inGap: (bait: BaitShape, s: number): number => bait.heightAt(s) } as const

/** J4: a ball clipped to the eye; the joint passes a pull and no turning moment. */
export const hingedBall: Family = {
  ...common,
  id: 'J4',
  name: 'hinged ball weight on an offset hook',
  shortName: 'hinged ball',
  place: (bait, spec) => withSecond(bait, spec, {
    shape: 'ball', lineOnWeight: true,
    tetherM: CLIP_M + weightSize('ball', spec.weightKg, weightDensity(spec)).widthM / 2,
  }),
}

/** L3: a bullet held on the line some way ahead; the bait follows on its leader. */
export const leaderRig: Family = {
  ...common,
  id: 'L3',
  name: 'weight ahead on a leader',
  shortName: 'weight on a leader',
  place: (bait, spec) => withSecond(bait, spec, { shape: 'bullet', lineOnWeight: true, tetherM: spec.leaderM ?? USUAL_LEADER_M }),
}

/** L4: the hook on the line, the weight below it. */
export const dropperRig: Family = {
  ...common,
  id: 'L4',
  name: 'offset hook over a dropper weight',
  shortName: 'dropper below',
  place: (bait, spec) => withSecond(bait, spec, { shape: 'ball', lineOnWeight: false, tetherM: spec.leaderM ?? USUAL_DROPPER_M }),
}

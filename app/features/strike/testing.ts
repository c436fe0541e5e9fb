import { biteOn, type StrikeJob } from '~/compute/strike'

/** A belly-weighted hook in a shad, for tests of a bite. */
export const job: StrikeJob = {
  bait: { form: 'slimShad', lengthM: 0.09, material: 'plain' },
  rig: { family: 'W1', hookSize: '4/0', weightKg: 0.0035, weightMaterial: 'lead', pointRest: 'skin' },
  conditions: {
    depthM: 2,
    temperatureC: 15,
    salinityGKg: 30,
    cover: 'thickWeed',
    bottom: 'sand',
    lineKind: 'braid',
    lineStrengthN: 89,
  },
}
/** A bite on it. @throws when the rig cannot be built */
export function biteOf(more: Partial<StrikeJob>) {
  const answer = biteOn({ ...job, ...more })
  if (answer.kind !== 'bite') throw new Error('no bite')
  return answer
}

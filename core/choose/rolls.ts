import { SAMPLE_STRIDE, type Drop } from '../fall/drop'
import { rollOf } from '../numerics/quaternion'

/** Roll through the second half of a recorded fall, rad. */
export function fallRolls({ samples }: Pick<Drop, 'samples'>): number[] {
  const rolls: number[] = []
  const count = samples.length / SAMPLE_STRIDE
  for (let i = Math.floor(count / 2); i < count; i++) {
    const at = i * SAMPLE_STRIDE + 4
    rolls.push(rollOf([samples[at]!, samples[at + 1]!, samples[at + 2]!, samples[at + 3]!]))
  }
  return rolls
}

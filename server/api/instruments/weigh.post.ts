import { baitSchema } from '#schemas/spread'
import { z } from 'zod'
import { weighOnScale } from '../../services/instruments'
import { answering, readValid } from '../../utils/requests'

const hung = z.strictObject({
  bait: baitSchema,
  /** air counts as 0 */ fluidKgM3: z.number().min(0).max(1300),
})

export default answering(async event => {
  const { bait, fluidKgM3 } = await readValid(event, hung)
  return weighOnScale(bait, fluidKgM3)
})

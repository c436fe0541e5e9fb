import { setResponseStatus } from 'h3'
import { createSchema } from '#schemas/spread'
import { createSpread } from '../../services/spreads'
import { answering, readValid } from '../../utils/requests'

export default answering(async event => {
  const spread = await createSpread(await readValid(event, createSchema))
  setResponseStatus(event, 201)
  return spread
})

import { setResponseStatus } from 'h3'
import { createSchema } from '#schemas/spread'
import { spreads } from '../../services/spreads'
import { answering, readValid } from '../../utils/requests'

export default answering(async event => {
  const spread = await spreads.create(await readValid(event, createSchema))
  setResponseStatus(event, 201)
  return spread
})

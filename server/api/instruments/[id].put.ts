import { getRouterParam } from 'h3'
import { z } from 'zod'
import { instrumentOf, readInstrument, switchInstrument } from '../../services/instruments'
import { answering, readValid } from '../../utils/requests'

export default answering(async event => {
  const id = instrumentOf(getRouterParam(event, 'id'))
  await switchInstrument(id, (await readValid(event, z.strictObject({ on: z.boolean() }))).on)
  return { id, ...readInstrument(id) }
})

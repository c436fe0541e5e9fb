import { setResponseStatus } from 'h3'
import { itemIdsSchema } from '#schemas/box'
import { deleteItems } from '../../services/box'
import { answering, BOX_BYTES, readValid } from '../../utils/requests'

export default answering(async event => {
  await deleteItems((await readValid(event, itemIdsSchema, BOX_BYTES)).ids)
  setResponseStatus(event, 204)
  return null
})

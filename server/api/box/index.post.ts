import { setResponseStatus } from 'h3'
import { addItemsSchema } from '#schemas/box'
import { addItems } from '../../services/box'
import { answering, BOX_BYTES, readValid } from '../../utils/requests'

export default answering(async event => {
  const items = await addItems((await readValid(event, addItemsSchema, BOX_BYTES)).items)
  setResponseStatus(event, 201)
  return { items }
})

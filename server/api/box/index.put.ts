import { changeItemsSchema } from '#schemas/box'
import { changeItems } from '../../services/box'
import { answering, BOX_BYTES, readValid } from '../../utils/requests'

export default answering(async event => ({
  items: await changeItems((await readValid(event, changeItemsSchema, BOX_BYTES)).changes),
}))

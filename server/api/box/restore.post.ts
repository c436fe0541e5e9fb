import { itemIdsSchema } from '#schemas/box'
import { restoreItems } from '../../services/box'
import { answering, BOX_BYTES, readValid } from '../../utils/requests'

export default answering(async event => ({
  items: await restoreItems((await readValid(event, itemIdsSchema, BOX_BYTES)).ids),
}))

import { logBatchSchema } from '#schemas/log'
import { addEntries } from '../../services/log'
import { answering, BOX_BYTES, readValid } from '../../utils/requests'

export default answering(async event =>
  addEntries((await readValid(event, logBatchSchema, BOX_BYTES)).entries),
)

import { getRouterParam } from 'h3'
import { z } from 'zod'
import { restoreBackup } from '../../../services/backup'
import { answering, readValid } from '../../../utils/requests'

/** Puts a kept backup in place of everything; what was there is kept first, and told by name. */
export default answering(async event => {
  await readValid(event, z.strictObject({}))
  return restoreBackup(getRouterParam(event, 'name') ?? '')
})

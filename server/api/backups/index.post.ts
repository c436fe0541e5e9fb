import { setResponseStatus } from 'h3'
import { z } from 'zod'
import { keepBackup } from '../../services/backup'
import { answering, readValid } from '../../utils/requests'

/** Keeps a copy of everything as it is now. */
export default answering(async event => {
  await readValid(event, z.strictObject({}))
  const kept = await keepBackup('asked')
  setResponseStatus(event, 201)
  return kept
})

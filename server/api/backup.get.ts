import { setResponseHeader } from 'h3'
import { makeBackup } from '../services/backup'
import { answering } from '../utils/requests'

export default answering(async (event) => {
  setResponseHeader(event, 'content-disposition', 'attachment; filename="dunecrest-backup.json"')
  return makeBackup()
})

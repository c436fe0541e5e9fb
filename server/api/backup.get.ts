import { createReadStream } from 'node:fs'
import { rm } from 'node:fs/promises'
import { createGunzip } from 'node:zlib'
import { sendStream, setResponseHeader } from 'h3'
import { copyToSend } from '../services/backup'
import { answering } from '../utils/requests'

/** Everything as it is now, as one file of JSON. */
export default answering(async event => {
  const path = await copyToSend()
  const file = createReadStream(path)
  // the copy goes once it was sent, or the connection is gone
  event.node.res.once('close', () => void rm(path, { force: true }))
  setResponseHeader(event, 'content-type', 'application/json')
  setResponseHeader(event, 'content-disposition', 'attachment; filename="dunecrest-backup.json"')
  return sendStream(event, file.pipe(createGunzip()))
})

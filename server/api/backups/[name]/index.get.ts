import { createReadStream } from 'node:fs'
import { createGunzip } from 'node:zlib'
import { getRouterParam, sendStream, setResponseHeader } from 'h3'
import { pathOf } from '../../../services/backup'
import { answering } from '../../../utils/requests'

/** A kept backup as a file of JSON. */
export default answering(async event => {
  const name = getRouterParam(event, 'name') ?? ''
  const path = pathOf(name)
  setResponseHeader(event, 'content-type', 'application/json')
  setResponseHeader(event, 'content-disposition', `attachment; filename="dunecrest-${name}.json"`)
  return sendStream(event, createReadStream(path).pipe(createGunzip()))
})

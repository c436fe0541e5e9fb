import { setResponseHeaders } from 'h3'
import { workedOut } from '../../services/worked'
import { answering, workedName } from '../../utils/requests'

/** What another device worked out; compressed as it is kept, and unpacked by the browser. */
export default answering(async event => {
  const bytes = workedOut(workedName(event))
  setResponseHeaders(event, { 'content-type': 'application/json', 'content-encoding': 'gzip' })
  return Promise.resolve(bytes)
})

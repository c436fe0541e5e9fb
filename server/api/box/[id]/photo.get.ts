import { setResponseHeader } from 'h3'
import { photoOf } from '../../../services/box'
import { answering, routeId } from '../../../utils/requests'

export default answering(async event => {
  const bytes = await photoOf(routeId(event, 'thing'))
  setResponseHeader(event, 'content-type', 'image/jpeg')
  setResponseHeader(event, 'cache-control', 'no-cache')
  return bytes
})

import { setResponseStatus } from 'h3'
import { spreads } from '../../services/spreads'
import { answering, routeId } from '../../utils/requests'

export default answering(async event => {
  await spreads.mark(routeId(event), true)
  setResponseStatus(event, 204)
  return null
})

import { setResponseStatus } from 'h3'
import { deleteSpread } from '../../services/spreads'
import { answering, routeId } from '../../utils/requests'

export default answering(async event => {
  await deleteSpread(routeId(event))
  setResponseStatus(event, 204)
  return null
})

import { getQuery } from 'h3'
import { entriesPage } from '../../../services/log'
import { answering, pageOf, routeId } from '../../../utils/requests'

export default answering(async event => {
  const { limit, offset } = pageOf(getQuery(event))
  return { entries: await entriesPage(routeId(event, 'session'), limit, offset) }
})

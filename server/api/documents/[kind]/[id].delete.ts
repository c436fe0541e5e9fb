import { getRouterParam } from 'h3'
import { documents, kindOf } from '../../../services/documents'
import { answering, routeId } from '../../../utils/requests'

export default answering(async event => {
  const kind = kindOf(getRouterParam(event, 'kind'))
  return documents(kind).mark(routeId(event, kind), true)
})

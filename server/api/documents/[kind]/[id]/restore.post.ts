import { getRouterParam } from 'h3'
import { kindOf, markDocument } from '../../../../services/documents'
import { answering, routeId } from '../../../../utils/requests'

export default answering(async event => {
  const kind = kindOf(getRouterParam(event, 'kind'))
  return markDocument(kind, routeId(event, kind), false)
})

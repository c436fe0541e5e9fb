import { getRouterParam } from 'h3'
import { changedDocumentSchema } from '#schemas/spot'
import { documents, kindOf } from '../../../services/documents'
import { answering, readValid, routeId } from '../../../utils/requests'

export default answering(async event => {
  const kind = kindOf(getRouterParam(event, 'kind'))
  return documents(kind).change(routeId(event, kind), await readValid(event, changedDocumentSchema(kind)))
})

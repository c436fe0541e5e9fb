import { getRouterParam } from 'h3'
import { allDocuments, kindOf } from '../../../services/documents'
import { answering } from '../../../utils/requests'

export default answering(async event => ({
  documents: await allDocuments(kindOf(getRouterParam(event, 'kind'))),
}))

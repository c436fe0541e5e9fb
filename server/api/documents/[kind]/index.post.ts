import { getRouterParam, setResponseStatus } from 'h3'
import { newDocumentSchema } from '#schemas/spot'
import { documents, kindOf } from '../../../services/documents'
import { answering, readValid } from '../../../utils/requests'

export default answering(async event => {
  const kind = kindOf(getRouterParam(event, 'kind'))
  const made = await documents(kind).create(await readValid(event, newDocumentSchema(kind)))
  setResponseStatus(event, 201)
  return made
})

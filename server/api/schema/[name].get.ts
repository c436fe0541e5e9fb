import { getRouterParam } from 'h3'
import { jsonSchemaOf, SCHEMA_NAMES } from '#schemas/published'
import { Refused } from '../../services/refused'
import { answering } from '../../utils/requests'

export default answering(async event => {
  const name = SCHEMA_NAMES.find(one => one === getRouterParam(event, 'name'))
  if (!name) throw new Refused(404, `There is no such format; there are: ${SCHEMA_NAMES.join(', ')}.`)
  return jsonSchemaOf(name)
})

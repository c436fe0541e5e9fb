import { excludeSchema } from '#schemas/log'
import { exclude } from '../../../services/log'
import { answering, readValid, routeId } from '../../../utils/requests'

export default answering(async event => {
  await exclude(routeId(event, 'entry'), (await readValid(event, excludeSchema)).excluded)
  return { done: true }
})

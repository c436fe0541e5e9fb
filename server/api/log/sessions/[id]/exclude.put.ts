import { excludeSchema } from '#schemas/log'
import { excludeSession } from '../../../../services/log'
import { answering, readValid, routeId } from '../../../../utils/requests'

export default answering(async event => {
  await excludeSession(routeId(event, 'session'), (await readValid(event, excludeSchema)).excluded)
  return { done: true }
})

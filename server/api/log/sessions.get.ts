import { getQuery } from 'h3'
import { sessionsPage } from '../../services/log'
import { answering, pageOf } from '../../utils/requests'

export default answering(async event => {
  const { limit, offset } = pageOf(getQuery(event))
  return sessionsPage(limit, offset)
})

import { knownDevices, networkNow } from '../../../network/network'
import { Refused } from '../../../services/refused'
import { answering, routeId } from '../../../utils/requests'

export default answering(event => {
  if (!knownDevices().remove(routeId(event, 'device'))) throw new Refused(404, 'There is no such device.')
  return Promise.resolve(networkNow())
})

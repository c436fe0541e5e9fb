import { atHome } from '../../../network/atHome'
import { knownDevices, networkNow } from '../../../network/network'
import { Refused } from '../../../services/refused'
import { routeId } from '../../../utils/requests'

export default atHome(event => {
  if (!knownDevices().remove(routeId(event, 'device'))) throw new Refused(404, 'There is no such device.')
  return Promise.resolve(networkNow())
})

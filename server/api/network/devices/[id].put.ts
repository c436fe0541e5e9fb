import { z } from 'zod'
import { atHome } from '../../../network/atHome'
import { knownDevices } from '../../../network/network'
import { Refused } from '../../../services/refused'
import { readValid, routeId } from '../../../utils/requests'

const schema = z.strictObject({ name: z.string().min(1).max(60) })

export default atHome(async event => {
  const { name } = await readValid(event, schema)
  const device = knownDevices().rename(routeId(event, 'device'), name)
  if (!device) throw new Refused(404, 'There is no such device.')
  return device
})

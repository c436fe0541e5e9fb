import { z } from 'zod'
import { knownDevices } from '../../../network/network'
import { Refused } from '../../../services/refused'
import { answering, readValid, routeId } from '../../../utils/requests'

const schema = z.strictObject({ name: z.string().min(1).max(60) })

export default answering(async event => {
  const { name } = await readValid(event, schema)
  const device = knownDevices().rename(routeId(event, 'device'), name)
  if (!device) throw new Refused(404, 'There is no such device.')
  return device
})

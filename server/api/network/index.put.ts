import { z } from 'zod'
import { atHome } from '../../network/atHome'
import { networkNow, switchNetwork } from '../../network/network'
import { readValid } from '../../utils/requests'

const schema = z.strictObject({ open: z.boolean() })

export default atHome(async event => {
  await switchNetwork((await readValid(event, schema)).open)
  return networkNow()
})

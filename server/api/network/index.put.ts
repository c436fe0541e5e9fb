import { z } from 'zod'
import { networkNow, switchNetwork } from '../../network/network'
import { answering, readValid } from '../../utils/requests'

const schema = z.strictObject({ open: z.boolean() })

export default answering(async event => {
  await switchNetwork((await readValid(event, schema)).open)
  return networkNow()
})

import { z } from 'zod'
import { dropInTank } from '../../services/instruments'
import { answering, readValid } from '../../utils/requests'

export default answering(async event =>
  dropInTank((await readValid(event, z.strictObject({ seconds: z.number().positive().max(600) }))).seconds),
)

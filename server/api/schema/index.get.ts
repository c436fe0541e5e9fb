import { SCHEMA_NAMES } from '#schemas/published'
import { answering } from '../../utils/requests'

export default answering(async () => ({ schemas: SCHEMA_NAMES.map(name => `/api/schema/${name}`) }))

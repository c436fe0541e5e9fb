import { updateSchema } from '#schemas/spread'
import { spreads } from '../../services/spreads'
import { answering, readValid, routeId } from '../../utils/requests'

export default answering(async event => spreads.change(routeId(event), await readValid(event, updateSchema)))

import { updateSchema } from '#schemas/spread'
import { changeSpread } from '../../services/spreads'
import { answering, readValid, routeId } from '../../utils/requests'

export default answering(async event => changeSpread(routeId(event), await readValid(event, updateSchema)))

import { oneSpread } from '../../services/spreads'
import { answering, routeId } from '../../utils/requests'

export default answering(event => oneSpread(routeId(event)))

import { spreads } from '../../../services/spreads'
import { answering, routeId } from '../../../utils/requests'

export default answering(event => spreads.mark(routeId(event), false))

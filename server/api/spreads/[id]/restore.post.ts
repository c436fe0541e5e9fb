import { restoreSpread } from '../../../services/spreads'
import { answering, routeId } from '../../../utils/requests'

export default answering(event => restoreSpread(routeId(event)))

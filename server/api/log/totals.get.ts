import { logTotals } from '../../services/totals'
import { answering } from '../../utils/requests'

export default answering(logTotals)

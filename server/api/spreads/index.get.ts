import { allSpreads } from '../../services/spreads'
import { answering } from '../../utils/requests'

export default answering(async () => ({ spreads: await allSpreads() }))

import { evidence } from '../../services/log'
import { answering } from '../../utils/requests'

export default answering(evidence)

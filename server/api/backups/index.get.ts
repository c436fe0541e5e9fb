import { listBackups } from '../../services/backup'
import { answering } from '../../utils/requests'

export default answering(listBackups)

import { anyBackupSchema } from '#schemas/backup'
import { restoreBackup } from '../services/backup'
import { answering, readValid } from '../utils/requests'

/** Largest backup taken, bytes: a hundred thousand entries and a box full of photographs. */
const MOST_BYTES = 256 * 1024 * 1024

export default answering(async event => restoreBackup(await readValid(event, anyBackupSchema, MOST_BYTES)))

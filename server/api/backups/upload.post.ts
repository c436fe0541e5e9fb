import { setResponseStatus } from 'h3'
import { bringBackup } from '../../services/backup'
import { answering, readPieces } from '../../utils/requests'

/** Largest backup taken, bytes: half a million entries and a box full of photographs. */
const MOST_BYTES = 512 * 1024 * 1024

/**
 * Takes a file in, reads it to its end, and keeps it among the backups; nothing of it is put in place of
 * anything yet.
 */
export default answering(async event => {
  const kept = await bringBackup(readPieces(event.node.req, MOST_BYTES))
  setResponseStatus(event, 201)
  return kept
})

import { setResponseStatus } from 'h3'
import { keepWorkedOut } from '../../services/worked'
import { answering, readPieces, workedName } from '../../utils/requests'

/** Largest file taken, bytes: a box of a thousand things comes to a fifth of it. */
const MOST_BYTES = 48 * 1024 * 1024

export default answering(async event => {
  const pieces: Buffer[] = []
  for await (const piece of readPieces(event.node.req, MOST_BYTES)) pieces.push(piece)
  keepWorkedOut(workedName(event), Buffer.concat(pieces))
  setResponseStatus(event, 204)
  return null
})

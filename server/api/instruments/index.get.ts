import { INSTRUMENTS, readInstrument } from '../../services/instruments'
import { answering } from '../../utils/requests'

export default answering(async () => ({
  instruments: INSTRUMENTS.map(id => ({ id, ...readInstrument(id) })),
}))

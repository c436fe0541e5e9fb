import { getRouterParam } from 'h3'
import { instrumentOf, readInstrument } from '../../services/instruments'
import { answering } from '../../utils/requests'

export default answering(async event => readInstrument(instrumentOf(getRouterParam(event, 'id'))))

import { answering, refuse } from '../utils/requests'

/** What is not there is told as everything else is: in JSON. */
export default answering(() => Promise.reject(refuse(404, 'There is nothing at this address.')))

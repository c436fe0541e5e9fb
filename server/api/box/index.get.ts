import { allItems } from '../../services/box'
import { answering } from '../../utils/requests'

export default answering(async () => ({ items: await allItems() }))

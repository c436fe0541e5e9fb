import { atHome } from '../../network/atHome'
import { networkNow } from '../../network/network'

export default atHome(() => Promise.resolve(networkNow()))

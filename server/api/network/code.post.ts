import { atHome } from '../../network/atHome'
import { networkNow, pairing } from '../../network/network'
import { Refused } from '../../services/refused'

export default atHome(() => {
  if (!networkNow().open) throw new Refused(409, 'Dunecrest is not on the network: switch that on first.')
  const issued = pairing.issue()
  if (!issued) throw new Refused(409, 'Too many wrong codes: pairing is locked for a quarter of an hour.')
  return Promise.resolve(issued)
})

import type { H3Event } from 'h3'
import { Refused } from '../services/refused'
import { answering } from '../utils/requests'
import { wayOf } from './listener'

/**
 * A handler for the machine itself alone: a paired device, however well it is known, neither lets others in nor
 * turns them away. It is asked where the route is answered, so that no spelling of an address goes round it.
 */
export const atHome = <T>(handler: (event: H3Event) => Promise<T>) =>
  answering(event => {
    if (wayOf(event.node.req))
      throw new Refused(403, 'Only the machine that Dunecrest runs on lets devices in or turns them away.')
    return handler(event)
  })

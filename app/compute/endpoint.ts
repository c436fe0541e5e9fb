import type { Endpoint } from './client'
import type { Reply } from './protocol'

/** A worker as the client speaks to it. */
export const endpointOf = (worker: Worker): Endpoint => ({
  send: request => worker.postMessage(request),
  onReply: listener =>
    worker.addEventListener('message', (event: MessageEvent<Reply>) => listener(event.data)),
  onCrash: listener => {
    worker.addEventListener('error', event =>
      listener(event.message || 'The calculating part of the page stopped.'),
    )
    worker.addEventListener('messageerror', () =>
      listener('An answer of the calculating part could not be read.'),
    )
  },
  terminate: () => worker.terminate(),
})

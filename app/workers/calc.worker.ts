import type { Request } from './protocol'
import { serve } from './serve'

const handle = serve(message => globalThis.postMessage(message))
globalThis.addEventListener('message', (event: MessageEvent<Request>) => void handle(event.data))

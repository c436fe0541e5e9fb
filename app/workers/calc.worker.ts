import { createCalcClient, type CalcClient } from './client'
import { endpointOf } from './endpoint'
import type { Request } from './protocol'
import { serve } from './serve'

const HELPER = 'helper'
let helper: CalcClient | undefined
/** A second worker of the same making, where there is a core for it; it has none of its own. */
const second = (): CalcClient | undefined => (globalThis as { readonly name?: string }).name === HELPER || navigator.hardwareConcurrency < 2
  ? undefined
  : helper ??= createCalcClient(() => endpointOf(new Worker(globalThis.location.href, { type: 'module', name: HELPER })))

const handle = serve(message => globalThis.postMessage(message), second)
globalThis.addEventListener('message', (event: MessageEvent<Request>) => void handle(event.data))

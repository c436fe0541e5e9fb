import { get, set } from 'idb-keyval'
import { createCalcClient, type CalcClient } from './client'
import { endpointOf } from './endpoint'
import type { KeptLog } from './logMemory'
import type { Request } from './protocol'
import { serve } from './serve'

const HELPER = 'helper'
let helper: CalcClient | undefined
/** A second worker of the same making, where there is a core for it; it has none of its own. */
const second = (): CalcClient | undefined =>
  (globalThis as { readonly name?: string }).name === HELPER || navigator.hardwareConcurrency < 2
    ? undefined
    : (helper ??= createCalcClient(() =>
        endpointOf(new Worker(globalThis.location.href, { type: 'module', name: HELPER })),
      ))

/**
 * What was learned of the log is kept beside the outbox. The name of this program changes with what is in it:
 * another making learns anew.
 */
const LEARNED = 'dunecrest.learned'
const log = {
  read: () => get<KeptLog>(LEARNED),
  write: (kept: KeptLog) => set(LEARNED, kept),
  making: globalThis.location.href,
}

const handle = serve(message => globalThis.postMessage(message), second, log)
globalThis.addEventListener('message', (event: MessageEvent<Request>) => void handle(event.data))

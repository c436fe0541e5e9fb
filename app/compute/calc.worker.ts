import { get, set } from 'idb-keyval'
import type { KeptAnswer } from './answerMemory'
import { createCalcClient, type CalcClient } from './client'
import { endpointOf } from './endpoint'
import type { KeptLog } from './logMemory'
import { logAlsoOnServer } from './logOnServer'
import type { QuestionId, Request } from './protocol'
import type { KeptSearch } from './searchMemory'
import { serve } from './serve'
import { alsoOnServer } from './workedOut'

const HELPER = 'helper'
const isHelper = (globalThis as { readonly name?: string }).name === HELPER
let helper: CalcClient | undefined
/** A second worker of the same making, where there is a core for it; it has none of its own. */
const second = (): CalcClient | undefined =>
  isHelper || navigator.hardwareConcurrency < 2
    ? undefined
    : (helper ??= createCalcClient(() =>
        endpointOf(new Worker(globalThis.location.href, { type: 'module', name: HELPER })),
      ))

/**
 * What was learned of the log of each place is kept beside the outbox. The name of this program changes with what is
 * in it: another making learns anew.
 */
const LEARNED = 'dunecrest.learned.'
const log = logAlsoOnServer(
  {
    read: (place: string) => get<KeptLog>(LEARNED + place),
    write: (place: string, kept: KeptLog) => set(LEARNED + place, kept),
    // whatever address the server is called by
    making: globalThis.location.pathname,
  },
  (url, options) => fetch(url, options),
)

/** Each worker keeps what it worked out itself: of the next search it takes much the same part. */
const SEARCHED = isHelper ? 'dunecrest.searched.helper' : 'dunecrest.searched'
const searches = alsoOnServer(
  {
    read: () => get<KeptSearch>(SEARCHED),
    write: (kept: KeptSearch) => set(SEARCHED, kept),
    making: globalThis.location.href,
  },
  isHelper ? HELPER : 'first',
  (url, options) => fetch(url, options),
)

/** What was last answered, for when it is asked again as a page opens. */
const answers = {
  read: (about: QuestionId) => get<KeptAnswer>(`dunecrest.answered.${about}`),
  write: (about: QuestionId, kept: KeptAnswer) => set(`dunecrest.answered.${about}`, kept),
  making: globalThis.location.href,
}

const handle = serve(
  (message, handOver = []) => globalThis.postMessage(message, { transfer: handOver }),
  second,
  log,
  searches,
  isHelper ? undefined : answers,
)
globalThis.addEventListener('message', (event: MessageEvent<Request>) => void handle(event.data))

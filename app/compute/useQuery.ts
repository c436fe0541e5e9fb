import { onScopeDispose, ref, shallowRef, watch } from 'vue'
import { failureText } from '#words/failureText'
import { CalcError } from './client'
import { calculator } from './calculator'
import type { QuestionId, Questions } from './protocol'
import { copy } from '../../shared/data'

/** One piece of work that is under way: whether it was called off, and how far it is. */
interface Run {
  readonly signal: AbortSignal
  readonly onProgress: (part: number) => void
}

/**
 * Keeps what is worked out in step with what it is worked out from: it begins again whenever that changes, and what
 * was begun on an older state is called off.
 * @param job what it is worked out from, plain data; nothing is done without
 * @param work works it out and keeps it; what it throws is told, unless it was called off
 */
export function useLatest<Job>(job: () => Job | undefined, work: (job: Job, run: Run) => Promise<void>) {
  const progress = ref(0)
  const working = ref(false)
  const error = ref<string>()
  let running: AbortController | undefined

  async function run(): Promise<void> {
    const now = job()
    running?.abort()
    if (!now) return
    const { signal } = (running = new AbortController())
    working.value = true
    progress.value = 0
    try {
      await work(copy(now), { signal, onProgress: part => void (progress.value = part) })
      if (signal.aborted) return
      error.value = undefined
    } catch (failure) {
      if (signal.aborted || (failure instanceof CalcError && failure.code === 'aborted')) return
      error.value = failureText(failure)
    }
    working.value = false
  }
  function cancel(): void {
    running?.abort()
    working.value = false
  }

  watch(
    () => {
      const now = job()
      return now && JSON.stringify(now)
    },
    () => void run(),
    { immediate: true },
  )
  onScopeDispose(() => running?.abort())
  return { progress, working, error, retry: run, cancel }
}

/**
 * Keeps the answer to one question in step with what it is asked about; the last one stays meanwhile, until what
 * stands of the next one already.
 */
export function useQuery<Q extends QuestionId>(about: Q, job: () => Questions[Q]['job'] | undefined) {
  const answer = shallowRef<Questions[Q]['answer']>()
  /** what is shown is what stands so far */ const early = ref(false)
  const latest = useLatest(job, async (now, run) => {
    early.value = false
    const begun = performance.now()
    const told = (part: 'early' | 'whole'): void =>
      void performance.measure(`${about}.${part}`, { start: begun, end: performance.now() })
    answer.value = await calculator().ask(about, now, {
      ...run,
      onEarly: found => {
        if (run.signal.aborted) return
        answer.value = found
        early.value = true
        told('early')
      },
    })
    if (!early.value) told('early')
    early.value = false
    told('whole')
  })
  return { answer, early, ...latest }
}

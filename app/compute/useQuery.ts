import { onScopeDispose, ref, shallowRef, watch } from 'vue'
import { CalcError } from './client'
import { calculator } from './calculator'
import type { QuestionId, Questions } from './protocol'
import { copy } from '../../shared/data'

/**
 * Keeps the answer to one question in step with what it is asked about, with progress. Answers to older
 * states are dropped; the last one stays meanwhile.
 */
export function useQuery<Q extends QuestionId>(about: Q, job: () => Questions[Q]['job'] | undefined) {
  const answer = shallowRef<Questions[Q]['answer']>()
  const progress = ref(0)
  const working = ref(false)
  const error = ref<string>()
  let running: AbortController | undefined

  async function run(): Promise<void> {
    const now = job()
    running?.abort()
    if (!now) return
    const mine = (running = new AbortController())
    working.value = true
    progress.value = 0
    try {
      answer.value = await calculator().ask(about, copy(now), {
        signal: mine.signal,
        onProgress: part => void (progress.value = part),
      })
      error.value = undefined
      working.value = false
    } catch (failure) {
      if (failure instanceof CalcError && failure.code === 'aborted') return
      working.value = false
      error.value = failure instanceof Error ? failure.message : String(failure)
    }
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
  return { answer, progress, working, error, retry: run, cancel }
}

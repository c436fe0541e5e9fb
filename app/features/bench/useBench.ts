import { onScopeDispose, ref, shallowRef, watch } from 'vue'
import { CalcError } from '~/compute/client'
import type { BenchAdvice, BenchJob, BenchLook } from '~/compute/bench'
import { calculator } from '~/compute/calculator'
import { copy } from '../../../shared/data'

/** Sizes, straightness and steps are asked for once the hand has been still so long. */
const STILL_MS = 220

/**
 * Keeps the bench's picture in step with the rig, and its longer advice a moment behind. Answers to older
 * states are dropped.
 */
export function useBench(job: () => BenchJob | undefined) {
  const look = shallowRef<BenchLook>()
  const advice = shallowRef<BenchAdvice>()
  const advising = ref(false)
  const error = ref<string>()
  let running: AbortController | undefined

  async function run(): Promise<void> {
    const now = job()
    if (!now) return
    running?.abort()
    const mine = (running = new AbortController())
    advising.value = true
    try {
      const asked = copy(now)
      look.value = await calculator().ask('look', asked, { signal: mine.signal })
      error.value = undefined
      if (look.value.kind === 'invalid') return void (advising.value = false)
      await new Promise(resolve => setTimeout(resolve, STILL_MS))
      if (mine.signal.aborted) return
      advice.value = await calculator().ask('advise', asked, { signal: mine.signal })
      advising.value = false
    } catch (failure) {
      if (failure instanceof CalcError && failure.code === 'aborted') return
      advising.value = false
      error.value = failure instanceof Error ? failure.message : String(failure)
    }
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
  return { look, advice, advising, error, retry: run }
}

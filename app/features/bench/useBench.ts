import { shallowRef } from 'vue'
import type { BenchAdvice, BenchJob, BenchLook } from '~/compute/bench'
import { calculator } from '~/compute/calculator'
import { useLatest } from '~/compute/useQuery'

/** Sizes, straightness and steps are asked for once the hand has been still so long. */
const STILL_MS = 220

/** Keeps the bench's picture in step with the rig, and its longer advice a moment behind. */
export function useBench(job: () => BenchJob | undefined) {
  const look = shallowRef<BenchLook>()
  const advice = shallowRef<BenchAdvice>()
  const { working, error, retry } = useLatest(job, async (now, { signal }) => {
    look.value = await calculator().ask('look', now, { signal })
    if (look.value.kind === 'invalid') return
    await new Promise(resolve => setTimeout(resolve, STILL_MS))
    if (signal.aborted) return
    advice.value = await calculator().ask('advise', now, { signal })
  })
  return { look, advice, advising: working, error, retry }
}

import { shallowRef } from 'vue'
import type { Poses, RigSolid } from '#core'
import type { BenchAdvice, BenchJob, BenchLook } from '~/compute/bench'
import { calculator } from '~/compute/calculator'
import { useLatest } from '~/compute/useQuery'

/** Sizes, straightness and steps are asked for once the hand has been still so long. */
const STILL_MS = 220

/** How a rig lies in the water, and what it is that lies so. */
export interface InWater {
  readonly poses: Poses
  readonly solid: RigSolid
}

/** Keeps the bench's picture in step with the rig, and its longer advice, and how it lies in the water, behind it. */
export function useBench(job: () => BenchJob | undefined) {
  const look = shallowRef<BenchLook>()
  const advice = shallowRef<BenchAdvice>()
  const inWater = shallowRef<InWater>()
  const { working, error, retry } = useLatest(job, async (now, { signal }) => {
    look.value = await calculator().ask('look', now, { signal })
    if (look.value.kind === 'invalid') return
    const { solid } = look.value
    await new Promise(resolve => setTimeout(resolve, STILL_MS))
    if (signal.aborted) return
    advice.value = await calculator().ask('advise', now, { signal })
    const poses = await calculator().ask('poses', now, { signal })
    inWater.value = poses && { poses, solid }
  })
  return { look, advice, inWater, advising: working, error, retry }
}

import { ref, shallowRef } from 'vue'
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

/** Keeps the bench's picture in step with the rig; its longer advice, and how it lies in the water, behind it. */
export function useBench(job: () => BenchJob | undefined) {
  const look = shallowRef<BenchLook>()
  const advice = shallowRef<BenchAdvice>()
  const inWater = shallowRef<InWater>()
  /** what the advice that stands was given on */ const advised = ref('')
  const { working, error, retry } = useLatest(job, async (now, { signal }) => {
    look.value = await calculator().ask('look', now, { signal })
    if (look.value.kind === 'invalid') return
    await new Promise(resolve => setTimeout(resolve, STILL_MS))
    if (signal.aborted) return
    advice.value = await calculator().ask('advise', now, { signal })
    advised.value = JSON.stringify(now)
  })
  const settled = (): BenchJob | undefined => {
    const now = job()
    return now && JSON.stringify(now) === advised.value ? now : undefined
  }
  const water = useLatest(settled, async (now, { signal }) => {
    const solid = look.value?.kind === 'rig' ? look.value.solid : undefined
    const poses = await calculator().ask('poses', now, { signal })
    inWater.value = poses && solid && { poses, solid }
  })
  return { look, advice, advising: working, error, retry, inWater, wetting: water.working, dry: water.error }
}

import { computed, shallowRef, type Ref } from 'vue'

/** One thing done on the server, and how to take it back; taking back is a step too. */
export interface Step {
  readonly undo: () => Promise<Step>
}

/** Steps that can be taken back. */
const MOST_STEPS = 100

/**
 * What was done on the server and can be taken back, and what was taken back and can be done again.
 * @param exchange runs one exchange; undefined where the server refused
 */
export function useSteps(
  busy: Readonly<Ref<boolean>>,
  exchange: <T>(work: () => Promise<T>) => Promise<T | undefined>,
) {
  const done = shallowRef<readonly Step[]>([])
  const undone = shallowRef<readonly Step[]>([])

  const remember = (step: Step): void => {
    done.value = [...done.value.slice(1 - MOST_STEPS), step]
    undone.value = []
  }
  async function back(from: typeof done, to: typeof done): Promise<void> {
    const step = from.value.at(-1)
    if (!step || busy.value) return
    const inverse = await exchange(step.undo)
    if (!inverse) return
    from.value = from.value.slice(0, -1)
    to.value = [...to.value, inverse]
  }
  return {
    remember,
    undo: () => void back(done, undone),
    redo: () => void back(undone, done),
    canUndo: computed(() => done.value.length > 0),
    canRedo: computed(() => undone.value.length > 0),
  }
}

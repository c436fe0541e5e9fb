import { computed, shallowRef } from 'vue'

/** One thing done on the server, and how to take it back; taking back is a step too. */
export interface Step {
  readonly undo: () => Promise<Step>
}

/** Steps that can be taken back. */
const MOST_STEPS = 100

/**
 * What was done on the server and can be taken back, and what was taken back and can be done again.
 * @param inTurn runs one exchange after those before it; undefined where the server refused
 */
export function useSteps(inTurn: <T>(work: () => Promise<T>) => Promise<T | undefined>) {
  const done = shallowRef<readonly Step[]>([])
  const undone = shallowRef<readonly Step[]>([])

  const remember = (step: Step): void => {
    done.value = [...done.value.slice(1 - MOST_STEPS), step]
    undone.value = []
  }
  const back = (from: typeof done, to: typeof done): Promise<unknown> =>
    inTurn(async () => {
      const step = from.value.at(-1)
      if (!step) return
      const inverse = await step.undo()
      from.value = from.value.slice(0, -1)
      to.value = [...to.value, inverse]
    })
  return {
    remember,
    undo: () => void back(done, undone),
    redo: () => void back(undone, done),
    canUndo: computed(() => done.value.length > 0),
    canRedo: computed(() => undone.value.length > 0),
  }
}

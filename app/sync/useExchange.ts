import { computed, ref } from 'vue'
import { failureText } from '#words/failureText'

/** Exchanges with the server: whether one is under way or waits, and a refusal in words. */
export function useExchange() {
  const left = ref(0)
  const error = ref<string>()
  let last: Promise<unknown> = Promise.resolve()

  /** Runs one exchange; a refusal is told in words and gives undefined. */
  async function exchange<T>(work: () => Promise<T>): Promise<T | undefined> {
    left.value++
    try {
      const answer = await work()
      error.value = undefined
      return answer
    } catch (failure) {
      error.value = failureText(failure)
      return undefined
    } finally {
      left.value--
    }
  }
  /**
   * The same, begun once all that were given here before it are through, so that each stands on what became of the
   * one before. None may wait for another given here.
   */
  function inTurn<T>(work: () => Promise<T>): Promise<T | undefined> {
    const before = last
    const run = exchange(() => before.then(work))
    last = run
    return run
  }
  return { busy: computed(() => left.value > 0), error, exchange, inTurn }
}

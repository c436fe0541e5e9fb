import { ref } from 'vue'
import { failureText } from '#words/failureText'

/** Exchanges with the server, one after another: whether one is under way, and a refusal in words. */
export function useExchange() {
  const busy = ref(false)
  const error = ref<string>()

  /** Runs one exchange; a refusal is told in words and gives undefined. */
  async function exchange<T>(work: () => Promise<T>): Promise<T | undefined> {
    busy.value = true
    try {
      const answer = await work()
      error.value = undefined
      return answer
    } catch (failure) {
      error.value = failureText(failure)
      return undefined
    } finally {
      busy.value = false
    }
  }
  return { busy, error, exchange }
}

import { onScopeDispose, ref, shallowRef } from 'vue'
import { CalcError } from '~/compute/client'
import { calculator } from '~/compute/calculator'
import type { Picture, Trace, TracedStation } from '~/compute/trace'
import { pixelsOf } from '~/ui/drawing/pixels'
import { noseFirst } from './traced'
import { failureText } from '#words/failureText'

/**
 * Longer side of a picture that is traced, px: finer than a tenth of a millimetre on a hand's breadth, and
 * quick.
 */
const LONGEST = 1400

/** A photograph, what was found in it, and what a hand has put right. */
export function useTrace() {
  const picture = shallowRef<Picture>()
  const trace = shallowRef<Trace>()
  const message = ref<string>()
  const busy = ref(false)
  const reversed = ref(false)
  let running: AbortController | undefined

  async function look(found: Picture, want: 'bait' | 'scale'): Promise<void> {
    running?.abort()
    const mine = (running = new AbortController())
    picture.value = found
    trace.value = undefined
    message.value = undefined
    busy.value = true
    try {
      const answer = await calculator().ask('trace', { picture: found, want }, { signal: mine.signal })
      if (answer.ok) {
        trace.value = answer.trace
        reversed.value = want === 'bait' && !noseFirst(answer.trace.stations)
      } else message.value = answer.message
    } catch (error) {
      if (!(error instanceof CalcError && error.code === 'aborted')) message.value = failureText(error)
    } finally {
      if (mine === running) busy.value = false
    }
  }

  async function open(file: File, want: 'bait' | 'scale'): Promise<void> {
    try {
      await look((await pixelsOf(file, LONGEST)).picture, want)
    } catch {
      message.value =
        'This file is not a picture that the browser can read. A JPEG or PNG photograph will do.'
    }
  }

  /** Moves one side of one station. */
  function nudge(index: number, side: 'over' | 'under', to: number): void {
    if (!trace.value) return
    const stations = trace.value.stations.map((s, i): TracedStation =>
      i !== index
        ? s
        : side === 'over'
          ? { ...s, over: Math.max(to, s.under + 1) }
          : { ...s, under: Math.min(to, s.over - 1) },
    )
    trace.value = { ...trace.value, stations }
  }

  onScopeDispose(() => running?.abort())
  return { picture, trace, message, busy, reversed, look, open, nudge }
}

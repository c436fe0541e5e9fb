import { usePreferredReducedMotion, useRafFn } from '@vueuse/core'
import { ref, watch } from 'vue'
/** Parts of real time a drop can be shown at. */
export const TANK_SPEEDS = [1, 0.5, 0.25, 0.1] as const

/** Steps in which a drop is shown without motion. */
const STEPS = 8

/**
 * Time in the tank: runs with the screen's frames while playing. The first drop starts of itself, unless the
 * person wants no motion; when later figures come the clock stays where it is, or at the end where it had run
 * out.
 * @param end when the last rig is down, s; 0 while there is nothing to drop
 */
export function useDropClock(end: () => number) {
  const reduced = usePreferredReducedMotion()
  const time = ref(0)
  const playing = ref(false)
  const rate = ref<number>(1)
  let last = 0

  const { pause, resume } = useRafFn(
    ({ timestamp }) => {
      const passed = last > 0 ? Math.min(0.1, (timestamp - last) / 1000) : 0
      last = timestamp
      time.value = Math.min(end(), time.value + passed * rate.value)
      if (time.value >= end()) stop()
    },
    { immediate: false },
  )

  function stop(): void {
    playing.value = false
    pause()
  }

  function play(): void {
    if (end() <= 0) return
    if (time.value >= end()) time.value = 0
    last = 0
    playing.value = true
    resume()
  }

  /** Plays and stops; for who wants no motion, a step on, and from the end back to the splash. */
  function toggle(): void {
    if (reduced.value === 'reduce') seek(time.value >= end() ? 0 : time.value + end() / STEPS)
    else if (playing.value) stop()
    else play()
  }

  function seek(t: number): void {
    stop()
    time.value = Math.min(end(), Math.max(0, t))
  }

  let shown = false
  watch(
    end,
    (now, before) => {
      if (now === 0) return
      if (!shown && reduced.value !== 'reduce') play()
      else if (!playing.value) seek(!shown || time.value >= (before ?? 0) ? now : time.value)
      shown = true
    },
    { immediate: true },
  )

  return { time, playing, rate, play, stop, toggle, seek }
}

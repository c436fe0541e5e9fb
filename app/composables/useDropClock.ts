/** Time in the tank: runs with the screen's frames while playing, at a chosen part of real time. */
export const TANK_SPEEDS = [1, 0.5, 0.25, 0.1] as const

export function useDropClock(end: () => number) {
  const time = ref(0)
  const playing = ref(false)
  const rate = ref<number>(1)
  let last = 0

  const { pause, resume } = useRafFn(({ timestamp }) => {
    const passed = last > 0 ? Math.min(0.1, (timestamp - last) / 1000) : 0
    last = timestamp
    time.value = Math.min(end(), time.value + passed * rate.value)
    if (time.value >= end()) stop()
  }, { immediate: false })

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

  const toggle = (): void => playing.value ? stop() : play()

  function seek(t: number): void {
    stop()
    time.value = Math.min(end(), Math.max(0, t))
  }

  return { time, playing, rate, play, stop, toggle, seek }
}

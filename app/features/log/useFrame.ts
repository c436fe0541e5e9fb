import { useEventListener } from '@vueuse/core'
import { ref, type Ref } from 'vue'

/** What is asked of a clip's player; an `HTMLVideoElement` has it. */
export type Player = Pick<HTMLVideoElement, 'currentTime' | 'duration' | keyof EventTarget>

/** The first frame stands a moment after the start: at 0 itself some players show nothing. */
const FIRST_S = 0.001

/**
 * Which frame of a clip is shown. A player takes its time to find a frame; what is asked for meanwhile counts
 * from what was asked before, not from what is still shown, and the last is gone to.
 * @param shown called when another frame stands in the player
 * @returns `t`, the seconds of the frame that is shown; `coming`, whether another was asked for; `step`, by
 * seconds
 */
export function useFrame(player: Readonly<Ref<Player | null>>, shown: () => void) {
  const t = ref(0)
  const coming = ref(false)
  /** where to in the end, and where the player is going */
  let [asked, going] = [0, 0]

  function set(element: Player): void {
    going = asked
    coming.value = true
    element.currentTime = going
  }
  function go(to: number): void {
    const element = player.value
    if (!element) return
    asked = Math.max(0, Number.isFinite(element.duration) ? Math.min(to, element.duration) : to)
    if (!coming.value) set(element)
  }
  useEventListener(player, 'loadeddata', () => {
    coming.value = false
    go(FIRST_S)
  })
  useEventListener(player, 'seeked', () => {
    const element = player.value
    if (!element) return
    if (asked !== going) return set(element)
    // a clip without a length stops at its end
    asked = t.value = element.currentTime
    coming.value = false
    shown()
  })
  return { t, coming, step: (seconds: number): void => go(asked + seconds) }
}

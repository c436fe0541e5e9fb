import { useBattery, useDocumentVisibility, useIdle, whenever } from '@vueuse/core'
import { computed, effectScope } from 'vue'
import { calculator } from '~/compute/calculator'
import { useLatest } from '~/compute/useQuery'
import { useBox } from '~/sync/box'
import { useSpots } from '~/sync/documents'
import { useSettings } from '~/ui/settings'
import { monthNow } from './month'
import { useSpread } from './spread'
import { waterOfSpot } from './spots/waterOfSpot'
import { dayOfSheet } from '../../shared/day'
import { goodsOf, onceEach } from '../../shared/goods'

/** Nobody has touched the page for so long, ms: longer than a slow phone takes to open it, which it would hold up. */
const IDLE_MS = 20_000
/** Below this part of a full battery nothing is worked out that nobody has asked for. */
const ENOUGH_LEFT = 0.5

/**
 * Works out of the box what searches need while nobody does anything here, for the water of the sheet and of every
 * spot, so that the first pick and the first plan need not: after the box was changed, and on a device that has never
 * searched. It gives way to the next touch, and to a battery that has to last.
 * @returns ends it
 */
export function readyBoxWhenIdle(): () => void {
  const scope = effectScope(true)
  scope.run(() => {
    const box = useBox()
    const spread = useSpread()
    const spots = useSpots()
    const { idle } = useIdle(IDLE_MS)
    const visibility = useDocumentVisibility()
    const settings = useSettings()
    const { charging, level } = useBattery()
    const willing = computed(() => settings.ahead && (charging.value || level.value >= ENOUGH_LEFT))
    const quiet = computed(() => willing.value && idle.value && visibility.value === 'visible')
    whenever(quiet, () => {
      if (!box.loaded) void box.load()
      if (!spots.loaded) void spots.load()
    })
    const job = computed(() => {
      if (!quiet.value || !spread.opened || !box.loaded || !spots.loaded || box.items.length === 0)
        return undefined
      const { alike: _, ...goods } = onceEach(goodsOf(box.items))
      const at = [spread.content, ...spots.list.map(spot => waterOfSpot(spot, spread.content))]
      return { days: at.map(content => dayOfSheet(content, monthNow())), goods }
    })
    useLatest(
      () => job.value,
      async (now, run) => void (await calculator().ask('workOut', now, run)),
    )
  })
  return () => scope.stop()
}

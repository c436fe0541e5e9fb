import { refDebounced } from '@vueuse/core'
import { computed, ref } from 'vue'
import { useQuery } from '~/compute/useQuery'
import { useBox } from '~/sync/box'
import { useEvidence } from '~/sheet/evidence'
import { monthNow } from '~/sheet/month'
import { useSpread } from '~/sheet/spread'
import type { Day, FamilyId } from '#core'
import { alikeBaits, goodsOf } from '../../../shared/goods'
import { dayOfSheet } from '../../../shared/day'

/** The choice for the water and fish of the sheet out of the box, kept in step with both. */
export function usePick() {
  const spread = useSpread()
  const box = useBox()
  const evidence = useEvidence()
  const beyond = ref(false)
  const family = ref<FamilyId | 'any'>('any')
  if (!box.loaded) void box.load()
  const goods = computed(() => alikeBaits(goodsOf(box.items)))
  const day = computed<Day>(() => dayOfSheet(spread.content, monthNow()))
  const asked = refDebounced(day, 250)
  const result = useQuery('pick', () => {
    if (!spread.opened || !box.loaded || !evidence.loaded) return undefined
    const { alike: _, ...plain } = goods.value
    return {
      day: asked.value,
      goods: plain,
      beyond: beyond.value,
      ...(family.value === 'any' ? {} : { family: family.value }),
      ...(evidence.book ? { book: evidence.book } : {}),
    }
  })
  const nameOf = (id: string | undefined): string | undefined => (id ? box.byId.get(id)?.name : undefined)
  return { ...result, day, goods, beyond, family, box, nameOf }
}

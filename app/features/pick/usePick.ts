import { refDebounced, useTimeoutFn } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import { useQuery } from '~/compute/useQuery'
import { useBox } from '~/sync/box'
import { useEvidence } from '~/sheet/evidence'
import { monthNow } from '~/sheet/month'
import { useSpread } from '~/sheet/spread'
import type { Day, FamilyId } from '#core'
import { onceEach, goodsOf } from '../../../shared/goods'
import { dayOfSheet } from '../../../shared/day'

/** A key held down, or a slider, asks once it rests for so long, ms; what is under way is called off anyway. */
const SETTLED_MS = 60
/** Longest wait of the form for what the question needs, ms. */
const FORM_WAITS_MS = 300
/** The choice for the water and fish of the sheet out of the box, kept in step with both. */
export function usePick() {
  const spread = useSpread()
  const box = useBox()
  const evidence = useEvidence()
  const beyond = ref(false)
  const family = ref<FamilyId | 'any'>('any')
  if (!box.loaded) void box.load()
  const goods = computed(() => onceEach(goodsOf(box.items)))
  const day = computed<Day>(() => dayOfSheet(spread.content, monthNow()))
  const asked = refDebounced(day, SETTLED_MS)
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
  /** the form stands once the question has gone out, so that laying it out takes nothing from the answer */
  const waited = ref(false)
  const { start } = useTimeoutFn(() => void (waited.value = true), FORM_WAITS_MS, { immediate: false })
  onMounted(start)
  const formStands = computed(() => waited.value || (box.loaded && evidence.loaded))
  const nameOf = (id: string | undefined): string | undefined => (id ? box.byId.get(id)?.name : undefined)
  return { ...result, day, goods, beyond, family, box, nameOf, formStands }
}

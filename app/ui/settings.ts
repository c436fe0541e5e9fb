import { useEventListener, useLocalStorage } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, ref, watchEffect } from 'vue'
import { USUAL_UTILITY, UTILITY_IDS, type UtilityId } from '#core'
import { UNIT_SYSTEMS, UNITS, usualUnits, type UnitSystem } from '#words/units'

export const THEMES = ['day', 'dusk', 'glare'] as const
/** Outline of a bank card, mm (ISO/IEC 7810, ID-1). */
export const CARD_MM = [85.6, 53.98] as const
/** CSS pixels per millimetre of a screen that keeps to the standard, and what can be set. */
export const USUAL_PX_PER_MM = 96 / 25.4
export const PX_PER_MM_RANGE = [2, 9] as const
/** The hand that holds the phone at the water, and how large things are there. */
export const HANDS = ['right', 'left'] as const
export const SIZES = ['usual', 'larger'] as const
type Hand = (typeof HANDS)[number]
type Size = (typeof SIZES)[number]
export type Theme = (typeof THEMES)[number]

/** How this browser likes to show things; kept on this device. */
export const useSettings = defineStore('settings', () => {
  const system = useLocalStorage<UnitSystem>('dunecrest.units', usualUnits(navigator.language))
  const chosenTheme = useLocalStorage<Theme>('dunecrest.theme', 'day')
  // paper is white: what is printed is printed as by day, charts too
  const printing = ref(false)
  useEventListener(window, 'beforeprint', () => void (printing.value = true))
  useEventListener(window, 'afterprint', () => void (printing.value = false))
  /** the light is so bright that only glare can be read; until a theme is chosen in it */
  const bright = ref(false)
  const seenBright = ref(true)
  const theme = computed<Theme>({
    get: () => (printing.value ? 'day' : bright.value && seenBright.value ? 'glare' : chosenTheme.value),
    set: value => {
      seenBright.value = false
      chosenTheme.value = value
    },
  })
  const pxPerMm = useLocalStorage('dunecrest.pxPerMm', USUAL_PX_PER_MM)
  const calibrated = useLocalStorage('dunecrest.calibrated', false)
  if (!(pxPerMm.value >= PX_PER_MM_RANGE[0] && pxPerMm.value <= PX_PER_MM_RANGE[1]))
    pxPerMm.value = USUAL_PX_PER_MM
  if (!UNIT_SYSTEMS.includes(system.value)) system.value = usualUnits(navigator.language)
  if (!THEMES.includes(chosenTheme.value)) chosenTheme.value = 'day'
  const utility = useLocalStorage<UtilityId>('dunecrest.utility', USUAL_UTILITY.id)
  const bitesPerHour = useLocalStorage('dunecrest.bitesPerHour', USUAL_UTILITY.bitesPerHour)
  const rigWorth = useLocalStorage('dunecrest.rigWorth', USUAL_UTILITY.rigWorth)
  if (!UTILITY_IDS.includes(utility.value)) utility.value = USUAL_UTILITY.id
  if (!(bitesPerHour.value > 0)) bitesPerHour.value = USUAL_UTILITY.bitesPerHour
  if (!(rigWorth.value >= 0)) rigWorth.value = USUAL_UTILITY.rigWorth
  const hand = useLocalStorage<Hand>('dunecrest.hand', 'right')
  const size = useLocalStorage<Size>('dunecrest.size', 'usual')
  /** what searches need of the box is worked out while nobody touches the page */
  const ahead = useLocalStorage('dunecrest.ahead', true)
  if (!HANDS.includes(hand.value)) hand.value = 'right'
  if (!SIZES.includes(size.value)) size.value = 'usual'
  const units = computed(() => UNITS[system.value])
  watchEffect(() => {
    document.documentElement.dataset.theme = theme.value
    document.documentElement.classList.toggle('dark', theme.value === 'dusk')
  })
  return {
    system,
    theme,
    bright,
    hand,
    size,
    ahead,
    units,
    pxPerMm,
    calibrated,
    utility,
    bitesPerHour,
    rigWorth,
  }
})

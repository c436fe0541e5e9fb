import { UNIT_SYSTEMS, UNITS, type UnitSystem } from '~/utils/units'

export const THEMES = ['day', 'dusk', 'glare'] as const
export type Theme = typeof THEMES[number]

/** How this browser likes to show things; kept on this device. */
export const useSettings = defineStore('settings', () => {
  const system = useLocalStorage<UnitSystem>('dunecrest.units', 'mixed')
  const theme = useLocalStorage<Theme>('dunecrest.theme', 'day')
  if (!UNIT_SYSTEMS.includes(system.value)) system.value = 'mixed'
  if (!THEMES.includes(theme.value)) theme.value = 'day'
  const units = computed(() => UNITS[system.value])
  watchEffect(() => {
    document.documentElement.dataset.theme = theme.value
    document.documentElement.classList.toggle('dark', theme.value === 'dusk')
  })
  return { system, theme, units }
})

import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, expect, it } from 'vitest'
import { PX_PER_MM_RANGE, useSettings } from './settings'

beforeEach(() => {
  localStorage.clear()
  setActivePinia(createPinia())
})

it.each([
  ['dunecrest.theme', 'neon', 'theme', 'day'],
  ['dunecrest.units', 'cubits', 'system', 'imperial'],
])('what is kept on the device and is none of the choices is the usual: %s', (key, bad, name, usual) => {
  localStorage.setItem(key, bad)
  expect(useSettings()[name as 'theme' | 'system']).toBe(usual)
})
it('a scale of the screen that no screen has is not taken', () => {
  localStorage.setItem('dunecrest.pxPerMm', '400')
  const { pxPerMm } = useSettings()
  expect(pxPerMm).toBeGreaterThanOrEqual(PX_PER_MM_RANGE[0])
  expect(pxPerMm).toBeLessThanOrEqual(PX_PER_MM_RANGE[1])
})

import { mountSuspended } from '@nuxt/test-utils/runtime'
import { describe, expect, it } from 'vitest'
import { UNITS } from '#words/units'
import NumberField from './NumberField.vue'

const field = async (more: Record<string, unknown> = {}) =>
  mountSuspended(NumberField, {
    props: {
      label: 'depth',
      modelValue: 2,
      unit: UNITS.imperial.depth,
      range: [0.3, 30] as const,
      step: 0.3048,
      ...more,
    },
  })

describe('a number typed in the unit shown', () => {
  it('is shown in that unit and handed on in metres', async () => {
    const one = await field()
    const input = one.get('input')
    // two metres are 6.56 feet
    expect(Number(input.element.value)).toBeCloseTo(6.56, 0)
    await input.setValue('10')
    await input.trigger('change')
    expect(one.emitted('update:modelValue')!.at(-1)![0]).toBeCloseTo(3.048, 9)
  })
  it.each(['eight', '', '1e9', '-3', '200'])(
    '%j stays in the field with its reason, and nothing is handed on',
    async bad => {
      const one = await field()
      const input = one.get('input')
      await input.setValue(bad)
      await input.trigger('change')
      expect(one.emitted('update:modelValue')).toBeUndefined()
      expect(input.element.value).toBe(bad)
      expect(input.attributes('aria-invalid')).toBe('true')
      expect(one.get('[role=alert]').text()).toMatch(/depth.*ft/)
      await input.trigger('keydown.esc')
      expect(one.find('[role=alert]').exists()).toBe(false)
    },
  )
  it('takes every bound that it names', async () => {
    const one = await field()
    const input = one.get('input')
    await input.setValue('9999')
    await input.trigger('change')
    const [low, high] = one
      .get('[role=alert]')
      .text()
      .match(/[\d.]+/g)!
    for (const bound of [low!, high!]) {
      await input.setValue(bound)
      await input.trigger('change')
      const metres = one.emitted('update:modelValue')!.at(-1)![0] as number
      expect(metres).toBeGreaterThanOrEqual(0.3)
      expect(metres).toBeLessThanOrEqual(30)
    }
  })
  it('steps by its keys within its bounds', async () => {
    const one = await field({ modelValue: 30 })
    await one.get('input').trigger('keydown.up')
    expect(one.emitted('update:modelValue')!.at(-1)![0]).toBe(30)
    await one.get('input').trigger('keydown.down')
    expect(one.emitted('update:modelValue')!.at(-1)![0]).toBeLessThan(30)
  })
})

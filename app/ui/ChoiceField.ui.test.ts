import { mountSuspended } from '@nuxt/test-utils/runtime'
import { describe, expect, it } from 'vitest'
import ChoiceField from './ChoiceField.vue'

const items = [
  { value: 'sand', label: 'sand', group: 'soft' },
  { value: 'mud', label: 'mud', group: 'soft' },
  { value: 'rock', label: 'rock', group: 'hard' },
]
const field = () => mountSuspended(ChoiceField, { props: { label: 'bottom', modelValue: 'mud', items } })
const listed = (wrapper: Awaited<ReturnType<typeof field>>): number =>
  wrapper.findAllComponents({ name: 'SelectItem' }).length

describe('a choice from a short list', () => {
  it('shows what is chosen, and lays its other names out once somebody turns to it', async () => {
    const wrapper = await field()
    const box = wrapper.get('[role="combobox"]')
    expect(box.text()).toBe('mud')
    expect(listed(wrapper)).toBe(1)
    await box.trigger('focusin')
    expect(listed(wrapper)).toBe(items.length)
    expect(box.text()).toBe('mud')
  })
  it('has them for a pointer too, and shows another choice when it is set from outside', async () => {
    const wrapper = await field()
    await wrapper.setProps({ modelValue: 'rock' })
    expect(wrapper.get('[role="combobox"]').text()).toBe('rock')
    await wrapper.get('[role="combobox"]').trigger('pointerenter')
    expect(listed(wrapper)).toBe(items.length)
  })
})

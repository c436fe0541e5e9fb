import { mountSuspended } from '@nuxt/test-utils/runtime'
import { describe, expect, it } from 'vitest'
import DateField from './DateField.vue'

const field = (modelValue: string, timed = false) =>
  mountSuspended(DateField, { props: { label: 'day', modelValue, timed }, attachTo: document.body })

describe('a day as the region writes it', () => {
  it('is shown in parts that can be named, and steps by its keys', async () => {
    const one = await field('2026-11-28')
    const parts = one.findAll('[role=spinbutton]')
    expect(parts.map(p => p.text())).toEqual(['11', '28', '2026'])
    await parts[1]!.trigger('keydown', { key: 'ArrowUp', code: 'ArrowUp' })
    expect(one.emitted('update:modelValue')!.at(-1)).toEqual(['2026-11-29'])
  })
  it('a moment has hours, minutes and seconds', async () => {
    const one = await field('2026-11-28T07:30:05', true)
    expect(one.findAll('[role=spinbutton]').map(p => Number(p.text()))).toEqual([11, 28, 2026, 7, 30, 5])
  })
  it('what is no date is empty, and breaks nothing', async () => {
    const one = await field('the day after')
    expect(one.findAll('[role=spinbutton]')).toHaveLength(3)
    expect(one.emitted('update:modelValue')).toBeUndefined()
  })
})

import { mountSuspended } from '@nuxt/test-utils/runtime'
import { expect, it } from 'vitest'
import FilePick from './FilePick.vue'

it('hands on the file chosen, the same one twice if it is chosen twice', async () => {
  const pick = await mountSuspended(FilePick, {
    props: { label: 'Table to read', text: 'Read a table…', accept: '.csv' },
  })
  const input = pick.get('input[type=file]')
  expect(input.attributes()).toMatchObject({ 'aria-label': 'Table to read', accept: '.csv' })
  const file = new File(['a,b'], 'table.csv', { type: 'text/csv' })
  for (let n = 1; n <= 2; n++) {
    Object.defineProperty(input.element, 'files', { value: [file], configurable: true })
    await input.trigger('change')
    expect(pick.emitted('file')).toHaveLength(n)
  }
  expect(pick.emitted('file')![0]).toEqual([file])
})

import { mountSuspended } from '@nuxt/test-utils/runtime'
import { expect, it } from 'vitest'
import TraceMarks from './TraceMarks.vue'

const points = [
  [10, 20],
  [110, 20],
] as const
const marks = (labelled = false) =>
  mountSuspended(TraceMarks, {
    props: {
      points,
      names: ['one end', 'other end'],
      most: 200,
      spot: (event: PointerEvent) => [event.clientX, event.clientY] as const,
      labelled,
    },
  })

it('are handles by name, moved by the arrow keys a pixel, with Shift ten', async () => {
  const wrapper = await marks()
  const [one, other] = wrapper.findAll('[role=slider]')
  expect([one!.attributes('aria-label'), other!.attributes('aria-label')]).toEqual(['one end', 'other end'])
  await one!.trigger('keydown', { key: 'ArrowRight' })
  await other!.trigger('keydown', { key: 'ArrowUp', shiftKey: true })
  await one!.trigger('keydown', { key: 'a' })
  expect(wrapper.emitted('drop')).toEqual([
    [
      [
        [11, 20],
        [110, 20],
      ],
    ],
    [
      [
        [10, 20],
        [110, 10],
      ],
    ],
  ])
})

it('say nothing in the picture unless they are to be told apart there', async () => {
  expect((await marks()).findAll('text')).toHaveLength(0)
  expect((await marks(true)).findAll('text').map(t => t.text())).toEqual(['one end', 'other end'])
})

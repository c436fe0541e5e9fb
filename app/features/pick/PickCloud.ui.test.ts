import { mountSuspended } from '@nuxt/test-utils/runtime'
import { expect, it } from 'vitest'
import { defineComponent, h } from 'vue'
import { pickFrom, type PickAnswer } from '~/compute/pick'
import { day, goods } from '~/compute/testing'
import PickCloud from './PickCloud.vue'

/** Nothing is laid out here: the table draws all its rows, and there is no chart. */
const stubs = {
  UModal: defineComponent({
    setup:
      (_, { slots }) =>
      () =>
        h('div', slots.body?.()),
  }),
  SheetTable: defineComponent({
    props: { rows: { type: Array<PickAnswer['cloud'][number]>, required: true } },
    setup:
      (props, { slots }) =>
      () =>
        h(
          'ul',
          props.rows.map(row =>
            h('li', [slots.pin?.({ row }), slots.size?.({ row }), slots.bait?.({ row })]),
          ),
        ),
  }),
  ChartFrame: true,
}

it('keeps what is pinned when the answer comes again or in another order; five at most, in the order of pinning', async () => {
  const whole = (await pickFrom(
    { day, goods, beyond: false },
    { tell: () => undefined, pause: () => Promise.resolve(true) },
  ))!
  const answer = { ...whole, cloud: whole.cloud.slice(0, 8) }
  const cloud = await mountSuspended(PickCloud, { props: { open: true, answer }, global: { stubs } })
  const rows = () => cloud.findAll('li')
  const pin = (nth: number) => rows()[nth]!.get('[aria-label^="Pin "]').trigger('click')
  const pinned = () => rows().filter(row => row.find('[aria-pressed=true]').exists())
  const said = (): string[] => pinned().map(row => row.text())
  expect(rows().length).toBeGreaterThan(6)
  await pin(3)
  await pin(0)
  const before = said()
  expect(before).toEqual([rows()[0]!.text(), rows()[3]!.text()])

  // as it comes a second time from a worker
  await cloud.setProps({ answer: structuredClone(answer) })
  expect(said()).toEqual(before)
  await cloud.setProps({ answer: { ...answer, cloud: [...answer.cloud].reverse() } })
  expect(said()).toEqual([...before].reverse())
  // what cannot be fished on another day comes back with the next
  await cloud.setProps({ answer: { ...answer, cloud: answer.cloud.slice(1) } })
  expect(said()).toEqual([before[1]])
  await cloud.setProps({ answer })
  expect(said()).toEqual(before)

  for (const nth of [1, 2, 4, 5]) await pin(nth)
  expect(pinned()).toHaveLength(5)
  await cloud
    .findAll('button')
    .find(b => b.text().includes('5 pinned rigs'))!
    .trigger('click')
  expect(cloud.emitted('put')).toEqual([[[3, 0, 1, 2, 4].map(nth => answer.cloud[nth])]])
  await pin(0)
  expect(pinned()).toHaveLength(4)
})

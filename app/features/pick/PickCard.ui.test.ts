import { mountSuspended } from '@nuxt/test-utils/runtime'
import { afterAll, beforeAll, expect, it, vi } from 'vitest'
import RigSketch from '~/ui/RigSketch.vue'
import { pickFrom, type PickAnswer } from '~/compute/pick'
import { day, goods } from '~/compute/testing'
import PickCard from './PickCard.vue'

let answer: PickAnswer
beforeAll(async () => {
  // nothing is laid out here: things are as wide as they are said to be
  vi.stubGlobal(
    'ResizeObserver',
    class {
      constructor(readonly told: (entries: object[]) => void) {}
      observe(): void {
        setTimeout(() => this.told([{ contentRect: { width: 640, height: 132 } }]))
      }
      disconnect(): void {}
    },
  )
  answer = (await pickFrom(
    { day, goods, beyond: false },
    { tell: () => undefined, pause: () => Promise.resolve(true) },
  ))!
})
afterAll(() => vi.unstubAllGlobals())

it('draws the pick that it names, also when another one takes its place', async () => {
  const [first, second] = answer.picks as [PickAnswer['picks'][number], PickAnswer['picks'][number]]
  const props = {
    pick: first,
    odds: 1,
    day,
    baitName: 'first bait',
    reasons: [],
    hookName: undefined,
    lineName: undefined,
    rodName: undefined,
    steps: [],
  }
  const card = await mountSuspended(PickCard, { props })
  await vi.waitFor(() => expect(card.find('svg').exists()).toBe(true))
  expect(card.findComponent(RigSketch).props('drawing')).toEqual(first.drawing)
  const drawn = (): string[] => card.findAll('svg path').map(p => p.attributes('d') ?? '')
  const before = drawn()
  expect(before.length).toBeGreaterThan(1)

  await card.setProps({ pick: second, baitName: 'second bait' })
  expect(card.text()).toContain('second bait')
  expect(second.drawing).not.toEqual(first.drawing)
  expect(card.findComponent(RigSketch).props('drawing')).toEqual(second.drawing)
  expect(drawn()).not.toEqual(before)
})

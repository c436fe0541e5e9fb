import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { DEMO_BOX } from '../../demo/box'
import { useBox } from '~/sync/box'
import { useSpots } from '~/sync/documents'
import { useSettings } from '~/ui/settings'
import { readyBoxWhenIdle } from './readyBox'
import { useSpread } from './spread'

const ask = vi.hoisted(() => vi.fn(() => new Promise(() => undefined)))
vi.mock('~/compute/calculator', () => ({ calculator: () => ({ ask }) }))
const battery = { charging: true, level: 1, chargingTime: 0, dischargingTime: 0 }

/** How often the box was to be worked out, after so long without a touch. */
async function quietFor(ms: number): Promise<number> {
  await vi.advanceTimersByTimeAsync(ms)
  return ask.mock.calls.length
}

describe('what searches need of the box', () => {
  let end: () => void
  beforeEach(async () => {
    vi.useFakeTimers()
    ask.mockClear()
    localStorage.clear()
    setActivePinia(createPinia())
    Object.assign(battery, { charging: true, level: 1 })
    Object.defineProperty(navigator, 'getBattery', {
      configurable: true,
      value: async () => Object.assign(new EventTarget(), battery),
    })
    await useSpread().open(undefined)
    const box = useBox()
    box.items = DEMO_BOX.map((item, i) => ({ ...item, id: String(i) })) as unknown as typeof box.items
    box.loaded = true
    useSpots().loaded = true
  })
  afterEach(() => {
    end()
    vi.useRealTimers()
    Reflect.deleteProperty(navigator, 'getBattery')
  })

  it('is worked out once nobody touched the page for a while, for the water of the sheet', async () => {
    end = readyBoxWhenIdle()
    expect(await quietFor(10_000)).toBe(0)
    expect(await quietFor(20_000)).toBe(1)
    expect(ask).toHaveBeenCalledWith(
      'workOut',
      expect.objectContaining({
        days: [expect.objectContaining({ depthM: useSpread().content.water.depthM })],
      }),
      expect.anything(),
    )
  })
  it('is not where that was switched off, and is as soon as it is switched on', async () => {
    useSettings().ahead = false
    end = readyBoxWhenIdle()
    expect(await quietFor(60_000)).toBe(0)
    useSettings().ahead = true
    expect(await quietFor(1000)).toBe(1)
  })
  it('waits for a charger with less than half a battery', async () => {
    Object.assign(battery, { charging: false, level: 0.4 })
    end = readyBoxWhenIdle()
    expect(await quietFor(60_000)).toBe(0)
  })
  it('is worked out on a battery that is full enough', async () => {
    Object.assign(battery, { charging: false, level: 0.8 })
    end = readyBoxWhenIdle()
    expect(await quietFor(60_000)).toBe(1)
  })
})

import { mountSuspended } from '@nuxt/test-utils/runtime'
import { afterEach, expect, it, vi } from 'vitest'
import { defineComponent, nextTick, ref } from 'vue'
import { useDropClock } from './useDropClock'

/** A clock in a component, as a view has it, for someone who wants no motion. */
async function clockOf(seconds: number) {
  vi.stubGlobal('matchMedia', (query: string) => ({
    matches: query.includes('reduce'),
    media: query,
    addEventListener: () => undefined,
    removeEventListener: () => undefined,
  }))
  const end = ref(seconds)
  let clock!: ReturnType<typeof useDropClock>
  await mountSuspended(
    defineComponent({
      setup() {
        clock = useDropClock(() => end.value)
        return () => undefined
      },
    }),
  )
  return { clock, end }
}
afterEach(() => vi.unstubAllGlobals())

it('without motion the drop stands at its end, and is shown step by step', async () => {
  const { clock } = await clockOf(4)
  expect(clock.time.value).toBe(4)
  clock.toggle()
  expect([clock.time.value, clock.playing.value]).toEqual([0, false])
  for (let i = 0; i < 8; i++) clock.toggle()
  expect(clock.time.value).toBe(4)
})

it('stays where it is when later figures come, or at the end where it had run out', async () => {
  const { clock, end } = await clockOf(4)
  end.value = 6
  await nextTick()
  expect(clock.time.value).toBe(6)
  clock.seek(2)
  end.value = 5
  await nextTick()
  expect(clock.time.value).toBe(2)
  clock.seek(99)
  expect(clock.time.value).toBe(5)
})

import { mountSuspended } from '@nuxt/test-utils/runtime'
import { expect, it } from 'vitest'
import StrikeMotion from './StrikeMotion.vue'
import { biteOf } from './testing'
import { loadText } from '#words/units'
import { useSettings } from '~/ui/settings'

/** What is said of a bite at a moment; a test's page has no width, so the drawing is asked for by its parts. */
async function saidAt(bite: ReturnType<typeof biteOf>, at: number): Promise<string> {
  const wrapper = await mountSuspended(StrikeMotion, { props: { bite, letter: 'A', at } })
  return (wrapper.vm as unknown as { said: string }).said
}

it('says what happens: the mouth opens, holds, slack comes up, the hook is pulled and goes in', async () => {
  const bite = biteOf({})
  const { course, chain } = bite
  expect(await saidAt(bite, 0)).toBe('the mouth opens')
  expect(await saidAt(bite, course.setS / 2)).toBe('held; the point is clear')
  expect(await saidAt(bite, course.setS + 0.01)).toBe('slack comes up')
  expect(await saidAt(bite, course.endS)).toBe(
    `${loadText(chain.setN, useSettings().system)} at the hook: the point is in`,
  )
})

it('says that a soft bite leaves the point covered, and that it is never in', async () => {
  const bite = biteOf({ biteN: 2 })
  expect(await saidAt(bite, bite.course.setS / 2)).toBe('held; the point is covered')
  expect(await saidAt(bite, bite.course.endS)).toMatch(/at the hook$/)
})

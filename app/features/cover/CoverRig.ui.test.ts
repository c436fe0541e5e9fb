import { mountSuspended } from '@nuxt/test-utils/runtime'
import { expect, it } from 'vitest'
import CoverRig from './CoverRig.vue'
import { throughCover, type CoverJob } from '~/compute/cover'

const job: CoverJob = {
  bait: { form: 'slimShad', lengthM: 0.09, material: 'plain' },
  conditions: {
    depthM: 2,
    temperatureC: 15,
    salinityGKg: 30,
    cover: 'wood',
    bottom: 'rock',
    lineKind: 'braid',
    lineStrengthN: 89,
  },
  lanes: [
    {
      letter: 'A',
      rig: { family: 'E1', hookSize: '3/0', weightKg: 0.005, weightMaterial: 'lead', pointRest: 'open' },
    },
  ],
  draws: 500,
  cast: 1,
}

it('counts the catches of a thousand casts where they are, as the figures have them', async () => {
  const answer = await throughCover(job, { tell: () => undefined, pause: () => Promise.resolve(true) })
  const lane = answer!.lanes[0]!
  const wrapper = await mountSuspended(CoverRig, { props: { lane } })
  const { places } = wrapper.vm as unknown as { places: readonly { site: string; share: number }[] }
  const atPoint = lane.snag.causes.filter(c => c.site === 'point').reduce((sum, c) => sum + c.perCast, 0)
  expect(places.find(p => p.site === 'point')!.share).toBeCloseTo(atPoint, 12)
  for (let i = 1; i < places.length; i++) expect(places[i]!.share).toBeLessThanOrEqual(places[i - 1]!.share)
})

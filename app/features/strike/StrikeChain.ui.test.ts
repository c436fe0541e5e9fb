import { mountSuspended } from '@nuxt/test-utils/runtime'
import { expect, it } from 'vitest'
import StrikeChain from './StrikeChain.vue'
import { biteOf, job } from './testing'
import type { StrikeJob } from '~/compute/strike'

it('tells every link with its two numbers, and none fails where the fish is hooked', async () => {
  const bite = biteOf({})
  const chain = await mountSuspended(StrikeChain, { props: { bite } })
  expect(chain.findAll('li')).toHaveLength(4)
  expect(bite.chain.loss).toBeUndefined()
  expect(chain.findAll('.fails')).toHaveLength(0)
})

it('marks the link that loses the fish: a soft bite leaves the point covered', async () => {
  const bite = biteOf({ biteN: 2 })
  const chain = await mountSuspended(StrikeChain, { props: { bite } })
  expect(bite.chain.loss).toBe('notReached')
  expect(chain.find('.fails').text()).toMatch(/^point through the plastic.*going through the rest takes/)
})

it('an open point has nothing over it; slack leaves too little to go in', async () => {
  const rig: StrikeJob['rig'] = { ...job.rig, family: 'E1', hookSize: '3/0', pointRest: 'open' }
  const bite = biteOf({ rig, slackM: 1.1 })
  const chain = await mountSuspended(StrikeChain, { props: { bite } })
  expect(chain.text()).toContain('the point stands open')
  expect(chain.find('.fails').text()).toMatch(/^force to go in/)
})

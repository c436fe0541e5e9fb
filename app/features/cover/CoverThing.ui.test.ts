import { mountSuspended } from '@nuxt/test-utils/runtime'
import { expect, it } from 'vitest'
import CoverThing from './CoverThing.vue'
import { COVERS, BOTTOMS, type ThingLook } from '#core'

const LOOKS = [
  ...new Set(
    [...Object.values(COVERS), ...Object.values(BOTTOMS)].flatMap(c => c.obstacles.map(o => o.look)),
  ),
]
const drawn = async (look: ThingLook, index: number, water = 60) =>
  (await mountSuspended(CoverThing, { props: { look, thick: 4, water, perM: 60, index } })).findAll('path')

it('draws everything that stands in a cover or on a bottom, whatever its place', async () => {
  for (const look of LOOKS)
    for (const index of [0, 7]) {
      const paths = await drawn(look, index)
      expect(paths.length, look).toBeGreaterThan(0)
      for (const path of paths) expect(path.attributes('d'), look).not.toMatch(/NaN|undefined/)
    }
})

it('no two of a kind are alike, and none grows out of the water', async () => {
  const [one] = await drawn('blade', 1)
  const [other] = await drawn('blade', 2)
  expect(one!.attributes('d')).not.toBe(other!.attributes('d'))
  const [low] = await drawn('blade', 1, 10)
  const heights = [...low!.attributes('d')!.matchAll(/-([\d.]+)/g)].map(m => Number(m[1]))
  expect(Math.max(...heights)).toBeLessThanOrEqual(10)
})

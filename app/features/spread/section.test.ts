import { describe, expect, it } from 'vitest'
import { CAST_M, COVERS } from '#core'
import { growthOf, stonesOf } from './section'

describe('section', () => {
  it('draws as many stems as the model has a cast meet', () => {
    const rate = COVERS.thickWeed.obstacles.reduce((sum, o) => sum + Math.round(o.perM * CAST_M), 0)
    expect(growthOf('thickWeed', { width: 1000, top: 30, floor: 90 })).toHaveLength(rate)
  })
  it('leaves mud bare', () => expect(stonesOf('mud', { width: 1000, floor: 90, bed: 30 })).toEqual([]))
})

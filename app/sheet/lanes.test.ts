import { describe, expect, it } from 'vitest'
import { ozToKg } from '#core'
import type { Lane } from '#schemas/spread'
import { starterContent } from './starter'
import { freeLetter, moved, newLane, stepHook, withFamily } from './lanes'

const content = starterContent()
const [belly, offset, head] = content.lanes as [
  (typeof content.lanes)[0],
  (typeof content.lanes)[0],
  (typeof content.lanes)[0],
]

describe('lanes', () => {
  it('take the first free letter, up to five', () => {
    expect(freeLetter(content.lanes)).toBe('D')
    expect(freeLetter([belly, head])).toBe('B')
    const five = ['A', 'B', 'C', 'D', 'E'].map(letter => ({ ...belly, letter: letter as 'A' }))
    expect(newLane({ ...content, lanes: five }, 'E1')).toBeUndefined()
  })
  it('keep what a new family can carry and drop what it cannot', () => {
    expect(withFamily(belly, 'O2')).toMatchObject({
      family: 'O2',
      weightKg: 0,
      hookSize: '4/0',
      pointRest: 'skin',
    })
    expect(withFamily(offset, 'L1').weightKg).toBeGreaterThan(0.003)
    expect(withFamily(belly, 'E1').pointRest).toBe('open')
    expect(withFamily(head, 'W1').pointRest).toBe('skin')
  })
  it('a trailer stays on its side behind another skirt or blade, and nowhere else', () => {
    const side = withFamily({ ...head, sideOn: true }, 'T1')
    expect(side.sideOn).toBe(true)
    expect(withFamily(side, 'J7').sideOn).toBe(true)
    expect(withFamily(side, 'E1').sideOn).toBeUndefined()
  })
  it('opens a way of rigging at a weight that people use with it, and leaves one that is', () => {
    const at = (family: Lane['family'], kg: number): number =>
      withFamily({ ...offset, family: 'L1', weightKg: kg }, family).weightKg
    expect(at('L2', ozToKg(1 / 8))).toBeCloseTo(ozToKg(3 / 4), 6)
    expect(at('L2', ozToKg(1))).toBe(ozToKg(1))
    expect(at('E3', ozToKg(3 / 4))).toBeCloseTo(ozToKg(1 / 8), 6)
    expect(at('J4', ozToKg(1 / 8))).toBe(ozToKg(1 / 8))
  })
  it('step hooks along the table and stop at its ends', () => {
    expect(stepHook('4/0', 1)).toBe('5/0')
    expect(stepHook('1', 1)).toBe('1/0')
    expect(stepHook('6', -1)).toBe('6')
    expect(stepHook('12/0', 1)).toBe('12/0')
  })
  it('move within the list only', () => {
    expect(moved(['a', 'b', 'c'], 0, 1)).toEqual(['b', 'a', 'c'])
    expect(moved(['a', 'b', 'c'], 2, 3)).toEqual(['a', 'b', 'c'])
    expect(moved(['a', 'b', 'c'], 0, -1)).toEqual(['a', 'b', 'c'])
  })
})

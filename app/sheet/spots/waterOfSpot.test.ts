import { describe, expect, it } from 'vitest'
import { DEMO_SPOTS } from '../../../demo/spots'
import { DEMO_SPREADS } from '../../../demo/spreads'
import { placeOf, waterOfSpot } from './waterOfSpot'

const sheet = () => structuredClone(DEMO_SPREADS[0]!.content)
const of = (name: string) => DEMO_SPOTS.find(s => s.name === name)!
const [channel, willow] = [of('Channel mouth'), of('Drowned willow')]

describe('the water of a spot', () => {
  it('takes the place of the sheet’s, and leaves what it says nothing of', () => {
    const content = sheet()
    content.water.temperatureC = 9
    content.water.wind = { speedMS: 6, from: 'ahead' }
    content.water.zone = { fromM: 1, toM: 2 }
    content.fish = { ...content.fish, aim: 'search', light: 'dull' }
    const { water, fish } = waterOfSpot(willow, content)
    expect(water).toMatchObject({
      depthM: 3.5,
      temperatureC: 9,
      wind: { speedMS: 6, from: 'ahead' },
      zone: { fromM: 1, toM: 2 },
    })
    expect(fish).toMatchObject({ species: 'pike', aim: 'search', light: 'dull' })
    expect(water.stream).toBeUndefined()
  })
  it('keeps what is known of the same fish, and not of another', () => {
    const content = sheet()
    content.fish = { species: 'seaBass', activity: 'slow', prey: 'sandEel', preyM: 0.2 }
    expect(waterOfSpot(channel, content).fish).toMatchObject({ activity: 'slow', preyM: 0.2 })
    expect(waterOfSpot(willow, content).fish).not.toHaveProperty('activity')
  })
  it('has no depths below its bottom', () => {
    const content = sheet()
    content.water.zone = { fromM: 8, toM: 10 }
    expect(waterOfSpot(channel, content).water.zone).toBeUndefined()
  })
  it('is named by its water, or by itself', () => {
    expect(placeOf(willow)).toBe('Heronmere, Drowned willow')
    expect(placeOf({ ...willow, content: { ...willow.content, water: '' } })).toBe('Drowned willow')
  })
})

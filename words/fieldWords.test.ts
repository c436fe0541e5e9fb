import { expect, it } from 'vitest'
import { fieldName, fieldValue } from './fieldWords'
import { FOREIGN } from './foreign'
import { UNIT_SYSTEMS } from './units'

it.each([
  ['name', 'name'],
  ['content.depthM', 'depth'],
  ['content.lanes.A.weightKg', 'rig A weight'],
  ['content.water.temperatureC', 'water temperature'],
  ['details.lengthM', 'length'],
  ['content.at.lat', 'position latitude'],
])('%s is called "%s"', (path, name) => expect(fieldName(path)).toBe(name))

it('says what stands there in words: names, yes and no, nothing, lists', () => {
  expect(fieldValue('content.cover', 'thickWeed', 'metric')).toBe('thick weed')
  expect(fieldValue('content.slit', true, 'metric')).toBe('yes')
  expect(fieldValue('content.note', '', 'metric')).toBe('nothing')
  expect(fieldValue('content.tags', ['river', 'dusk'], 'metric')).toBe('river, dusk')
  expect(fieldValue('content.turns', [{ at: 'x' }], 'metric')).toBe('1 row')
  expect(fieldValue('content.at', { lat: 54.1, lon: 8.2 }, 'metric')).toBe('latitude 54.1, longitude 8.2')
})

it.each(UNIT_SYSTEMS)('gives figures in the angler’s own units alone: %s', system => {
  const figures = {
    depthM: 4,
    lengthM: 0.09,
    weightKg: 0.007,
    temperatureC: 11,
    currentMS: 0.4,
    strengthN: 67,
  }
  for (const [key, value] of Object.entries(figures)) {
    const text = fieldValue(`content.${key}`, value, system)
    expect(text).toMatch(/\d.* ?[a-z°/]+/)
    expect(text).not.toMatch(FOREIGN[system])
  }
})

import { describe, expect, it } from 'vitest'
import { toTheEnd } from '../numerics/toTheEnd'
import { lineOf } from '../tackle/lines'
import { choose, fieldOf, type Choice } from './choose'
import { lookCloser } from './closer'
import type { Day } from './day'
import type { Goods } from './goods'
import { searchMemory } from './memory'

/** A box small enough that everything of it can be evaluated in full. */
const goods: Goods = {
  baits: [{ id: 'worm', name: 'worm 120', spec: { form: 'flatWorm', lengthM: 0.12, material: 'plain' } }],
  hooks: (['4/0', '5/0'] as const).map(size => ({ id: size, style: 'wideGap', size })),
  heads: [{ id: 'head', family: 'E5', size: '4/0', weightKg: 0.014, weightMaterial: 'lead' }],
  weights: [
    { id: 'heavy', shape: 'bullet', weightKg: 0.014, weightMaterial: 'tungsten' },
    { id: 'ball', shape: 'ball', weightKg: 0.014, weightMaterial: 'lead' },
  ],
  lines: [{ id: 'braid', line: lineOf('braid', 133) }],
  rods: [{ id: 'rod', name: 'rod', power: 'mediumHeavy', castKg: [0.01, 0.04] }],
}
const cold: Day = {
  depthM: 5,
  temperatureC: 7,
  salinityGKg: 0,
  cover: 'boulders',
  bottom: 'rock',
  clarity: 'dirty',
  light: 'bright',
  species: 'wrasse',
  activity: 'slow',
  feeding: 'nip',
  prey: 'worm',
  preyM: 0.12,
  stream: { surfaceMS: 0.46, towardRad: 0 },
}

const memory = searchMemory()
function chosen(day: Day): Choice {
  return toTheEnd(choose(day, goods, { memory }))
}

describe('what is picked out of a small box', () => {
  it.each([
    ['where a weight that runs free lets the bait fall slowly', cold],
    ['under a mat', { ...cold, depthM: 1, cover: 'mat', bottom: 'mud', temperatureC: 20, stream: undefined }],
  ] as const)('is the best of everything in full, %s', (_, { stream, ...rest }) => {
    const day: Day = stream ? { ...rest, stream } : rest
    const { picks, candidates } = chosen(day)
    const { riggings } = fieldOf(day, goods, {})
    let best = 0
    for (const one of candidates) {
      if (one.limit || one.near) continue
      const full = lookCloser(day, goods, riggings, one, { memory })
      if (!full.near) best = Math.max(best, full.score)
    }
    expect(best).toBeGreaterThan(0)
    expect(picks[0]!.score).toBeCloseTo(best, 12)
  })
})

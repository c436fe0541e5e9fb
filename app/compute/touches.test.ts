import { describe, expect, it } from 'vitest'
import { touchesOf } from './touches'

const felt = { bumps: 14, bites: 9, hooked: 4, nipped: 6 }
const key = 'slimShad 90 plain|W1|4/0|skin'

describe('the worker that reads touches', () => {
  it('reads every tally in the order asked, and leaves out what is no rig', async () => {
    const parts: number[] = []
    const found = (await touchesOf(
      {
        rows: [
          { rigKey: key, felt },
          { rigKey: 'a shoe', felt },
          { rigKey: 'stick 125 salted|E1|3/0|open', felt },
        ],
      },
      { tell: part => void parts.push(part), pause: () => Promise.resolve(true) },
    ))!
    expect(found.map(r => r?.touches)).toEqual([23, undefined, 23])
    expect(found[0]!.causes[0]!.cause).toBe('tailNips')
    expect(parts).toEqual([1 / 3, 2 / 3, 1])
    expect(() => structuredClone(found)).not.toThrow()
  })
  it('a rig that cannot be built is left out too', async () => {
    const [none] = (await touchesOf(
      { rows: [{ rigKey: 'slimShad 40 plain|O2|12/0|skin', felt }] },
      { tell: () => undefined, pause: () => Promise.resolve(true) },
    ))!
    expect(none).toBeUndefined()
  })
  it('stops where nobody waits any more', async () => {
    let looks = 0
    expect(
      await touchesOf(
        {
          rows: [
            { rigKey: key, felt },
            { rigKey: key, felt },
          ],
        },
        { tell: () => undefined, pause: async () => ++looks > 1 },
      ),
    ).toBeUndefined()
    expect(looks).toBe(1)
  })
})

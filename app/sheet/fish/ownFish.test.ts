import { describe, expect, it } from 'vitest'
import { SPECIES } from '#core'
import { fishFileSchema, type StoredDocument } from '#schemas/spot'
import { dayOfSheet } from '../../../shared/day'
import { DEMO_FISHES } from '../../../demo/fishes'
import { DEMO_SPREADS } from '../../../demo/spreads'
import { copied, EDIT, fishChoices, fishChosen, taken, withFish } from './ownFish'

const kept = { id: 'k', kind: 'fish', revision: 1, ...DEMO_FISHES[0]! } as StoredDocument<'fish'>
const other = { ...kept, content: { ...kept.content, teeth: 'cutting' as const } }
const sheet = () => structuredClone(DEMO_SPREADS[0]!.content)

describe('the fish that are sought', () => {
  it('are a kind of the list, one of one’s own, or one that the sheet alone still has', () => {
    expect(fishChoices({ species: 'pike' }, [kept]).value).toBe('pike')
    expect(fishChoices(taken(kept), [kept]).value).toBe('own:k')
    const gone = fishChoices(taken(kept), [other])
    expect(gone.items.find(({ value }) => value === gone.value)?.label).toContain('as set here')
  })
  it('can all be chosen, and what only opens the list changes nothing', () => {
    const { items } = fishChoices({ species: 'pike' }, [kept])
    expect(fishChosen('own:k', [kept])).toEqual(taken(kept))
    expect(fishChosen('zander', [kept])).toEqual({ species: 'zander' })
    expect(fishChosen(EDIT, [kept])).toBeUndefined()
    expect(items.map(({ value }) => value)).toContain(EDIT)
  })
  it('take with them what was set of the fish before', () => {
    const content = sheet()
    content.fish = { species: 'pike', activity: 'slow', prey: 'frog', preyM: 0.2, clarity: 'dirty' }
    content.fishing = { ...content.fishing, feeding: 'nip' }
    withFish(content, taken(kept))
    const { own, ...rest } = content.fish
    expect(rest).toEqual({ species: 'seaBass', clarity: 'dirty' })
    expect(own!.name).toBe(kept.name)
    const day = dayOfSheet({ ...content, water: { ...content.water, temperatureC: 15 } }, 7)
    expect(day).toMatchObject({ prey: 'smallFish', preyM: 0.14, feeding: 'gulp', activity: 'active' })
    withFish(content, { species: 'pike' })
    expect(content.fish.own).toBeUndefined()
    expect(dayOfSheet(content, 7).prey).toBe(SPECIES.pike.prey[0])
  })
})

it('a kind of the list can be copied, kept in a file and read', () => {
  const fish = Object.keys(SPECIES).map(id => ({ name: id, ...copied(id as keyof typeof SPECIES) }))
  const file = JSON.parse(JSON.stringify({ format: 'dunecrest-fish', version: 1, fish }))
  expect(fishFileSchema.parse(file)).toEqual(file)
})

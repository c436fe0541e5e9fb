import { describe, expect, it } from 'vitest'
import { lineFromLb, type Line } from '../tackle/lines'
import type { Day } from './day'
import { SPECIES_IDS } from './fish'
import { leaderFor, rubsOf, type Leader } from './leader'

const day: Day = {
  depthM: 2,
  temperatureC: 15,
  salinityGKg: 35,
  cover: 'open',
  bottom: 'sand',
  clarity: 'stained',
  light: 'bright',
  species: 'seaBass',
  activity: 'steady',
  feeding: 'grab',
  prey: 'smallFish',
  preyM: 0.08,
}
const braid = lineFromLb('braid', 15)
const rig = { sideM2: 2e-3, openingN: 60 }
const of = (more: Partial<Day>, line: Line = braid): Leader => leaderFor({ ...day, ...more }, line, rig)
const why = (leader: Leader): string[] => leader.reasons.map(r => r.id)

describe('leader', () => {
  it('is not needed over clean sand in coloured water, for fish without teeth', () => {
    expect(of({})).toMatchObject({ material: 'none', reasons: [{ id: 'none' }] })
  })
  it.each(['shell', 'rock'] as const)('is needed over %s with braid, whatever else is so', bottom => {
    for (const clarity of ['clear', 'stained', 'dirty'] as const) {
      const leader = of({ bottom, clarity })
      expect(why(leader)).toContain('abrasion')
      expect(leader.material).toBe('fluorocarbon')
      expect(leader.diameterM).toBeGreaterThan(braid.diameterM)
      expect(leader.leftShare).toBeGreaterThan(0.4)
    }
  })
  it('is wire for pike everywhere, on every line', () => {
    for (const cover of ['open', 'pads', 'reeds'] as const)
      for (const kind of ['braid', 'mono', 'fluorocarbon'] as const)
        expect(of({ species: 'pike', cover }, lineFromLb(kind, 20))).toMatchObject({
          material: 'wire',
          reasons: [
            { id: 'teeth', teeth: 'cutting', fish: 'pike' },
            ...(of({ species: 'pike', cover }).reasons.slice(1) ?? []),
          ],
        })
  })
  it('is asked for by clear water with braid alone', () => {
    expect(why(of({ clarity: 'clear' }))).toEqual(['clarity'])
    expect(of({ clarity: 'clear' }, lineFromLb('fluorocarbon', 12)).material).toBe('none')
  })
  it('wears braid sooner than fluorocarbon of the same strength', () => {
    const at = (line: Line): number => of({ bottom: 'shell' }, line).reasons.length
    expect(at(braid)).toBeGreaterThan(0)
    const thick = lineFromLb('fluorocarbon', 40)
    expect(of({ bottom: 'shell' }, thick).material).toBe('none')
    const [worn] = of({ bottom: 'shell' }, lineFromLb('braid', 40)).reasons
    expect(worn).toMatchObject({ id: 'abrasion' })
    expect(worn!.id === 'abrasion' && worn!.leftShare).toBeLessThan(
      0.5 * of({ bottom: 'shell' }, thick).leftShare,
    )
  })
  it('is thicker where more rubs are met, and holds what nine fish in ten pull', () => {
    const [sand, shell, both] = [rubsOf('open', 'sand'), rubsOf('open', 'shell'), rubsOf('boulders', 'rock')]
    expect(sand.rubs).toBeLessThan(shell.rubs)
    expect(shell.on).toBe('shell edge')
    expect(both.rubs).toBeGreaterThan(0.25)
    const strong = lineFromLb('braid', 50)
    expect(of({ bottom: 'shell', cover: 'wood' }, strong).diameterM).toBeGreaterThan(
      of({ bottom: 'shell' }, strong).diameterM,
    )
  })
  it('says whether the hook opens before it breaks', () => {
    expect(leaderFor({ ...day, bottom: 'shell' }, braid, { ...rig, openingN: 5 }).hookFirst).toBe(true)
    expect(leaderFor({ ...day, bottom: 'shell' }, braid, { ...rig, openingN: 500 }).hookFirst).toBe(false)
  })
  it('has figures for every fish', () => {
    for (const species of SPECIES_IDS) {
      const { strengthN, lengthM, diameterM } = of({ species, bottom: 'shell', clarity: 'clear' })
      expect([strengthN, lengthM, diameterM].every(x => Number.isFinite(x) && x > 0)).toBe(true)
    }
  })
})

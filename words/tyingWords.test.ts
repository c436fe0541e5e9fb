import { describe, expect, it } from 'vitest'
import { assemblyOf, FAMILIES, KNOT_IDS, KNOTS, type FamilyId, type RigSpec } from '#core'
import { FOREIGN } from './foreign'
import { KNOT_WORDS, knotText, threadText } from './tyingWords'

const rig = (family: FamilyId, more: Partial<RigSpec> = {}): RigSpec => ({
  family,
  hookSize: '3/0',
  weightKg: FAMILIES[family].weighted ? 0.007 : 0,
  weightMaterial: 'lead',
  pointRest: FAMILIES[family].pointRests[0]!,
  ...more,
})

describe('words of knots', () => {
  it('tell every step that is drawn, and no other, so that each can be read without its picture', () => {
    for (const id of KNOT_IDS) {
      const drawn = new Set(KNOTS[id].steps.map(step => step.id))
      for (const step of drawn) expect([id, step, KNOT_WORDS[id].steps[step]?.length ?? 0]).not.toContain(0)
    }
  })
  it('are in the angler’s units', () => {
    for (const id of KNOT_IDS)
      for (const text of Object.values(KNOT_WORDS[id].steps))
        expect(knotText(text, 'imperial')).not.toMatch(FOREIGN.imperial)
    expect(knotText('Trim the end to 3 mm.', 'metric')).toBe('Trim the end to 3 mm.')
    expect(knotText('Trim the end to 3 mm.', 'imperial')).toMatch(/in\b|inch|"/)
  })
})

describe('what is threaded', () => {
  const told = (family: FamilyId, more: Partial<RigSpec> = {}): string =>
    threadText(assemblyOf(rig(family, more)).parts, 'metric')
  it('begins at the rod and says something of every way of rigging', () => {
    for (const family of Object.keys(FAMILIES) as FamilyId[])
      expect(told(family)).toMatch(/^From the rod: line from the rod; .+\.$/)
  })
  it('has the peg, the half stop or nothing above a bullet, as it is fished', () => {
    expect(told('L1', { peg: 'pegged' })).toMatch(/peg.*bullet.*hook/)
    expect(told('L1', { peg: 'half' })).toMatch(/sliding stop.*bullet.*hook/)
    expect(told('L1', { peg: 'free' })).toMatch(/bullet.*bead.*hook/)
  })
  it('has the hook above the dropper, and the weight below', () =>
    expect(told('L4', { leaderM: 0.3 })).toMatch(/hook; dropper of 300 mm below the hook; weight/))
  it('puts the leader ahead of everything', () =>
    expect(threadText(assemblyOf(rig('L3', { leaderM: 0.6 }), { lengthM: 2 }).parts, 'metric')).toMatch(
      /knot of line and leader; leader of 2 m; bullet.*bead.*swivel.*0.6 m of line to the hook; hook/,
    ))
})

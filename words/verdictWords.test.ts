import { describe, expect, it } from 'vitest'
import {
  evaluateRig,
  failure,
  judgeLanes,
  success,
  USUAL_UTILITY,
  type BaitSpec,
  type Conditions,
  type JudgedLane,
  type RigReport,
  type RigSpec,
} from '#core'
import type { UnitSystem } from './units'
import { TEST_WORDS, verdictWords } from './verdictWords'

const bait: BaitSpec = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
const conditions: Conditions = {
  depthM: 2,
  temperatureC: 15,
  salinityGKg: 35,
  cover: 'thickWeed',
  bottom: 'sand',
  lineKind: 'braid',
  lineStrengthN: 90,
}
const report = (rig: RigSpec): RigReport => {
  const outcome = evaluateRig(bait, rig, conditions)
  if (!outcome.ok) throw new Error(outcome.message)
  return outcome.value
}
const belly = report({
  family: 'W1',
  hookSize: '4/0',
  weightKg: 0.0035,
  weightMaterial: 'lead',
  pointRest: 'skin',
})
const head = report({
  family: 'E1',
  hookSize: '3/0',
  weightKg: 0.0035,
  weightMaterial: 'lead',
  pointRest: 'open',
})
/** The belly-weighted rig, hooked in each member by so much of what it was. */
const swayed = (of: (hookUp: number, member: number) => number): RigReport => ({
  ...belly,
  members: { ...belly.members, hookUp: belly.members.hookUp.map(of) },
})
const words = (
  reports: Readonly<Record<string, RigReport>>,
  more: readonly JudgedLane[] = [],
  utility = USUAL_UTILITY,
  units: UnitSystem = 'metric',
) => {
  const lanes = Object.entries(reports).map(([letter, r]): JudgedLane => ({ letter, result: success(r) }))
  return verdictWords(judgeLanes([...lanes, ...more], utility), new Map(Object.entries(reports)), 2.4, units)
}

describe('the verdict in words', () => {
  it("one: which, why, what the other gives and costs, and the fall in figures and in the angler's units", () => {
    const { first, rest } = words({ A: belly, C: head })
    expect(first).toMatch(/^Tie on A: it (comes through|hooks more|loses fewer rigs)\.$/)
    expect(rest.join(' ')).toMatch(
      /C hooks (surer, )?\d+ %(, for| and costs) \d+ min an hour: [\d.]+ fish less\./,
    )
    expect(rest.at(-1)).toMatch(/^A takes \d\.\d s longer than C to 2\.4 m\.$/)
    expect(words({ A: belly, C: head }, [], USUAL_UTILITY, 'imperial').rest.at(-1)).toMatch(
      / to \d+(\.\d)? ft\.$/,
    )
  })
  it('alike: no difference worth a re-tie; which it is not', () => {
    expect(words({ A: belly, B: belly }).first).toBe('A or B: no difference worth a re-tie.')
    expect(words({ A: belly, B: belly, C: swayed(h => 0.3 * h) }).first).toBe(
      'A or B: no difference worth a re-tie; not C.',
    )
  })
  it('group and open: among which it is not told, on what it turns, and tests that can be opened', () => {
    const even = swayed((h, m) => (m % 2 ? 1.4 * h : 0.6 * h))
    expect(words({ A: belly, B: even, C: swayed(h => 0.1 * h) }).first).toMatch(/^(A or B|B or A); not C\.$/)
    const fish = belly.members.hookUp.map((h, m) => h * (belly.members.hookUp[m]! > 0.48 ? 1.3 : 0.7))
    const open = words({ A: belly, B: { ...belly, members: { ...belly.members, hookUp: fish } } })
    expect(open.first).toBe('Not settled between A and B.')
    expect(open.rest[0]).toMatch(/^It turns on .+\.$/)
    expect(open.settles[0]).toMatchObject({
      ...TEST_WORDS.bites,
      worth: expect.stringMatching(/^[\d.]+ fish$/) as string,
    })
  })
  it('none, and what is out with its reason', () => {
    const out: JudgedLane = {
      letter: 'B',
      result: failure('floats', 'It floats: it never sinks in this water.'),
    }
    expect(words({}, [out])).toEqual({
      first: 'None of these sinks: fish them on top.',
      rest: ['B floats: it is fished on top, and is not weighed against what sinks.'],
      settles: [],
    })
    const alone = words({ A: belly }, [out])
    expect(alone.first).toBe('Tie on A.')
    expect(alone.rest).toContain('B floats: it is fished on top, and is not weighed against what sinks.')
  })
  it.each(['fewestSnags', 'surestHook', 'slowestFall'] as const)('says what was asked: %s', id => {
    expect(words({ A: belly, C: head }, [], { ...USUAL_UTILITY, id }).first).toMatch(
      {
        fewestSnags: /hangs up least/,
        surestHook: /hooks surest|Not settled|re-tie/,
        slowestFall: /falls slowest/,
      }[id],
    )
  })
})

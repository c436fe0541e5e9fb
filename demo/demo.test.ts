import { describe, expect, it } from 'vitest'
import { evaluateRig, judgeLanes, USUAL_UTILITY, type BaitSpec, type RigSpec } from '#core'
import { createSchema } from '#schemas/spread'
import { rigFileSchema } from '#schemas/rigFile'
import { rigFilesOf } from './examples'
import { DEMO_SPREADS, NEW_MARKS } from './spreads'

describe('the demo', () => {
  it.each([...NEW_MARKS, ...DEMO_SPREADS].map(s => [s.name, s] as const))(
    '%s: can be saved, every rig sinks and none is rigged so that it cannot be fished',
    (_, spread) => {
      expect(createSchema.safeParse(spread).error?.issues).toBeUndefined()
      const {
        water: { place, ...water },
        line,
        bait,
        lanes,
      } = spread.content
      expect(place).toMatch(/^Marrowgrass Lagoon/)
      for (const { letter, ...rig } of lanes) {
        const outcome = evaluateRig(bait, rig, {
          ...water,
          lineKind: line.kind,
          lineStrengthN: line.strengthN,
        })
        expect(outcome.ok && outcome.value.fit.verdict, letter).not.toBe('fail')
      }
    },
  )
  it('writes a file for every rig, each with a name of its own, that the command line reads', () => {
    const files = DEMO_SPREADS.flatMap(rigFilesOf)
    expect(new Set(files.map(f => f.file)).size).toBe(files.length)
    for (const { json } of files) expect(rigFileSchema.safeParse(json).error?.issues).toBeUndefined()
  })
  it('the spreads get verdicts of every kind: one rig, no difference, some but not others, not settled', () => {
    const kinds = [...NEW_MARKS, ...DEMO_SPREADS].map(
      ({
        content: {
          water: { place: _, zone: __, ...water },
          line,
          bait,
          lanes,
        },
      }) =>
        judgeLanes(
          lanes.map(({ letter, ...rig }) => ({
            letter,
            result: evaluateRig(bait as BaitSpec, rig as RigSpec, {
              ...water,
              lineKind: line.kind,
              lineStrengthN: line.strengthN,
            }),
          })),
          USUAL_UTILITY,
        ).kind,
    )
    expect(new Set(kinds)).toEqual(new Set(['one', 'alike', 'group', 'open']))
  })
})

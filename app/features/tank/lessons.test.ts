import { describe, expect, it } from 'vitest'
import { evaluateRig } from '#core'
import { contentSchema } from '#schemas/spread'
import { LESSONS } from './lessons'
import { starterContent } from '~/sheet/starter'

describe('set pieces', () => {
  it.each(LESSONS.map(l => [l.title, l] as const))(
    '%s: can be saved, and every rig of it sinks',
    (_, lesson) => {
      const content = starterContent()
      lesson.apply(content)
      expect(contentSchema.safeParse(content).error?.issues).toBeUndefined()
      const {
        water: { place: __, ...water },
        line,
        bait,
        lanes,
      } = content
      for (const { letter, ...rig } of lanes) {
        expect(
          evaluateRig(bait, rig, { ...water, lineKind: line.kind, lineStrengthN: line.strengthN }).ok,
          letter,
        ).toBe(true)
      }
    },
  )
})

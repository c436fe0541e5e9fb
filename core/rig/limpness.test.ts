import { describe, expect, it } from 'vitest'
import { modulusPa, PLASTICS, type PlasticId } from '../tackle/materials'
import { assembleRig } from './assemble'
import { limpness } from './limpness'

const limp = (lengthM: number, material: PlasticId = 'plain', hookSize: '3/0' | '5/0' = '3/0'): number =>
  limpness(
    assembleRig(
      { form: 'straightWorm', lengthM, material },
      { family: 'O1', hookSize, weightKg: 0, weightMaterial: 'lead', pointRest: 'skin' },
    ),
  )

describe('how limp a bait is', () => {
  it('grows with length, falls with stiffness and with a hook that holds more of it', () => {
    expect(limp(0.2)).toBeGreaterThan(limp(0.15))
    expect(limp(0.2) / limp(0.2, 'floating')).toBeCloseTo(
      modulusPa(PLASTICS.floating.shore00) / modulusPa(PLASTICS.plain.shore00),
      9,
    )
    expect(limp(0.2, 'plain', '5/0')).toBeLessThan(limp(0.2))
  })
  it('a slim shad of 90 mm, held by its head, droops by a quarter of its free length or so under its own weight in air', () => {
    const rig = assembleRig(
      { form: 'slimShad', lengthM: 0.09, material: 'plain' },
      { family: 'E1', hookSize: '3/0', weightKg: 0.0035, weightMaterial: 'lead', pointRest: 'open' },
    )
    const from = Math.max(...rig.parts.placement.path.points.map(p => p.s))
    // its weight per metre over the drag per metre that limpness is for
    let area = 0
    let width = 0
    for (let i = 0; i < 100; i++) {
      const s = from + ((i + 0.5) * (rig.bait.bodyM - from)) / 100
      area += ((Math.PI / 4) * rig.bait.widthAt(s) * rig.bait.heightAt(s)) / 100
      width += Math.max(rig.bait.widthAt(s), rig.bait.heightAt(s)) / 100
    }
    const droop = (limpness(rig) * (1020 * 9.81 * area)) / (0.5 * 1.3 * width)
    expect(droop).toBeGreaterThan(0.12)
    expect(droop).toBeLessThan(0.4)
  })
})

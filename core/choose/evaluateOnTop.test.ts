import { describe, expect, it } from 'vitest'
import { FAMILIES, FAMILY_IDS } from '../rig/families'
import { BAIT_FORMS, FORM_IDS } from '../tackle/forms'
import { problemsOf } from '../rig/problems'
import type { BaitSpec, RigSpec } from '../rig/spec'
import { makeRecall } from '../numerics/recall'
import type { Conditions } from './conditions'
import { evaluateOnTop } from './evaluateOnTop'
import { evaluateRig } from './evaluateRig'
import { dropPrepared, prepareRig } from './prepareRig'

const place: Conditions = {
  depthM: 1,
  temperatureC: 20,
  salinityGKg: 0,
  cover: 'pads',
  bottom: 'mud',
  lineKind: 'braid',
  lineStrengthN: 180,
}
const frog: BaitSpec = { form: 'frog', lengthM: 0.09, material: 'floating' }
const hook: RigSpec = {
  family: 'O2',
  hookSize: '4/0',
  weightKg: 0,
  weightMaterial: 'lead',
  pointRest: 'skin',
}

describe('on top', () => {
  it('a floating frog on a light hook sits back up, point up, and can be thrown; plain plastisol has no place there', () => {
    const report = evaluateOnTop(frog, hook, place)!
    expect(report).toMatchObject({ point: 'up' })
    expect(report.sits.draftM).toBeGreaterThan(0.003)
    expect(report.sits.draftM).toBeLessThan(0.03)
    expect(report.cast.distanceM.value).toBeGreaterThan(8)
    expect(report.cast.splash.kind).toBe('soft')
    expect(evaluateOnTop({ ...frog, material: 'plain' }, hook, place)).toBeUndefined()
  })
  it('hooks fewer of the takes from below than the same bites under water', () => {
    const top = evaluateOnTop(frog, hook, place)!
    const under = evaluateRig({ ...frog, material: 'plain' }, hook, place)
    if (!under.ok) throw new Error(under.message)
    expect(top.hookUp.value).toBeLessThan(0.8 * under.value.strike.hookUp.value)
    expect(top.hookUp.low).toBeLessThan(top.hookUp.value)
  })
  it('a belly weight makes it sit deeper and stand more stiffly, until it sinks', () => {
    const on = (grams: number) =>
      evaluateOnTop(
        { ...frog, lengthM: 0.12 },
        { ...hook, family: 'W1', hookSize: '2/0', weightKg: grams / 1000 },
        place,
      )
    const [light, heavy] = [on(0.9), on(1.8)]
    expect(heavy!.sits.underShare).toBeGreaterThan(light!.sits.underShare)
    expect(heavy!.sits.stiffness).toBeGreaterThan(light!.sits.stiffness)
    expect(Math.abs(heavy!.sits.rollRad)).toBeLessThan(0.3)
    expect(on(14)).toBeUndefined()
  })
  it('lies on leaves and matted weed, which carry it, and drops more surely into holes the shorter it is', () => {
    const on = (lengthM: number, cover: Conditions['cover']) =>
      evaluateOnTop({ ...frog, lengthM }, hook, { ...place, cover })!.raft
    expect(on(0.09, 'open')).toBeUndefined()
    const [long, short] = [on(0.12, 'pads')!, on(0.09, 'pads')!]
    for (const raft of [long, short]) {
      expect(raft.carried).toBe(true)
      expect(raft.noseInM).toBeLessThan(raft.wholeInM)
      expect(raft.noseInShare).toBeGreaterThan(raft.wholeInShare)
    }
    expect(short.wholeInShare).toBeGreaterThan(long.wholeInShare)
    expect(on(0.09, 'mat')!.dipM).toBeLessThan(on(0.09, 'pads')!.dipM)
  })
  it('drifts with the wind and not without, slower than the wind by far', () => {
    expect(evaluateOnTop(frog, hook, place)!.driftMS).toBeUndefined()
    const { driftMS } = evaluateOnTop(frog, hook, { ...place, wind: { speedMS: 6, from: 'behind' } })!
    expect(driftMS!.value).toBeGreaterThan(0.1)
    expect(driftMS!.value).toBeLessThan(0.6)
  })
  it('agrees with the drop about what floats, for every form and family that carries no weight', () => {
    const recall = makeRecall(4)
    let afloat = 0
    for (const form of FORM_IDS.filter((_, i) => i % 3 === 0))
      for (const family of FAMILY_IDS.filter(id => !FAMILIES[id].weighted && !FAMILIES[id].hollowOnly)) {
        const bait: BaitSpec = { form, lengthM: BAIT_FORMS[form].lengthRangeM[0], material: 'floating' }
        const spec: RigSpec = { ...hook, family, hookSize: '2', pointRest: FAMILIES[family].pointRests[0]! }
        if (problemsOf(bait, spec).length > 0) continue
        const drop = dropPrepared(prepareRig(bait, spec, place))
        if (drop.ok || drop.code !== 'floats') continue
        const { sits } = evaluateOnTop(bait, spec, place, { recall })!
        expect(Number.isFinite(sits.pitchRad + sits.rollRad + sits.draftM), `${form} ${family}`).toBe(true)
        afloat++
      }
    expect(afloat).toBeGreaterThan(8)
  })
})

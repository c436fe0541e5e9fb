import { describe, expect, it } from 'vitest'
import { seededRandom } from '../numerics/random'
import { assembleRig } from '../rig/assemble'
import type { BaitSpec, PointRest, RigSpec } from '../rig/spec'
import { lineFromLb } from '../tackle/lines'
import type { HookDims } from '../tackle/hooks'
import { strikeRig, USUAL_TACKLE, type Tackle } from './bite'
import { bestChanges, changesAmong } from './changes'
import { biteChain, setForceN } from './chain'
import { biteCourse, momentOf } from './course'
import { drawsFor } from '../uncertainty/draws'
import { makeEnsemble } from '../uncertainty/ensemble'
import { evaluateStrike } from './evaluateStrike'
import { middlingBite } from './fish'

const bait: BaitSpec = { form: 'slimShad', lengthM: 0.09, material: 'plain' }
const rigOf = (family: RigSpec['family'], pointRest: PointRest, b = bait, hook: Partial<HookDims> = {}) =>
  strikeRig(
    assembleRig(b, {
      family,
      hookSize: '4/0',
      weightKg: family === 'O2' ? 0 : 0.0035,
      weightMaterial: 'lead',
      pointRest,
      hook,
    }),
  )
const tackle: Tackle = { ...USUAL_TACKLE, line: lineFromLb('braid', 20) }
const hookUp = (rig: ReturnType<typeof rigOf>, t = tackle): number =>
  evaluateStrike(rig, t, seededRandom(3), 20_000).hookUp.value

describe('hook-up', () => {
  it('falls from open to flush to skin-hooked to buried', () => {
    const values = [
      rigOf('E1', 'open'),
      rigOf('W1', 'flush'),
      rigOf('W1', 'skin'),
      rigOf('W1', 'buried'),
    ].map(r => hookUp(r))
    for (let i = 1; i < values.length; i++) expect(values[i]!).toBeLessThan(values[i - 1]!)
  })
  it('is better in softer plastic when the point is hidden', () => {
    expect(hookUp(rigOf('W1', 'skin', { ...bait, material: 'salted' }))).toBeGreaterThan(
      hookUp(rigOf('W1', 'skin', { ...bait, material: 'floating' })),
    )
  })
  it('suffers from stretch at a distance', () => {
    const far = (kind: 'braid' | 'mono'): number =>
      hookUp(rigOf('W1', 'buried'), { ...tackle, distanceM: 40, line: lineFromLb(kind, 10) })
    expect(far('braid')).toBeGreaterThan(far('mono'))
  })
  it('is lost by a hook that opens', () => {
    const fine = evaluateStrike(rigOf('E1', 'open', bait, { wireM: 0.0005 }), tackle, seededRandom(3))
    expect(fine.losses[0]!.id).toBe('opens')
  })
  it('accounts for every bite, and repeats for a seed', () => {
    const r = evaluateStrike(rigOf('W1', 'skin'), tackle, seededRandom(9))
    expect(r.hookUp.value + r.losses.reduce((s, l) => s + l.share, 0)).toBeCloseTo(1, 9)
    expect(r).toEqual(evaluateStrike(rigOf('W1', 'skin'), tackle, seededRandom(9)))
    expect(r.hookUp.low).toBeLessThan(r.hookUp.value)
    expect(() => evaluateStrike(rigOf('W1', 'skin'), tackle, seededRandom(9), 0)).toThrow(/evaluateStrike/)
  })
})

describe('force of the set', () => {
  it('is rod and line in series, up to what rod and line can give', () => {
    const t: Tackle = { ...tackle, distanceM: 20, rodNPerM: 40, sweepM: 0.5, rodMostN: 100 }
    const line = t.line.stiffnessN / 20
    expect(setForceN(t, 0.1)).toBeCloseTo((0.4 * (40 * line)) / (40 + line), 9)
    expect(setForceN(t, 2)).toBe(0)
    expect(setForceN({ ...t, sweepM: 50 }, 0)).toBe(t.line.strengthN < 100 ? t.line.strengthN : 100)
  })
})

describe('how fish take', () => {
  it('fish that gulp are hooked more surely than fish that grab, those than fish that nip', () => {
    const [gulp, grab, nip] = (['gulp', 'grab', 'nip'] as const).map(feeding =>
      hookUp(rigOf('W1', 'skin'), { ...tackle, feeding }),
    )
    expect(gulp!).toBeGreaterThan(grab!)
    expect(grab!).toBeGreaterThan(nip!)
  })
  it('a tight moving line beats a slack pause for a hidden point, and hardly matters for an open one', () => {
    const cost = (rig: ReturnType<typeof rigOf>): number =>
      1 - hookUp(rig, { ...tackle, moving: false }) / hookUp(rig, tackle)
    expect(cost(rigOf('W1', 'buried'))).toBeGreaterThan(0.14)
    expect(cost(rigOf('E1', 'open'))).toBeLessThan(0.1)
  })
  it('a bait like their food, and a scented one, is held longer and so hooks better', () => {
    const nipped = (more: Partial<Tackle>): number =>
      hookUp(rigOf('W1', 'skin'), { ...tackle, feeding: 'nip', ...more })
    expect(nipped({ match: 'close' })).toBeGreaterThan(nipped({}))
    expect(nipped({ match: 'poor' })).toBeLessThan(nipped({}))
    expect(nipped({ scented: true })).toBeGreaterThan(nipped({}))
  })
  it('soft salted plastic is held longer', () => {
    expect(rigOf('W1', 'skin', { ...bait, material: 'salted' }).heldLonger).toBeGreaterThan(1.2)
    expect(rigOf('W1', 'skin', { ...bait, material: 'floating' }).heldLonger).toBeLessThan(1)
  })
  it('braid beats mono at 30 m through thick plastic', () => {
    const thick: BaitSpec = { form: 'deepShad', lengthM: 0.12, material: 'plain' }
    const rig = strikeRig(
      assembleRig(thick, {
        family: 'W1',
        hookSize: '7/0',
        weightKg: 0.007,
        weightMaterial: 'lead',
        pointRest: 'buried',
      }),
    )
    const far = (kind: 'braid' | 'mono'): number =>
      hookUp(rig, { ...tackle, distanceM: 30, line: lineFromLb(kind, 20) })
    expect(far('braid')).toBeGreaterThan(far('mono') + 0.02)
  })
  it('a guard costs bites that are too soft to press it down', () => {
    const guarded = (guard: RigSpec['guard']) =>
      hookUp(
        strikeRig(
          assembleRig(bait, {
            family: 'E1',
            hookSize: '4/0',
            weightKg: 0.0035,
            weightMaterial: 'lead',
            pointRest: 'open',
            ...(guard ? { guard } : {}),
          }),
        ),
      )
    expect(guarded('fibre')).toBeLessThan(guarded('none'))
    // a soft rod must press the guard down with the same pull: more than a hundredth of all bites
    const soft = { ...tackle, rodNPerM: 22, rodMostN: 9 }
    const share = (guard: RigSpec['guard']): number =>
      hookUp(
        strikeRig(
          assembleRig(bait, {
            family: 'E1',
            hookSize: '4/0',
            weightKg: 0.0035,
            weightMaterial: 'lead',
            pointRest: 'open',
            ...(guard ? { guard } : {}),
          }),
        ),
        soft,
      )
    expect(share('fibre')).toBeLessThan(share('none') - 0.03)
  })
  it('a braid feels distance too: its bow takes up the sweep', () => {
    const rig = rigOf('W1', 'skin')
    const at = (distanceM: number): number =>
      hookUp(rig, { ...tackle, line: lineFromLb('braid', 15), distanceM })
    expect(at(15)).toBeGreaterThan(at(45) + 0.03)
  })
})

describe('the chain of a bite', () => {
  const rig = rigOf('W1', 'skin')
  const one = middlingBite(rig, tackle)
  it('names the first step that fails', () => {
    expect(biteChain(rig, tackle, { ...one, forceN: 0.1 }).loss).toBe('notReached')
    expect(biteChain(rig, tackle, { ...one, holdS: 0.1 }).loss).toBe('letGo')
    expect(biteChain(rig, tackle, { ...one, atM: rig.lengthM }).loss).toBe('tailNip')
    expect(biteChain(rig, { ...tackle, sweepM: 0.1 }, one).loss).toBe('noForce')
    expect(biteChain({ ...rig, openingLoadN: 1 }, tackle, { ...one, forceN: 60 }).loss).toBe('opens')
    expect(biteChain(rig, tackle, { ...one, forceN: 60, needM: 0.05 }).loss).toBe('noBite')
  })
  it('harder bites squeeze more and leave more gap', () => {
    const [soft, hard] = [6, 12].map(forceN => biteChain(rig, tackle, { ...one, forceN }))
    expect(hard!.squeezed).toBeGreaterThan(soft!.squeezed)
    expect(hard!.gapM).toBeGreaterThan(soft!.gapM)
    expect(hard!.uncoveredM).toBeGreaterThan(soft!.uncoveredM)
  })
})

describe('what one change would give', () => {
  it('lists only what helps, best first, and a buried point gains by a lighter skin', () => {
    const buried = rigOf('W1', 'buried')
    const changes = bestChanges(buried, tackle, 3)
    const now = evaluateStrike(buried, tackle, seededRandom(3), 1200).hookUp.value
    for (const change of changes) expect(change.hookUp).toBeGreaterThan(now)
    for (let i = 1; i < changes.length; i++)
      expect(changes[i]!.hookUp).toBeLessThanOrEqual(changes[i - 1]!.hookUp)
    expect(changes.some(c => c.id === 'lighterSkin')).toBe(true)
    expect(bestChanges(buried, { ...tackle, moving: false }, 3).some(c => c.id === 'keepMoving')).toBe(true)
  })
  it('tells each gain with the range of the ensemble, around the gain itself', () => {
    const buried = rigOf('W1', 'buried')
    const changes = bestChanges(buried, tackle, 3)
    const sure = changesAmong(
      buried,
      tackle,
      changes,
      drawsFor(makeEnsemble(), { plastic: '', kind: '', rig: '' }),
    )
    expect(sure.map(c => c.id)).toEqual(changes.slice(0, 5).map(c => c.id))
    for (const { gain, by } of sure) {
      expect(by.value).toBe(gain)
      expect(by.low).toBeLessThanOrEqual(gain)
      expect(by.high).toBeGreaterThan(by.low)
      expect(by.high).toBeLessThan(1)
    }
  })
})

describe('the set', () => {
  // by hand: 20 m of line of 2,000 N a strain of one give 100 N/m; with a rod of 25 N/m in series 20 N/m
  const soft: Tackle = {
    ...tackle,
    distanceM: 20,
    rodNPerM: 25,
    sweepM: 1,
    rodMostN: 12,
    line: { ...tackle.line, stiffnessN: 2000, strengthN: 100 },
  }
  const rig = rigOf('E1', 'open')
  const one = { ...middlingBite(rig, soft), slackM: 0.2, holdS: 3, reactS: 0.6 }
  const course = biteCourse(rig, soft, one, biteChain(rig, soft, one))
  const sweptTo = (m: number): number => momentOf(course, 0.6 + 0.35 * m).hookN

  it('begins once the slack is up, grows as two springs in series, and stops where the rod only bends', () => {
    // 0.2 m of slack, then 20 N/m, 12 N at most
    const pulls = [0, 0.125, 0.25, 0.5, 0.75, 0.875, 1].map(m => Number(sweptTo(m).toFixed(6)))
    expect(pulls).toEqual([0, 0, 1, 6, 11, 12, 12])
  })
  it('ends at the force that the bite is judged by, and goes in where the jaw has its need', () => {
    const chain = biteChain(rig, soft, one)
    expect(course.moments.at(-1)!.hookN).toBe(chain.setN)
    expect(chain.loss).toBeUndefined()
    const before = momentOf(course, course.inS! - 0.02)
    expect(before.pointN).toBeLessThan(chain.neededN)
    expect(momentOf(course, course.inS!).pointN).toBeGreaterThanOrEqual(chain.neededN)
  })
  it('squeezes the bait before the set, as far as the chain has it', () => {
    const chain = biteChain(rig, soft, one)
    expect(momentOf(course, 0).squeezed).toBe(0)
    expect(momentOf(course, 0.3).squeezed).toBeCloseTo(chain.squeezed, 12)
  })
  it('ends where the fish lets go before it, with nothing pulled; and where the hook opens, at that load', () => {
    const short = { ...one, holdS: 0.4 }
    const gone = biteCourse(rig, soft, short, biteChain(rig, soft, short))
    expect(gone.endS).toBe(0.4)
    expect(gone.inS).toBeUndefined()
    expect(Math.max(...gone.moments.map(m => m.hookN))).toBe(0)
    const fine = { ...rig, openingLoadN: 9 }
    const opened = biteCourse(fine, soft, one, biteChain(fine, soft, one))
    expect(biteChain(fine, soft, one).loss).toBe('opens')
    expect(opened.moments.at(-1)!.hookN).toBe(9)
  })
})

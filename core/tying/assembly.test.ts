import { describe, expect, it } from 'vitest'
import { FAMILIES } from '../rig/families'
import type { FamilyId, RigSpec } from '../rig/spec'
import { assemblyOf } from './assembly'
import { knotKeeps, type KnotTest } from './keeps'
import { KNOT_IDS, KNOTS } from './knots'

const rig = (family: FamilyId, more: Partial<RigSpec> = {}): RigSpec => ({
  family,
  hookSize: '3/0',
  weightKg: FAMILIES[family].weighted ? 0.007 : 0,
  weightMaterial: 'lead',
  pointRest: FAMILIES[family].pointRests[0]!,
  ...more,
})

describe('how a rig is put on the line', () => {
  it('ends in a hook or a head, whatever the way of rigging, and asks for a knot', () => {
    for (const family of Object.keys(FAMILIES) as FamilyId[]) {
      const { parts, knots } = assemblyOf(rig(family))
      expect(parts[0]!.id).toBe('line')
      expect([family, parts.some(p => p.id === 'hook' || p.id === 'head')]).toEqual([family, true])
      expect(knots.length).toBeGreaterThan(0)
    }
  })
  it('asks for the knots of what is threaded', () => {
    expect(assemblyOf(rig('L4')).knots).toEqual(['straightHook'])
    expect(assemblyOf(rig('L1', { peg: 'half' })).knots).toContain('slidingStop')
    expect(assemblyOf(rig('L1', { peg: 'free' })).knots).not.toContain('slidingStop')
    expect(assemblyOf(rig('E6')).knots).toContain('harness')
    expect(assemblyOf(rig('O3')).knots[0]).toBe('harness')
    expect(assemblyOf(rig('E1')).knots[0]).toBe('openLoop')
  })
  it('knots a leader of line, and hangs one of wire on a swivel', () => {
    const tied = assemblyOf(rig('W1'), { lengthM: 1 })
    expect(tied.knots).toContain('wrappedLeader')
    const wired = assemblyOf(rig('W1'), { lengthM: 0.35, wire: true })
    expect(wired.knots).not.toContain('wrappedLeader')
    expect(wired.parts.map(p => p.id)).toEqual(['line', 'swivel', 'leader', 'hook'])
  })
  it('keeps a worn bait from sliding with a peg, where it is pinned', () =>
    expect(assemblyOf(rig('O2', { pinned: true })).parts.at(-1)!.id).toBe('pegBend'))
})

describe('what a knot keeps', () => {
  const broke = (shares: readonly number[], knot = 'doubled' as const): KnotTest => ({
    knot,
    line: 'braid',
    ratedN: 67,
    brokeN: shares.map(s => s * 67),
  })
  it('is typical before anything was broken, and is no more than the line', () => {
    for (const id of KNOT_IDS)
      for (const line of ['braid', 'mono', 'fluorocarbon'] as const) {
        const { low, value, high, basis } = knotKeeps(id, line)
        expect(basis).toBe('computed')
        expect([low > 0.3, low < value, value < high, high <= 1]).toEqual([true, true, true, true])
      }
    expect(knotKeeps('doubled', 'mono').value).toBe(KNOTS.doubled.keeps.value)
  })
  it('slips in braid where it is turned singly', () =>
    expect(knotKeeps('snug', 'braid').high).toBeLessThan(knotKeeps('doubled', 'braid').value))
  it('goes to what broke, and is surer the more were broken', () => {
    const few = knotKeeps('doubled', 'braid', [broke([0.6, 0.62])])
    const many = knotKeeps('doubled', 'braid', [broke(Array.from({ length: 12 }, () => 0.61))])
    expect(few.basis).toBe('measured')
    expect(few.value).toBeLessThan(knotKeeps('doubled', 'braid').value - 0.1)
    expect(Math.abs(many.value - 0.61)).toBeLessThan(Math.abs(few.value - 0.61))
    expect(many.high - many.low).toBeLessThan(few.high - few.low)
    // twelve of one hand leave no more doubt than their scatter over the root of twelve
    expect(many.high - many.low).toBeLessThan((2 * 1.645 * 0.06) / Math.sqrt(12) + 1e-9)
  })
  it('is not moved by another knot or another line', () => {
    const own = broke([0.4, 0.4])
    expect(knotKeeps('snug', 'braid', [own])).toEqual(knotKeeps('snug', 'braid'))
    expect(knotKeeps('doubled', 'mono', [own])).toEqual(knotKeeps('doubled', 'mono'))
  })
})

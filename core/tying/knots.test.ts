import { describe, expect, it } from 'vitest'
import { KNOT_IDS, KNOTS, type KnotId } from './knots'
import { crossingsOf, metAlong, smooth, type Crossing, type Strand } from './strand'

const step = (id: KnotId, which: string): readonly Strand[] =>
  KNOTS[id].steps.find(s => s.id === which)!.strands
const all = KNOT_IDS.flatMap(id => KNOTS[id].steps.map(s => [id, s.id, s.strands] as const))

/** Right- or left-handed: +1 or −1. */
function handOf(strands: readonly Strand[], { over, under }: Crossing): number {
  const way = ({ strand, along }: { strand: number; along: number }): readonly [number, number] => {
    const points = smooth(strands[strand]!)
    const i = Math.min(points.length - 2, Math.floor(along))
    const [dx, dy] = [points[i + 1]![0] - points[i]![0], points[i + 1]![1] - points[i]![1]]
    // both legs of a bend count as one that runs to the right
    const flip = strands[strand]!.kind === 'leader' && dx < 0 ? -1 : 1
    return [flip * dx, flip * dy]
  }
  const [a, b] = [way(over), way(under)]
  return Math.sign(a[0] * b[1] - a[1] * b[0])
}

/**
 * Determinant of the knot that a strand makes when its ends are joined far away (Fox's colourings: 1 for a line
 * that comes free, 3 for an overhand knot). Only crossings of the strand with itself count.
 */
function determinantOf(strands: readonly Strand[]): number {
  const own = crossingsOf(strands).filter(c => c.over.strand === 0 && c.under.strand === 0)
  const unders = own.map(c => c.under.along).sort((a, b) => a - b)
  const n = own.length
  const arcAt = (along: number): number => unders.filter(u => u < along).length % n
  const rows = own.map(({ over, under }) => {
    const row = Array.from({ length: n }, () => 0)
    const into = unders.indexOf(under.along)
    row[arcAt(over.along)]! += 2
    row[into]! -= 1
    row[(into + 1) % n]! -= 1
    return row
  })
  const minor = rows.slice(1).map(row => row.slice(1))
  let det = 1
  for (let i = 0; i < minor.length; i++) {
    const pivot = minor.findIndex((row, k) => k >= i && Math.abs(row[i]!) > 1e-9)
    if (pivot < 0) return 0
    if (pivot !== i) [minor[i], minor[pivot]] = [minor[pivot]!, minor[i]!]
    det *= minor[i]![i]!
    for (let k = i + 1; k < minor.length; k++) {
      const f = minor[k]![i]! / minor[i]![i]!
      for (let j = i; j < minor.length; j++) minor[k]![j]! -= f * minor[i]![j]!
    }
  }
  return Math.round(Math.abs(det))
}

/** Over (O) and under (U), along the working line, with strands of a kind. */
const word = (strands: readonly Strand[], kind: Strand['kind']): string =>
  metAlong(crossingsOf(strands), 0)
    .filter(met => strands[met.other]!.kind === kind)
    .map(({ over }) => (over ? 'O' : 'U'))
    .join('')

describe('drawings of knots', () => {
  it.each(all)('%s, %s: no two strands lie in one another', (_, __, strands) => {
    for (const { gap } of crossingsOf(strands)) expect(gap).toBeGreaterThan(0.1)
  })
  it('pass through the eye, not beside it: over one rim and under it', () => {
    for (const [id, name, strands] of all)
      if (strands.some(({ kind }) => kind === 'ring'))
        expect([id, name, word(strands, 'ring')]).toEqual([id, name, 'OU'])
  })
  it.each([
    ['snug', 'turns', 'line', 5],
    ['snug', 'tight', 'line', 5],
    ['openLoop', 'tight', 'line', 4],
    ['slidingStop', 'turns', 'main', 5],
    ['slidingStop', 'tight', 'main', 5],
    ['wrappedLeader', 'out', 'leader', 16],
    ['wrappedLeader', 'tight', 'leader', 16],
    ['harness', 'turns', 'shank', 6],
    ['harness', 'tight', 'shank', 6],
  ] as const)('%s, %s: turns about the %s, %i of them, all of one hand', (id, which, kind, turns) => {
    const strands = step(id, which)
    const met = crossingsOf(strands).filter(({ over, under }) => {
      const [a, b] = [strands[over.strand]!.kind, strands[under.strand]!.kind]
      return kind === 'line' ? a === 'line' && b === 'line' : a !== b && (a === kind || b === kind)
    })
    // each turn passes before it once and behind it once, by the same hand; to half a turn a strand, where it comes in
    const hands = Math.abs(met.reduce((sum, c) => sum + handOf(strands, c), 0))
    expect(Math.abs(hands / 2 - turns)).toBeLessThanOrEqual(kind === 'leader' ? 1 : 0.5)
  })
  it('an overhand knot is one, singly and doubled: over and under alternate, and it does not come free', () => {
    for (const [id, which] of [
      ['openLoop', 'overhand'],
      ['doubled', 'overhand'],
      ['doubled', 'tight'],
    ] as const) {
      const strands = step(id, which)
      expect([id, which, determinantOf(strands)]).toEqual([id, which, 3])
    }
    const [first] = [step('openLoop', 'overhand')]
    expect(word(first, 'line')).toBe('OUOUOU')
    expect(word(step('doubled', 'overhand'), 'line')).toBe('UOUOUO')
  })
  it('turns about a line alone come free without the eye', () => {
    expect(determinantOf(step('snug', 'turns'))).toBe(1)
    expect(determinantOf(step('snug', 'tight'))).toBe(1)
  })
  it('the bight goes over the hook: before its wire, and behind it', () => {
    const strands = step('doubled', 'overHook')
    const bight = strands.length - 1
    const wire = strands.findIndex(({ kind }) => kind === 'shank')
    const met = metAlong(crossingsOf(strands), bight).filter(({ other }) => other === wire)
    expect(met.map(({ over }) => over)).toEqual([true, false])
  })
  it('the end of the snug knot goes through the loop at the eye: over one side of it and under the other', () => {
    const before = word(step('snug', 'turns'), 'line')
    const after = word(step('snug', 'back'), 'line')
    expect(after.length).toBe(before.length + 4)
    expect(after.slice(-2)).toBe('OU')
  })
  it('the line leaves the bend of the leader by the side it came in by', () => {
    const w = word(step('wrappedLeader', 'out'), 'leader')
    expect([w[0], w.at(-1)]).toEqual(['U', 'U'])
  })
  it('keep a share of the line, and no more than all of it', () => {
    for (const { keeps } of Object.values(KNOTS)) {
      expect(keeps.low).toBeLessThan(keeps.value)
      expect(keeps.value).toBeLessThan(keeps.high)
      expect(keeps.high).toBeLessThanOrEqual(1)
    }
  })
})

describe('crossings', () => {
  const bar = (z: number): Strand => ({
    kind: 'line',
    points: [
      [-1, 0, z],
      [1, 0, z],
    ],
  })
  const post = (z: number): Strand => ({
    kind: 'main',
    points: [
      [0, -1, z],
      [0, 1, z],
    ],
  })
  it('are found where strands pass, the nearer one over', () => {
    const [one] = crossingsOf([bar(1), post(0)])
    expect(one).toMatchObject({ over: { strand: 0 }, under: { strand: 1 } })
    expect(one!.at[0]).toBeCloseTo(0, 9)
    expect(one!.gap).toBeCloseTo(1, 9)
    expect(crossingsOf([bar(0), post(2)])[0]!.over.strand).toBe(1)
  })
  it('are none between strands that do not meet', () =>
    expect(
      crossingsOf([
        bar(0),
        {
          kind: 'main',
          points: [
            [2, -1, 0],
            [2, 1, 0],
          ],
        },
      ]),
    ).toEqual([]))
})

import { describe, expect, it } from 'vitest'
import { bentFall, evaluateRig, lbfToN, type Drop, type TetheredDrop } from '#core'
import { csvLine } from './cells'
import { dropRows, dropsCsv } from './dropRecord'

const CONDITIONS = {
  depthM: 1.5,
  temperatureC: 12,
  salinityGKg: 10,
  cover: 'open',
  bottom: 'mud',
  lineKind: 'braid',
  lineStrengthN: lbfToN(15),
} as const

function drop(family: 'W1' | 'L3'): Drop | TetheredDrop {
  const outcome = evaluateRig(
    { form: 'stick', lengthM: 0.125, material: 'plain' },
    { family, hookSize: '3/0', weightKg: 0.007, weightMaterial: 'lead', pointRest: 'skin' },
    CONDITIONS,
  )
  if (!outcome.ok) throw new Error(outcome.message)
  return outcome.value.fall.drop
}

describe('drops as files', () => {
  it('hold every moment, from the splash to the bottom, attitude of unit length', () => {
    const d = drop('W1')
    const rows = dropRows(d)
    expect(rows[0]!.timeS).toBe(0)
    expect(rows[rows.length - 1]!.timeS).toBe(d.timeS)
    expect(rows[rows.length - 1]!.depthM).toBeGreaterThan(1.4)
    for (const row of rows) {
      expect(Math.hypot(...row.quaternion)).toBeCloseTo(1, 9)
      expect(row.weightM).toBeUndefined()
    }
  })
  it('hold the place of a weight that hangs on its own', () => {
    const rows = dropRows(drop('L3'))
    expect(rows[rows.length - 1]!.weightM![2]).toBeLessThan(-1.45)
  })
  it('hold how the plastic bends, straight at the splash and each turn of unit length', () => {
    const found = bentFall(
      { form: 'straightWorm', lengthM: 0.2, material: 'plain' },
      { family: 'E1', hookSize: '4/0', weightKg: 0.0018, weightMaterial: 'lead', pointRest: 'open' },
      CONDITIONS,
    )
    if (!found.ok) throw new Error(found.message)
    const { drop: bent, links } = found.value
    const rows = dropRows(bent)
    expect(rows[0]!.bends).toEqual(links.slice(1).map(() => [1, 0, 0, 0]))
    for (const { bends } of rows) for (const turned of bends!) expect(Math.hypot(...turned)).toBeCloseTo(1, 9)
    expect(rows.at(-1)!.bends).not.toEqual(rows[0]!.bends)
    expect(rows.at(-1)!.timeS).toBe(bent.timeS)
    // in a table, too, as many turns as there are links behind the first
    const cells = dropsCsv([{ rig: 'A', drop: bent }])
      .split('\r\n')[40]!
      .split(',')
    const turns = cells
      .at(-1)!
      .split('; ')
      .map(turn => turn.split(' ').map(Number))
    expect(turns).toHaveLength(links.length - 1)
    for (const [i, turn] of turns.entries())
      for (const [k, v] of turn.entries()) expect(v).toBeCloseTo(rows[39]!.bends![i]![k]!, 6)
  })
  it('make one table of several rigs, every line as long as the head', () => {
    const lines = dropsCsv([
      { rig: 'A', drop: drop('W1') },
      { rig: 'B, with a comma', drop: drop('L3') },
    ])
      .trimEnd()
      .split('\r\n')
    expect(lines[0]).toMatch(/^rig,time_s,depth_m/)
    expect(lines[1]!.split(',')).toHaveLength(15)
    expect(lines.filter(line => line.startsWith('"B, with a comma",')).length).toBeGreaterThan(20)
  })
  it('quote what needs it', () =>
    expect(csvLine(['plain', 'a,b', 'say "so"', 'two\nlines'])).toBe('plain,"a,b","say ""so""","two\nlines"'))
})

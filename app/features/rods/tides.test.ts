import { describe, expect, it } from 'vitest'
import { tideOf } from '#core'
import type { StoredDocument } from '#schemas/spot'
import { ownTideOf, tideAt, timeOfRow } from '../../../shared/tide'
import { doubtsOf, tideCsv, tideFromCsv, type TideTable } from './tides'

const table: TideTable = {
  kind: 'table',
  turns: [
    { at: '2026-11-28T05:20', heightM: 4.4 },
    { at: '2026-11-28T11:31', heightM: 0.9 },
    { at: '2026-11-28T17:48', heightM: 4.2 },
  ],
}

describe('a table of tides', () => {
  it('comes back as it was written', () => expect(tideFromCsv(tideCsv(table))).toEqual({ content: table }))
  it('is read with date and time apart, in feet, with commas for points and in any order', () => {
    const text = 'Date;Time;Height_ft\r\n2026-11-28;11:31;3,28\r\n2026-11-28;5:20;14,4\r\n'
    const { content } = tideFromCsv(text)
    expect(content).toMatchObject({ turns: [{ at: '2026-11-28T05:20' }, { at: '2026-11-28T11:31' }] })
    expect((content as TideTable).turns[1]!.heightM).toBeCloseTo(1, 2)
  })
  it.each([
    ['no heading it knows', 'when,what\n1,2', { row: 1, column: 'heading' }],
    ['a time that is none', 'at,height_m\nnoon,2\n2026-11-28 12:00,1', { row: 2, column: 'at' }],
    [
      'a height that is none',
      'at,height_m\n2026-11-28 06:00,2\n2026-11-28 12:00,low',
      { row: 3, column: 'height_m' },
    ],
    [
      'a height left out',
      'at,height_m\n2026-11-28 06:00,\n2026-11-28 12:00,1',
      { row: 2, column: 'height_m' },
    ],
    [
      'a level of no sea',
      'at,height_m\n2026-11-28 06:00,400\n2026-11-28 12:00,1',
      { row: 2, column: 'heightM' },
    ],
    ['one row', 'at,height_m\n2026-11-28 06:00,2', { row: 1 }],
    [
      'a constituent that is none',
      'constituent,amplitude_m,phase_deg\nZ9,1,2',
      { row: 2, column: 'constituent' },
    ],
  ])('with %s says so at its row, and is not read', (_, text, where) => {
    const { content, errors } = tideFromCsv(text)
    expect(content).toBeUndefined()
    expect(errors![0]).toMatchObject(where)
  })
  it('tells of a row that may be missing, and of one that is no turn', () => {
    expect(doubtsOf(table)).toEqual([])
    expect(
      doubtsOf({ kind: 'table', turns: [table.turns[0]!, { at: '2026-11-29T05:20', heightM: 1 }] }),
    ).toEqual([expect.stringContaining('may be missing')])
    const risen = { kind: 'table' as const, turns: [{ at: '2026-11-28T02:00', heightM: 2 }, ...table.turns] }
    risen.turns.unshift({ at: '2026-11-28T00:10', heightM: 1 })
    expect(doubtsOf(risen)[0]).toContain('2026-11-28 02:00')
  })
})

it('harmonic constants come back as they were written', () => {
  const content = {
    kind: 'constants' as const,
    meanM: 2.4,
    constants: [
      { name: 'M2' as const, amplitudeM: 1.31, phaseDeg: 202.5 },
      { name: '2N2' as const, amplitudeM: 0.05, phaseDeg: -40 },
    ],
  }
  expect(tideFromCsv(tideCsv(content))).toEqual({ content })
})

it('a plan by a table has its levels at its times, by the clock of this device', () => {
  const kept = {
    id: 't',
    kind: 'tide',
    name: 'harbour',
    revision: 1,
    content: table,
  } as StoredDocument<'tide'>
  const tide = tideOf(ownTideOf(kept))
  for (const { at, heightM } of table.turns) expect(tide.heightM(timeOfRow(at))).toBeCloseTo(heightM, 9)
  expect(new Date(timeOfRow('2026-11-28T05:20')).getHours()).toBe(5)
})

it('a moment is told by the tide kept last that knows it, else by the stand-in', () => {
  const content = {
    kind: 'table',
    turns: [
      { at: '2026-11-28T05:20', heightM: 0.8 },
      { at: '2026-11-28T11:30', heightM: 4.1 },
    ],
  } as const
  const constants = {
    kind: 'constants',
    meanM: 2,
    constants: [{ name: 'M2', amplitudeM: 1, phaseDeg: 10 }],
  } as const
  const at = timeOfRow('2026-11-28T08:00')
  const later = timeOfRow('2026-12-24T08:00')
  const table = { name: 'pier', content: { ...content, turns: [...content.turns] } }
  expect(tideAt([])(at).simulated).toBe(true)
  expect(tideAt([table])(at).name).toBe('pier')
  expect(tideAt([table])(later).simulated).toBe(true)
  const both = tideAt([
    { name: 'bay', content: { ...constants, constants: [...constants.constants] } },
    table,
  ])
  expect([both(at).name, both(later).name]).toEqual(['pier', 'bay'])
})

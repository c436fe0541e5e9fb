import { PGlite } from '@electric-sql/pglite'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { createEngine } from '../../server/db/durableEngine'
import { begun } from '../made'
import { MIGRATIONS } from './engines'
import { recordWrites, tryCut, tryCuts, type Outcome, type Trial } from './powerCutTrial'
import { seeded } from './random'

/** Whether a file of a recording is one of the write-ahead log. */
function isLog({ recording: { ops, files } }: Trial, file: number): boolean {
  const names = [
    ...[...files].flatMap(([path, number]) => (number === file ? [path] : [])),
    ...ops.flatMap(op => (op.kind === 'name' && op.file === file ? [op.path] : [])),
  ]
  return names.some(path => path.startsWith('pg_wal'))
}

describe('what is acknowledged is on the disk', () => {
  let trial: Trial
  beforeAll(
    async () =>
      void (trial = await recordWrites(MIGRATIONS, 40, true, path => createEngine(begun(path, false)))),
  )
  afterAll(() => trial.clear())

  it('the log is flushed after its last write and before each acknowledgement', () => {
    const dirty = new Set<number>()
    let acknowledged = 0
    for (const op of trial.recording.ops) {
      if (op.kind === 'write' && isLog(trial, op.file)) dirty.add(op.file)
      if (op.kind === 'flush') dirty.delete(op.file)
      if (op.kind !== 'acknowledged') continue
      acknowledged++
      expect([op.id, ...dirty]).toEqual([op.id])
    }
    expect(acknowledged).toBe(40)
  })
  it('a checkpoint flushes tables as well as the log', () => {
    const flushed = new Set(trial.recording.ops.flatMap(op => (op.kind === 'flush' ? [op.file] : [])))
    const tables = new Set(
      trial.recording.ops.flatMap(op => (op.kind === 'write' && !isLog(trial, op.file) ? [op.file] : [])),
    )
    expect(tables.size).toBeGreaterThan(3)
    expect([...flushed].filter(file => tables.has(file)).length).toBeGreaterThan(3)
  })
  it('the power may go anywhere: the folder opens, and holds everything that was acknowledged', async () => {
    expect((await tryCuts(trial, 8, seeded(3))).filter(o => !o.usable || o.lost > 0)).toEqual([])
  })
})

describe('the trial itself', () => {
  it('finds what an engine without flushes loses', async () => {
    const trial = await recordWrites(MIGRATIONS, 40, true, path => PGlite.create(begun(path, false)))
    const random = seeded(5)
    const late = Math.floor(0.95 * trial.recording.ops.length)
    const kept = await tryCut(trial, late, 'everything', random)
    const outcomes: Outcome[] = []
    for (const keeps of ['nothing', 'pages', 'torn'] as const)
      outcomes.push(await tryCut(trial, late, keeps, random))
    trial.clear()
    expect(kept).toEqual({ usable: true, lost: 0 })
    expect(outcomes.filter(o => !o.usable || o.lost > 0)).toHaveLength(3)
  })
})

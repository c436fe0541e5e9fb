import { cpSync, existsSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { PGlite } from '@electric-sql/pglite'
import { drizzle } from 'drizzle-orm/pglite'
import { migrate } from 'drizzle-orm/pglite/migrator'
import type { Database } from '../../server/db/client'
import { createEngine } from '../../server/db/durableEngine'
import { insertEntries } from '../../server/repositories/log'
import { afterCut, KEEPS, record, type Recording } from './powerCut'

/** Writes the log as the application does, pulls the plug, and looks what is there. */
export interface Trial {
  readonly recording: Recording
  readonly base: string
  readonly clear: () => void
}

type Open = (path: string) => Promise<PGlite>

/**
 * Records an engine that writes so many single entries, each acknowledged; in the middle, where asked, with a
 * checkpoint.
 * @param open how the engine is opened; by default as the application opens it
 */
export async function recordWrites(
  migrations: string,
  n: number,
  checkpoint: boolean,
  open: Open = createEngine,
): Promise<Trial> {
  const home = mkdtempSync(join(tmpdir(), 'dunecrest-cut-'))
  const path = join(home, 'data')
  const first = await open(path)
  await migrate(drizzle(first), { migrationsFolder: migrations })
  await first.close()
  const base = join(home, 'base')
  cpSync(path, base, { recursive: true })
  const recording = record(path)
  try {
    const engine = await open(path)
    const session = crypto.randomUUID()
    for (let i = 0; i < n; i++) {
      const id = crypto.randomUUID()
      const at = new Date(Date.UTC(2026, 4, 1, 8, 0, i)).toISOString()
      await insertEntries(drizzle(engine) as unknown as Database, [
        { id, session, at, kind: 'cast', rod: 'A', rigKey: `stick|O1|${i % 3}`, placeKey: 'open/sand' },
      ])
      recording.acknowledge(id)
      if (checkpoint && i === Math.floor(n / 2)) await engine.exec('CHECKPOINT')
    }
    recording.stop()
    await engine.close()
  } finally {
    recording.stop()
  }
  return { recording, base, clear: () => rmSync(home, { recursive: true, force: true }) }
}

/** What came of a cut. */
export interface Outcome {
  readonly usable: boolean
  readonly lost: number
  readonly why?: string
}

/**
 * Rebuilds what a cut leaves, opens it as the application does, and looks for everything that was
 * acknowledged; counts and indexes too.
 */
export async function tryCut(
  { recording, base }: Trial,
  cut: number,
  keeps: (typeof KEEPS)[number],
  random: () => number,
): Promise<Outcome> {
  const home = mkdtempSync(join(tmpdir(), 'dunecrest-after-'))
  const path = join(home, 'data')
  let engine: PGlite | undefined
  try {
    const acknowledged = afterCut(recording, base, cut, keeps, random, path)
    engine = await createEngine(path)
    const { rows } = await engine.query<{ id: string }>('select id from log_entries')
    const there = new Set(rows.map(r => r.id))
    const lost = acknowledged.filter(id => !there.has(id)).length
    await engine.exec('set enable_seqscan = off; set enable_bitmapscan = off')
    const [indexed] = (
      await engine.query<{ n: number }>('select count(*)::int as n from log_entries where id is not null')
    ).rows
    const [tallied] = (
      await engine.query<{ n: number }>('select coalesce(sum(n), 0)::int as n from log_tallies')
    ).rows
    const whole = indexed!.n === there.size && tallied!.n === there.size
    // it must take new ones, too
    await engine.exec(
      "insert into log_entries (id, session, at, kind) values (gen_random_uuid(), gen_random_uuid(), now(), 'note'); CHECKPOINT",
    )
    return whole
      ? { usable: true, lost }
      : { usable: false, lost, why: `${there.size} rows, ${indexed!.n} by the index, ${tallied!.n} counted` }
  } catch (error) {
    return { usable: false, lost: 0, why: error instanceof Error ? error.message : String(error) }
  } finally {
    await engine?.close().catch(() => undefined)
    if (existsSync(home)) rmSync(home, { recursive: true, force: true })
  }
}

/** Cuts at so many places spread over a recording, each with another part of what was not flushed. */
export async function tryCuts(trial: Trial, places: number, random: () => number): Promise<Outcome[]> {
  const outcomes: Outcome[] = []
  const { length } = trial.recording.ops
  for (let i = 0; i < places; i++) {
    const cut = Math.floor((length * (i + random())) / places)
    outcomes.push(await tryCut(trial, cut, KEEPS[i % KEEPS.length]!, random))
  }
  return outcomes
}

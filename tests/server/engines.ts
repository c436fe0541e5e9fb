import { PGlite } from '@electric-sql/pglite'
import { drizzle } from 'drizzle-orm/pglite'
import { migrate } from 'drizzle-orm/pglite/migrator'
import { spawn, spawnSync, type ChildProcess } from 'node:child_process'
import { chownSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { ROOT } from '../../scripts/prepare.mjs'
import { findPostgres } from '../../scripts/programs.mjs'
import { freePort } from '../../scripts/serve.mjs'
import { openServer, type Database } from '../../server/db/client'

export const MIGRATIONS = join(ROOT, 'server', 'db', 'migrations')

/** A database that a test can use and throw away. */
export interface Engine {
  readonly name: string
  readonly open: () => Promise<{ readonly db: Database; readonly close: () => Promise<void> }>
}

const embedded: Engine = {
  name: 'the embedded PostgreSQL',
  open: async () => {
    const engine = new PGlite()
    const db = drizzle(engine)
    await migrate(db, { migrationsFolder: MIGRATIONS })
    return { db: db as unknown as Database, close: () => engine.close() }
  },
}

/** A PostgreSQL server of its own in a temporary folder, on a free port of this machine alone. */
export async function startPostgres(): Promise<{ readonly url: string; readonly stop: () => Promise<void> }> {
  const bin = findPostgres()
  const folder = mkdtempSync(join(tmpdir(), 'dunecrest-pg-'))
  // PostgreSQL will not run as root: it is given to the user that its package made
  const root = process.getuid?.() === 0
  const id = (flag: string): number =>
    Number(spawnSync('id', [flag, 'postgres'], { encoding: 'utf8' }).stdout)
  const as = root ? { uid: id('-u'), gid: id('-g') } : {}
  if (root) chownSync(folder, as.uid!, as.gid!)
  const data = join(folder, 'data')
  const options = { ...as, cwd: folder, encoding: 'utf8' as const, env: { ...process.env, HOME: folder } }
  const made = spawnSync(
    join(bin, 'initdb'),
    ['-D', data, '-U', 'dunecrest', '--auth=trust', '--no-sync', '-E', 'UTF8'],
    options,
  )
  if (made.status !== 0) throw new Error(`initdb: ${made.stderr}`)
  const port = await freePort(5600 + 20 * Number(process.env.VITEST_POOL_ID ?? 0))
  const server: ChildProcess = spawn(
    join(bin, 'postgres'),
    ['-D', data, '-p', String(port), '-h', '127.0.0.1', '-k', folder, '-F'],
    { ...as, cwd: folder, stdio: 'ignore' },
  )
  for (
    let i = 0;
    spawnSync(join(bin, 'pg_isready'), ['-h', '127.0.0.1', '-p', String(port)]).status !== 0;
    i++
  ) {
    if (i > 120) throw new Error('PostgreSQL did not answer within half a minute.')
    await new Promise(resolve => setTimeout(resolve, 250))
  }
  spawnSync(
    join(bin, 'createdb'),
    ['-h', '127.0.0.1', '-p', String(port), '-U', 'dunecrest', 'dunecrest'],
    options,
  )
  return {
    url: `postgres://dunecrest@127.0.0.1:${port}/dunecrest`,
    stop: async () => {
      const gone = new Promise(resolve => server.once('exit', resolve))
      server.kill('SIGINT')
      await gone
      rmSync(folder, { recursive: true, force: true })
    },
  }
}

const standing: Engine = {
  name: 'a PostgreSQL server',
  open: async () => {
    const server = await startPostgres()
    const open = await openServer(server.url, MIGRATIONS, () => Promise.resolve())
    return {
      db: open.db,
      close: async () => {
        await open.close()
        await server.stop()
      },
    }
  },
}

export const ENGINES: readonly Engine[] = [embedded, standing]

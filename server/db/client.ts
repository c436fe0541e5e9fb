import { mkdirSync } from 'node:fs'
import { dirname, resolve } from 'node:path'
import type { PGlite } from '@electric-sql/pglite'
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core'
import { lockFolder } from './lock'
import { pendingMigrations } from './migrations'
import { RemoteEngine } from './remoteEngine'
import { needRoom } from './room'
import * as schema from './schema'

/** The database as repositories see it: any PostgreSQL that Drizzle drives. */
export type Database = PgDatabase<PgQueryResultHKT, typeof schema>

export interface OpenDatabase {
  readonly db: Database
  readonly close: () => Promise<void>
  /** @throws NoRoom where the disk has none for a write */
  readonly needRoom: () => Promise<void>
}

/** What is done with what is there before its tables are changed by a new version, as keeping a copy. */
export type BeforeChange = (db: Database) => Promise<void>

/** Write-ahead log is cut back this often: the embedded engine has no background checkpointer. */
const CHECKPOINT_MS = 120_000

/**
 * Opens the embedded PostgreSQL in a folder, made when missing, and brings its tables up to date.
 * @param folder absolute or relative path of the data folder
 * @param migrationsFolder where the generated migrations lie
 * @param thread where the program of the engine's thread lies
 * @throws DataFolderInUse when another process holds the folder
 */
export async function openDatabase(
  folder: string,
  migrationsFolder: string,
  thread: URL,
  beforeChange: BeforeChange,
): Promise<OpenDatabase> {
  const path = resolve(folder)
  mkdirSync(dirname(path), { recursive: true, mode: 0o700 })
  const unlock = lockFolder(path)
  let engine: RemoteEngine | undefined
  try {
    const [{ drizzle }, { migrate }] = await Promise.all([
      import('drizzle-orm/pglite'),
      import('drizzle-orm/pglite/migrator'),
    ])
    const opened = (engine = await RemoteEngine.open(thread, path))
    // of the engine Drizzle asks no more than what stands in for it here can do
    const db = drizzle(opened as unknown as PGlite, { schema })
    await upToDate(db as unknown as Database, migrationsFolder, beforeChange, () =>
      migrate(db, { migrationsFolder }),
    )
    const timer = setInterval(() => void opened.exec('CHECKPOINT').catch(() => undefined), CHECKPOINT_MS)
    timer.unref()
    return {
      db: db as unknown as Database,
      needRoom: () => needRoom(path),
      close: async () => {
        clearInterval(timer)
        await opened.close()
        unlock()
      },
    }
  } catch (error) {
    await engine?.close()
    unlock()
    throw error
  }
}

/**
 * Opens a PostgreSQL server instead of the embedded one, and brings its tables up to date with the same
 * migrations.
 * @param url connection string, as in DATABASE_URL
 */
export async function openServer(
  url: string,
  migrationsFolder: string,
  beforeChange: BeforeChange,
): Promise<OpenDatabase> {
  const [{ default: pg }, { drizzle }, { migrate }] = await Promise.all([
    import('pg'),
    import('drizzle-orm/node-postgres'),
    import('drizzle-orm/node-postgres/migrator'),
  ])
  const pool = new pg.Pool({ connectionString: url, max: 8 })
  // a connection that the server drops while idle is opened anew when next needed
  pool.on('error', () => undefined)
  try {
    const db = drizzle(pool, { schema })
    await upToDate(db as unknown as Database, migrationsFolder, beforeChange, () =>
      migrate(db, { migrationsFolder }),
    )
    // how much room a server has, it knows itself
    return { db: db as unknown as Database, close: () => pool.end(), needRoom: () => Promise.resolve() }
  } catch (error) {
    await pool.end()
    throw error
  }
}

async function upToDate(
  db: Database,
  migrationsFolder: string,
  beforeChange: BeforeChange,
  migrate: () => Promise<void>,
): Promise<void> {
  const { applied, pending } = await pendingMigrations(db, migrationsFolder)
  if (applied > 0 && pending > 0) await beforeChange(db)
  if (pending > 0) await migrate()
}

let current: OpenDatabase | undefined

/** Makes a database the one that requests use. */
export const useDatabase = (open: OpenDatabase | undefined): void => void (current = open)

/** The database that requests use. @throws Error before it is open */
export function database(): Database {
  if (!current) throw new Error('database: not open yet')
  return current.db
}

/** @throws NoRoom where there is none for a write, so that it is refused before it is begun */
export const roomToWrite = (): Promise<void> => current?.needRoom() ?? Promise.resolve()

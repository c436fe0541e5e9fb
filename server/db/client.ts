import { mkdirSync } from 'node:fs'
import { dirname, resolve } from 'node:path'
import type { PgDatabase, PgQueryResultHKT } from 'drizzle-orm/pg-core'
import { lockFolder } from './lock'
import * as schema from './schema'

/** The database as repositories see it: any PostgreSQL that Drizzle drives. */
export type Database = PgDatabase<PgQueryResultHKT, typeof schema>

export interface OpenDatabase { readonly db: Database, readonly close: () => Promise<void> }

/** Write-ahead log is cut back this often: the embedded engine has no background checkpointer. */
const CHECKPOINT_MS = 120_000

/**
 * Opens the embedded PostgreSQL in a folder, made when missing, and brings its tables up to date.
 * @param folder absolute or relative path of the data folder
 * @param migrationsFolder where the generated migrations lie
 * @throws DataFolderInUse when another process holds the folder
 */
export async function openDatabase(folder: string, migrationsFolder: string): Promise<OpenDatabase> {
  const path = resolve(folder)
  mkdirSync(dirname(path), { recursive: true })
  const unlock = lockFolder(path)
  try {
    const [{ PGlite }, { drizzle }, { migrate }] = await Promise.all([
      import('@electric-sql/pglite'), import('drizzle-orm/pglite'), import('drizzle-orm/pglite/migrator'),
    ])
    const engine = await PGlite.create(path, {
      startParams: [...PGlite.defaultStartParams, '-c', 'max_wal_size=64MB', '-c', 'min_wal_size=32MB'],
    })
    const db = drizzle(engine, { schema })
    await migrate(db, { migrationsFolder })
    const timer = setInterval(() => void engine.exec('CHECKPOINT').catch(() => undefined), CHECKPOINT_MS)
    timer.unref()
    return {
      db: db as unknown as Database,
      close: async () => {
        clearInterval(timer)
        await engine.close()
        unlock()
      },
    }
  }
  catch (error) {
    unlock()
    throw error
  }
}

/**
 * Opens a PostgreSQL server instead of the embedded one, and brings its tables up to date with the same migrations.
 * @param url connection string, as in DATABASE_URL
 */
export async function openServer(url: string, migrationsFolder: string): Promise<OpenDatabase> {
  const [{ default: pg }, { drizzle }, { migrate }] = await Promise.all([import('pg'), import('drizzle-orm/node-postgres'), import('drizzle-orm/node-postgres/migrator')])
  const pool = new pg.Pool({ connectionString: url, max: 8 })
  // a connection that the server drops while idle is opened anew when next needed
  pool.on('error', () => undefined)
  try {
    const db = drizzle(pool, { schema })
    await migrate(db, { migrationsFolder })
    return { db: db as unknown as Database, close: () => pool.end() }
  }
  catch (error) {
    await pool.end()
    throw error
  }
}

let current: OpenDatabase | undefined

/** Makes a database the one that requests use. */
export const useDatabase = (open: OpenDatabase | undefined): void => void (current = open)

/** The database that requests use. @throws Error before it is open */
export function database(): Database {
  if (!current) throw new Error('database: not open yet')
  return current.db
}

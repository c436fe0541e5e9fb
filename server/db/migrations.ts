import { sql } from 'drizzle-orm'
import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import type { Database } from './client'
import { sqlState } from './transaction'

/** A query names a table, or the schema of a table, that is not there. */
const NOT_THERE: ReadonlySet<string | undefined> = new Set(['42P01', '3F000'])

/** How many of the migrations in a folder this database has had, and how many it has yet to have. */
export async function pendingMigrations(
  db: Database,
  migrationsFolder: string,
): Promise<{ readonly applied: number; readonly pending: number }> {
  const journal = JSON.parse(readFileSync(join(migrationsFolder, 'meta', '_journal.json'), 'utf8')) as {
    entries: unknown[]
  }
  const applied = await countApplied(db)
  return { applied, pending: Math.max(0, journal.entries.length - applied) }
}

async function countApplied(db: Database): Promise<number> {
  try {
    const { rows } = (await db.execute(
      sql`select count(*)::int as n from drizzle.__drizzle_migrations`,
    )) as unknown as { rows: { n: number }[] }
    return rows[0]!.n
  } catch (error) {
    if (NOT_THERE.has(sqlState(error))) return 0
    throw error
  }
}

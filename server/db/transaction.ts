import type { PgTransactionConfig } from 'drizzle-orm/pg-core'
import type { Database } from './client'

export type Tx = Parameters<Parameters<Database['transaction']>[0]>[0]

/** PostgreSQL's word that another transaction was in the way and this one may be tried again. */
const IN_THE_WAY: ReadonlySet<unknown> = new Set(['40001', '40P01'])
const TRIES = 8
const FIRST_WAIT_MS = 10

/** An error and what it came of, outermost first. */
export function* causes(error: unknown): Generator<unknown> {
  for (let at = error; at instanceof Error; at = at.cause) yield at
}

/** PostgreSQL's code of an error, however deep it lies. */
export const sqlState = (error: unknown): string | undefined => {
  for (const cause of causes(error)) {
    const { code } = cause as { code?: unknown }
    if (typeof code === 'string') return code
  }
  return undefined
}

/**
 * Runs a transaction; where another was in its way it is begun again, a little later each time. What it does
 * must be done through `tx` alone.
 */
export async function inTransaction<T>(
  db: Database,
  work: (tx: Tx) => Promise<T>,
  config?: PgTransactionConfig,
): Promise<T> {
  for (let attempt = 1; ; attempt++) {
    try {
      return await db.transaction(work, config)
    } catch (error) {
      if (attempt === TRIES || !IN_THE_WAY.has(sqlState(error))) throw error
      await new Promise(resolve => setTimeout(resolve, FIRST_WAIT_MS * 2 ** attempt * Math.random()))
    }
  }
}

import { desc, isNull, sql } from 'drizzle-orm'
import type { Spread, SpreadContent, SpreadSummary } from '#schemas/spread'
import type { Database } from '../db/client'
import { spreads } from '../db/schema'
import { keeping } from './kept'

/** A spread as it is asked for; `id` where the device that asks made one. */
export interface NewSpread {
  readonly id?: string | undefined
  readonly name: string
  readonly content: SpreadContent
}

/** A time as it goes over the wire. */
const updatedAt = sql<string>`${spreads.updatedAt}`.mapWith((at: string) =>
  (spreads.updatedAt.mapFromDriverValue(at) as Date).toISOString(),
)

export const keptSpreads = keeping<Spread, NewSpread>(spreads, {
  id: spreads.id,
  name: spreads.name,
  content: spreads.content,
  revision: spreads.revision,
  updatedAt,
})

/** Saved spreads, the newest first; deleted ones left out. */
export const listSpreads = (db: Database): Promise<SpreadSummary[]> =>
  db
    .select({
      id: spreads.id,
      name: spreads.name,
      place: sql<string>`${spreads.content} -> 'water' ->> 'place'`,
      rigs: sql<number>`jsonb_array_length(${spreads.content} -> 'lanes')::int`,
      revision: spreads.revision,
      updatedAt,
    })
    .from(spreads)
    .where(isNull(spreads.deletedAt))
    .orderBy(desc(spreads.updatedAt), desc(spreads.id))

import { index, integer, jsonb, pgTable, text, timestamp, uuid } from 'drizzle-orm/pg-core'
import type { SpreadContent } from '#schemas/spread'

/** A saved spread. A deleted one stays, marked, so that deleting can be undone. */
export const spreads = pgTable('spreads', {
  id: uuid('id').primaryKey().defaultRandom(),
  name: text('name').notNull(),
  content: jsonb('content').$type<SpreadContent>().notNull(),
  revision: integer('revision').notNull().default(1),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
  deletedAt: timestamp('deleted_at', { withTimezone: true }),
}, table => [index('spreads_updated_at').on(table.updatedAt)])

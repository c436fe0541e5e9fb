import { index, integer, jsonb, pgTable, serial, text, timestamp, uuid } from 'drizzle-orm/pg-core'
import type { ItemDetails } from '#schemas/box'
import type { DocumentContent, DocumentKind } from '#schemas/spot'
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

/** A thing in the angler's box. A deleted one stays, marked, so that deleting can be undone. */
export const boxItems = pgTable('box_items', {
  id: uuid('id').primaryKey().defaultRandom(),
  kind: text('kind').notNull(),
  name: text('name').notNull(),
  count: integer('count').notNull(),
  tags: jsonb('tags').$type<string[]>().notNull(),
  notes: text('notes').notNull(),
  details: jsonb('details').$type<ItemDetails>().notNull(),
  /** a small JPEG as a data address */ photo: text('photo'),
  revision: integer('revision').notNull().default(1),
  /** order in which things came in, also within one import */ position: serial('position').notNull(),
  createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
  updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
  deletedAt: timestamp('deleted_at', { withTimezone: true }),
}, table => [index('box_items_position').on(table.position)])

/** A spot or a trip. A deleted one stays, marked, so that deleting can be undone. */
export const documents = pgTable('documents', {
  id: uuid('id').primaryKey().defaultRandom(),
  kind: text('kind').$type<DocumentKind>().notNull(),
  name: text('name').notNull(),
  content: jsonb('content').$type<DocumentContent[DocumentKind]>().notNull(),
  revision: integer('revision').notNull().default(1),
  position: serial('position').notNull(),
  updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
  deletedAt: timestamp('deleted_at', { withTimezone: true }),
}, table => [index('documents_kind').on(table.kind, table.position)])

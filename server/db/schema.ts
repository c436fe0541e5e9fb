import {
  bigserial,
  boolean,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  serial,
  text,
  timestamp,
  uuid,
} from 'drizzle-orm/pg-core'
import type { ItemDetails } from '#schemas/box'
import type { LogKind } from '#schemas/ranges'
import type { DocumentContent, DocumentKind } from '#schemas/spot'
import type { LogEntry } from '#schemas/log'
import type { SpreadContent } from '#schemas/spread'

/** A saved spread. A deleted one stays, marked, so that deleting can be undone. */
export const spreads = pgTable(
  'spreads',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    name: text('name').notNull(),
    content: jsonb('content').$type<SpreadContent>().notNull(),
    revision: integer('revision').notNull().default(1),
    createdAt: timestamp('created_at', { withTimezone: true }).notNull().defaultNow(),
    updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
    deletedAt: timestamp('deleted_at', { withTimezone: true }),
  },
  table => [index('spreads_updated_at').on(table.updatedAt)],
)

/** A thing in the angler's box. A deleted one stays, marked, so that deleting can be undone. */
export const boxItems = pgTable(
  'box_items',
  {
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
  },
  table => [index('box_items_position').on(table.position)],
)

/** A spot or a trip. A deleted one stays, marked, so that deleting can be undone. */
export const documents = pgTable(
  'documents',
  {
    id: uuid('id').primaryKey().defaultRandom(),
    kind: text('kind').$type<DocumentKind>().notNull(),
    name: text('name').notNull(),
    content: jsonb('content').$type<DocumentContent[DocumentKind]>().notNull(),
    revision: integer('revision').notNull().default(1),
    position: serial('position').notNull(),
    updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
    deletedAt: timestamp('deleted_at', { withTimezone: true }),
  },
  table => [index('documents_kind').on(table.kind, table.position)],
)

/** Everything logged, as it came; nothing is changed but what is taken back or left out. */
export const logEntries = pgTable(
  'log_entries',
  {
    id: uuid('id').primaryKey(),
    session: uuid('session').notNull(),
    at: timestamp('at', { withTimezone: true }).notNull(),
    kind: text('kind').$type<LogKind>().notNull(),
    rod: text('rod'),
    rigKey: text('rig_key'),
    placeKey: text('place_key'),
    data: jsonb('data').$type<LogEntry['data']>(),
    voided: boolean('voided').notNull().default(false),
    /** left out by itself; a session that is left out says so at the session */
    excluded: boolean('excluded').notNull().default(false),
    /** the entry that this one takes back */ voids: uuid('voids'),
    position: bigserial('position', { mode: 'number' }).notNull(),
  },
  table => [
    index('log_entries_session').on(table.session, table.position),
    index('log_entries_kind').on(table.kind, table.position),
    index('log_entries_voids').on(table.voids),
  ],
)

/**
 * Counts by rig, place and kind, kept in step with the entries in one transaction, so that no page counts
 * them anew.
 */
export const logTallies = pgTable(
  'log_tallies',
  {
    rigKey: text('rig_key').notNull(),
    placeKey: text('place_key').notNull(),
    kind: text('kind').$type<LogKind>().notNull(),
    n: integer('n').notNull(),
  },
  table => [primaryKey({ columns: [table.rigKey, table.placeKey, table.kind] })],
)

/** A session's place and span, kept likewise. */
export const logSessions = pgTable(
  'log_sessions',
  {
    session: uuid('session').primaryKey(),
    place: text('place').notNull().default(''),
    fromAt: timestamp('from_at', { withTimezone: true }).notNull(),
    toAt: timestamp('to_at', { withTimezone: true }).notNull(),
    excluded: boolean('excluded').notNull().default(false),
  },
  table => [index('log_sessions_from').on(table.fromAt)],
)

/** What was tapped in a session, by kind. */
export const logSessionCounts = pgTable(
  'log_session_counts',
  {
    session: uuid('session').notNull(),
    kind: text('kind').$type<LogKind>().notNull(),
    n: integer('n').notNull(),
  },
  table => [primaryKey({ columns: [table.session, table.kind] })],
)

import { sql } from 'drizzle-orm'
import type { BackupCounts, BackupRecord, Section, SectionRecord } from '#schemas/backup'
import type { Database } from '../db/client'
import {
  boxItems,
  documents,
  logEntries,
  logSessionCounts,
  logSessions,
  logTallies,
  spreads,
} from '../db/schema'
import type { Tx } from '../db/transaction'
import { recount } from './tallies'

/** A row as any version of the tables has it, in PostgreSQL's own names. */
type Row = Readonly<Record<string, unknown>>

/**
 * What each section is read from, in which order, and how many rows at a time: those with photographs are
 * large.
 */
const SOURCES = {
  spreads: { table: 'spreads', order: 'created_at, id', rows: 200 },
  items: { table: 'box_items', order: 'position', rows: 25 },
  documents: { table: 'documents', order: 'position', rows: 500 },
  leftOut: { table: 'log_sessions', order: 'session', rows: 2000 },
  entries: { table: 'log_entries', order: 'position', rows: 1000 },
} as const satisfies Record<Section, { table: string; order: string; rows: number }>

const time = (value: unknown): string => new Date(value as string).toISOString()
const stamped = (row: Row) => ({
  id: row.id as string,
  revision: row.revision as number,
  deleted: row.deleted_at !== null,
})

const READ: {
  readonly [S in Section]: (row: Row, leftOut: ReadonlySet<unknown>) => SectionRecord<S> | undefined
} = {
  spreads: row =>
    ({
      ...stamped(row),
      name: row.name,
      content: row.content,
      createdAt: time(row.created_at),
      updatedAt: time(row.updated_at),
    }) as SectionRecord<'spreads'>,
  items: ({ name, count, tags, notes, details, ...row }) =>
    ({
      ...stamped(row),
      item: { name, count, tags, notes, details },
      photo: row.photo ?? null,
    }) as SectionRecord<'items'>,
  documents: row =>
    ({ ...stamped(row), kind: row.kind, name: row.name, content: row.content }) as SectionRecord<'documents'>,
  // an older version had no such mark
  leftOut: row => (row.excluded === true ? (row.session as string) : undefined),
  entries: (row, leftOut) =>
    ({
      entry: {
        id: row.id,
        session: row.session,
        at: time(row.at),
        kind: row.kind,
        ...(row.rod === null ? {} : { rod: row.rod }),
        ...(row.rig_key === null ? {} : { rigKey: row.rig_key }),
        ...(row.place_key === null ? {} : { placeKey: row.place_key }),
        ...(row.data === null ? {} : { data: row.data }),
      },
      voided: row.voided,
      // an older version marked the entries of a session that was left out
      excluded:
        row.excluded === true &&
        !(row.voids === undefined && leftOut.has(row.session) && row.kind !== 'drop'),
    }) as SectionRecord<'entries'>,
}

const rowsOf = async (tx: Tx, statement: string): Promise<Row[]> => {
  const { rows } = (await tx.execute(sql.raw(statement))) as unknown as { rows: { row: Row | string }[] }
  return rows.map(({ row }) => (typeof row === 'string' ? (JSON.parse(row) as Row) : row))
}

async function isThere(tx: Tx, table: string): Promise<boolean> {
  const { rows } = (await tx.execute(
    sql`select to_regclass(${`public.${table}`}) is not null as there`,
  )) as unknown as { rows: { there: boolean }[] }
  return rows[0]!.there
}

/**
 * Everything kept, section by section, in the order it was made, deleted things included; a piece at a time,
 * however much it is. Reads tables as older versions of Dunecrest left them, too. The transaction must see
 * one state throughout.
 */
export async function* readAll(tx: Tx): AsyncGenerator<BackupRecord> {
  const leftOut = new Set<unknown>()
  for (const [section, { table, order, rows }] of Object.entries(SOURCES) as [
    Section,
    (typeof SOURCES)[Section],
  ][]) {
    if (!(await isThere(tx, table))) continue
    await tx.execute(
      sql.raw(
        `declare backup_rows no scroll cursor for select to_jsonb(t) as row from ${table} t order by ${order}`,
      ),
    )
    for (let some = await rowsOf(tx, `fetch ${rows} from backup_rows`); some.length > 0;) {
      for (const row of some) {
        const record = READ[section](row, leftOut)
        if (record === undefined) continue
        if (section === 'leftOut') leftOut.add(record)
        yield { section, record } as BackupRecord
      }
      some = await rowsOf(tx, `fetch ${rows} from backup_rows`)
    }
    await tx.execute(sql.raw('close backup_rows'))
  }
}

/** How much is kept. */
export async function countAll(db: Database): Promise<BackupCounts> {
  const { rows } = (await db.execute(sql`select
    (select count(*) from ${spreads})::int as spreads, (select count(*) from ${boxItems})::int as items,
    (select count(*) from ${documents})::int as documents, (select count(*) from ${logEntries})::int as entries,
    (select count(*) from ${logSessions} where excluded)::int as "leftOut"`)) as unknown as {
    rows: BackupCounts[]
  }
  return rows[0]!
}

/** Lets no other transaction write, until this one ends: what it reads is what it replaces. */
export async function holdAll(tx: Tx): Promise<void> {
  await tx.execute(sql`lock table ${spreads}, ${boxItems}, ${documents}, ${logEntries}, ${logTallies}, ${logSessions},
    ${logSessionCounts} in exclusive mode`)
}

/** Rows written in one statement; those with photographs are large. */
const AT_ONCE = { spreads: 100, items: 20, documents: 200, leftOut: 1, entries: 400 } as const
const gone = (deleted: boolean): Date | null => (deleted ? new Date() : null)

const WRITE: {
  readonly [S in Exclude<Section, 'leftOut'>]: (tx: Tx, some: readonly SectionRecord<S>[]) => Promise<unknown>
} = {
  spreads: (tx, some) =>
    tx.insert(spreads).values(
      some.map(({ deleted, createdAt, updatedAt, ...s }) => ({
        ...s,
        createdAt: new Date(createdAt),
        updatedAt: new Date(updatedAt),
        deletedAt: gone(deleted),
      })),
    ),
  items: (tx, some) =>
    tx.insert(boxItems).values(
      some.map(({ deleted, item, id, revision, photo }) => ({
        id,
        revision,
        photo,
        ...item,
        kind: item.details.kind,
        deletedAt: gone(deleted),
      })),
    ),
  documents: (tx, some) =>
    tx.insert(documents).values(some.map(({ deleted, ...d }) => ({ ...d, deletedAt: gone(deleted) }))),
  entries: (tx, some) =>
    tx.insert(logEntries).values(
      some.map(({ entry, voided, excluded }) => ({
        ...entry,
        at: new Date(entry.at),
        voids: entry.kind === 'void' ? (entry.data?.of ?? null) : null,
        voided,
        excluded,
      })),
    ),
}

/**
 * Puts everything of a backup in place of what is there; where anything fails the transaction must be left.
 */
export async function replaceAll(tx: Tx, records: AsyncIterable<BackupRecord>): Promise<void> {
  await tx.execute(sql`truncate ${spreads}, ${boxItems}, ${documents}, ${logEntries}, ${logTallies}, ${logSessions},
    ${logSessionCounts}`)
  const leftOut: string[] = []
  let waiting: BackupRecord[] = []
  const write = async (): Promise<void> => {
    const [first] = waiting
    if (!first || first.section === 'leftOut') return
    await WRITE[first.section](tx, waiting.map(w => w.record) as never)
    waiting = []
  }
  for await (const next of records) {
    if (next.section === 'leftOut') leftOut.push(next.record)
    else {
      if (waiting[0] && (waiting[0].section !== next.section || waiting.length >= AT_ONCE[next.section]))
        await write()
      waiting.push(next)
    }
  }
  await write()
  await recount(tx, leftOut)
}

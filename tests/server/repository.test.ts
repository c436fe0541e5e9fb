import { PGlite } from '@electric-sql/pglite'
import { drizzle } from 'drizzle-orm/pglite'
import { migrate } from 'drizzle-orm/pglite/migrator'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { ROOT } from '../../scripts/prepare.mjs'
import type { Database } from '../../server/db/client'
import * as repository from '../../server/repositories/spreads'
import { content } from './support'

const engine = new PGlite()
let db: Database
beforeAll(async () => {
  const opened = drizzle(engine)
  await migrate(opened, { migrationsFolder: join(ROOT, 'server', 'db', 'migrations') })
  db = opened as unknown as Database
})
afterAll(() => engine.close())

describe('spreads repository', () => {
  it('returns domain objects: ISO times, no internal columns', async () => {
    const made = await repository.insertSpread(db, 'one', content())
    expect(Object.keys(made).sort()).toEqual(['content', 'id', 'name', 'revision', 'updatedAt'])
    expect(new Date(made.updatedAt).toISOString()).toBe(made.updatedAt)
    expect(await repository.findSpread(db, made.id)).toEqual(made)
  })

  it('leaves deleted spreads out of lists and finds, but counts them', async () => {
    const before = await repository.countSpreads(db)
    const made = await repository.insertSpread(db, 'two', content())
    expect(await repository.markDeleted(db, made.id)).toBe(true)
    expect(await repository.markDeleted(db, made.id)).toBe(false)
    expect(await repository.findSpread(db, made.id)).toBeUndefined()
    expect((await repository.listSpreads(db)).some(s => s.id === made.id)).toBe(false)
    expect(await repository.countSpreads(db)).toBe(before + 1)
    expect(await repository.updateSpread(db, made.id, 1, { name: 'x' })).toBeUndefined()
  })

  it('lets one of two changes on the same revision through', async () => {
    const made = await repository.insertSpread(db, 'three', content())
    const both = await Promise.all(['a', 'b'].map(name => repository.updateSpread(db, made.id, 1, { name })))
    expect(both.filter(Boolean)).toHaveLength(1)
  })
})

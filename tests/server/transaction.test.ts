import { describe, expect, it } from 'vitest'
import type { Database } from '../../server/db/client'
import { inTransaction, sqlState } from '../../server/db/transaction'

/** A database whose transactions fail so often with a code before one goes through. */
function failing(times: number, code: string): { readonly db: Database; readonly tries: () => number } {
  let tries = 0
  const transaction = async (work: (tx: object) => Promise<unknown>): Promise<unknown> => {
    tries++
    const made = await work({})
    // as a driver's error comes: inside the one of the layer above it
    if (tries <= times)
      throw new Error('Failed query', { cause: Object.assign(new Error('in the way'), { code }) })
    return made
  }
  return { db: { transaction } as unknown as Database, tries: () => tries }
}

describe('a transaction that others were in the way of', () => {
  it.each(['40001', '40P01'])('is begun again (%s)', async code => {
    const { db, tries } = failing(3, code)
    expect(await inTransaction(db, () => Promise.resolve('done'))).toBe('done')
    expect(tries()).toBe(4)
  })
  it('is given up after some tries, with its error', async () => {
    const { db, tries } = failing(100, '40001')
    const error = await inTransaction(db, () => Promise.resolve('done')).catch((e: unknown) => e)
    expect(sqlState(error)).toBe('40001')
    expect(tries()).toBe(8)
  })
  it('that failed for another reason is not', async () => {
    const { db, tries } = failing(100, '23505')
    await expect(inTransaction(db, () => Promise.resolve('done'))).rejects.toThrow('Failed query')
    expect(tries()).toBe(1)
  })
})

import type { z } from 'zod'
import type { createSchema, Spread, SpreadSummary, updateSchema } from '#schemas/spread'
import { database } from '../db/client'
import * as repository from '../repositories/spreads'
import { sameContent } from '../repositories/sameContent'
import { Refused } from './refused'

const GONE = 'There is no spread at this address. It may have been deleted.'

export const allSpreads = (): Promise<SpreadSummary[]> => repository.listSpreads(database())

export async function oneSpread(id: string): Promise<Spread> {
  const found = await repository.findSpread(database(), id)
  if (!found) throw new Refused(404, GONE)
  return found
}

/**
 * Makes a spread, once however often it is asked for under one id.
 * @throws Refused 409 when there is another under this id
 */
export async function createSpread({ id, name, content }: z.infer<typeof createSchema>): Promise<Spread> {
  const made = await repository.insertSpread(database(), name, content, id)
  if (made) return made
  const there = await repository.findSpread(database(), id!)
  if (there && sameContent({ name, content }, { name: there.name, content: there.content })) return there
  throw new Refused(409, 'There is another spread under this id. Save yours as a new one.')
}

/** @throws Refused 404 when it is gone, 409 when it was changed since the revision the caller holds */
export async function changeSpread(
  id: string,
  { revision, name, content }: z.infer<typeof updateSchema>,
): Promise<Spread> {
  const change = { ...(name === undefined ? {} : { name }), ...(content === undefined ? {} : { content }) }
  const changed = await repository.updateSpread(database(), id, revision, change)
  if (changed) return changed
  const now = await oneSpread(id)
  throw new Refused(
    409,
    `This spread was saved elsewhere meanwhile (revision ${now.revision}). Save yours under another name, or reopen it.`,
  )
}

export async function deleteSpread(id: string): Promise<void> {
  if (!(await repository.markDeleted(database(), id))) throw new Refused(404, GONE)
}

export async function restoreSpread(id: string): Promise<Spread> {
  const restored = await repository.unmarkDeleted(database(), id)
  if (!restored) throw new Refused(404, 'There is no deleted spread of this name to bring back.')
  return restored
}

/** Fills an empty data folder, and only an empty one. Returns how many were written. */
export async function seedSpreads(given: readonly z.infer<typeof createSchema>[]): Promise<number> {
  if ((await repository.countSpreads(database())) > 0) return 0
  for (const { name, content } of given) await repository.insertSpread(database(), name, content)
  return given.length
}

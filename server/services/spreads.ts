import type { SpreadSummary } from '#schemas/spread'
import { database } from '../db/client'
import { keptSpreads, listSpreads, type NewSpread } from '../repositories/spreads'
import { keptThings } from './kept'

export const allSpreads = (): Promise<SpreadSummary[]> => listSpreads(database())

export const spreads = keptThings(keptSpreads, {
  gone: 'There is no spread at this address. It may have been deleted.',
  none: 'There is no deleted spread of this name to bring back.',
  another: 'There is another spread under this id. Save yours as a new one.',
  elsewhere: revision =>
    `This spread was saved elsewhere meanwhile (revision ${revision}). Save yours under another name, or reopen it.`,
})

/** Fills an empty data folder, and only an empty one. Returns how many were written. */
export async function seedSpreads(given: readonly NewSpread[]): Promise<number> {
  if ((await keptSpreads.count(database())) > 0) return 0
  // one by one, so that each is younger than the one before
  for (const spread of given) await keptSpreads.insert(database(), [spread])
  return given.length
}

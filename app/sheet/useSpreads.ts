import type { Spread, SpreadContent, SpreadSummary } from '#schemas/spread'
import { ask } from '~/sync/api'
import { changesLoaded, withChanges, type Row } from '~/sync/changes'
import { keptAt } from '~/sync/keptAt'

const PATH = '/api/spreads'
/** A line of the list for what is not on the server yet. */
function summaryOf(id: string, now: object, base: Row | undefined): SpreadSummary {
  const { name, content } = now as Spread
  return {
    id,
    name,
    place: content.water.place,
    rigs: content.lanes.length,
    revision: base?.revision ?? 0,
    updatedAt: new Date().toISOString(),
  }
}

/** Saved spreads on the server. Every call throws ServerRefusal with a sentence for the person. */
export const useSpreads = () => ({
  ...keptAt<Spread, SpreadContent>(PATH),
  list: async (): Promise<SpreadSummary[]> => {
    await changesLoaded()
    return withChanges(PATH, (await ask<{ spreads: SpreadSummary[] }>(PATH)).spreads, summaryOf)
  },
})

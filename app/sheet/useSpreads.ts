import type { Spread, SpreadContent, SpreadSummary } from '#schemas/spread'
import { ask } from '~/sync/api'
import { keptAt } from '~/sync/keptAt'

/** Saved spreads on the server. Every call throws ServerRefusal with a sentence for the person. */
export const useSpreads = () => ({
  ...keptAt<Spread, SpreadContent>('/api/spreads'),
  list: async (): Promise<SpreadSummary[]> =>
    (await ask<{ spreads: SpreadSummary[] }>('/api/spreads')).spreads,
})

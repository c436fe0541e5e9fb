import type { Spread, SpreadContent, SpreadSummary } from '#schemas/spread'
import { ask } from '~/sync/api'

/** Saved spreads on the server. Every call throws ServerRefusal with a sentence for the person. */
export function useSpreads() {
  return {
    list: async (): Promise<SpreadSummary[]> =>
      (await ask<{ spreads: SpreadSummary[] }>('/api/spreads')).spreads,
    read: (id: string) => ask<Spread>(`/api/spreads/${id}`),
    create: (id: string, name: string, content: SpreadContent) =>
      ask<Spread>('/api/spreads', 'POST', { id, name, content }),
    change: (id: string, change: { revision: number; name?: string; content?: SpreadContent }) =>
      ask<Spread>(`/api/spreads/${id}`, 'PUT', change),
    remove: (id: string) => ask<null>(`/api/spreads/${id}`, 'DELETE'),
    restore: (id: string) => ask<Spread>(`/api/spreads/${id}/restore`, 'POST'),
  }
}

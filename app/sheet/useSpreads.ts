import type { Spread, SpreadContent, SpreadSummary } from '#schemas/spread'
import { askBeside } from '~/sync/askBeside'
import { withChanges, type Row } from '~/sync/changes'
import { keptAt, rowAs } from '~/sync/keptAt'
import { summaryOf } from '~/sync/spreadSummary'

const PATH = '/api/spreads'
/** A line of the list for what is not on the server yet. */
const lineOf = (id: string, now: object, base: Row | undefined): SpreadSummary =>
  summaryOf(rowAs<Spread>()(id, now, base))

/** Saved spreads on the server. Every call throws ServerRefusal with a sentence for the person. */
export const useSpreads = () => ({
  ...keptAt<Spread, SpreadContent>(PATH),
  list: async (): Promise<SpreadSummary[]> =>
    withChanges(PATH, (await askBeside<{ spreads: SpreadSummary[] }>(PATH)).spreads, lineOf),
})

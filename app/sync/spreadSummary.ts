import type { Spread, SpreadSummary } from '#schemas/spread'

/** A spread as the list tells it. */
export const summaryOf = ({
  id,
  name,
  content: { water, lanes },
  revision,
  updatedAt,
}: Spread): SpreadSummary => ({ id, name, place: water.place, rigs: lanes.length, revision, updatedAt })

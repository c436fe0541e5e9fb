/** Rows written in one statement. */
const BATCH = 500

/** A list in pieces that one statement takes. */
export const batches = <T>(list: readonly T[]): T[][] =>
  Array.from({ length: Math.ceil(list.length / BATCH) }, (_, i) => list.slice(i * BATCH, (i + 1) * BATCH))

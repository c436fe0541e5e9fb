import { describe, expect, it } from 'vitest'
import { baitKey, bookOf, fitAll, type BaitSpec, type LoggedDrop } from '#core'
import { logEntrySchema } from '#schemas/log'
import { logCsv } from '../shared/logTable'
import { HIDDEN, seasons } from './seasons'
import { DEMO_SPREADS } from './spreads'

const log = seasons()
const drops = log.flatMap((e): LoggedDrop[] =>
  e.data?.drop
    ? [{ bait: e.data.drop.bait as BaitSpec, seconds: e.data.drop.seconds, model: e.data.drop.model }]
    : [],
)

describe('two made-up seasons', () => {
  it('are the same each time, well formed, and of unlike ids', () => {
    expect(seasons()).toEqual(log)
    for (const e of log) expect(logEntrySchema.safeParse(e).success).toBe(true)
    expect(new Set(log.map(e => e.id)).size).toBe(log.length)
    expect(log.length).toBeGreaterThan(1200)
  })
  it('hold drops whose evidence finds the hidden truth: the wrong tap set aside, the time predicted nearer', () => {
    const fits = fitAll(drops)
    for (const {
      content: { bait },
    } of DEMO_SPREADS) {
      const key = baitKey(bait as BaitSpec)
      const fit = fits.get(key)!
      const { model } = drops.find(d => baitKey(d.bait) === key)!
      const truth = model.byDrag * HIDDEN.lnDrag[bait.form]! + model.byEta * HIDDEN.lnEta
      const found = model.byDrag * fit.lnDrag + model.byEta * fit.lnEta
      // the tap that came too soon; by chance one of six good ones lies far out too now and then
      expect(fit.outliers).toContain(4)
      expect(fit.outliers.length).toBeLessThanOrEqual(2)
      // six drops that scatter by 4 %: of three baits, each mean lies within three standard errors, 0.049, of
      // the truth
      expect(Math.abs(found - truth)).toBeLessThan(Math.max(0.049, 0.5 * Math.abs(truth)))
    }
    expect(Object.keys(bookOf(drops, []).falls)).toHaveLength(3)
  })
  it('travel as CSV, a row an entry', () => {
    const rows = logCsv(log).trimEnd().split('\r\n')
    expect(rows).toHaveLength(log.length + 1)
    expect(rows[0]).toMatch(/^at,session,kind/)
  })
})

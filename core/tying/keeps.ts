import { measure, type Measure } from '../outcome'
import type { LineKind } from '../tackle/lines'
import { KNOTS, type KnotId } from './knots'

/** A knot broken on the scale: in which line, of which rated strength, at which pulls. N */
export interface KnotTest {
  readonly knot: KnotId
  readonly line: LineKind
  readonly ratedN: number
  readonly brokeN: readonly number[]
}

/** How a smooth or stretching line changes what a knot keeps, added to it. Typical, *assumed*. */
const BY_LINE: Readonly<Record<LineKind, Readonly<Partial<Record<KnotId, number>>>>> = {
  // braid slips in turns that are drawn up singly
  braid: { snug: -0.15, openLoop: -0.08 },
  mono: {},
  fluorocarbon: { snug: -0.04, doubled: -0.03, wrappedLeader: -0.03 },
}
/** Scatter of one knot from the next of the same hand, share of the line. *Assumed.* */
const SCATTER = 0.06
/** Standard scores that nine in ten lie within. */
const NINE_IN_TEN = 1.645
const MOST = 1.1

/**
 * Share of a line's strength that a knot keeps: the typical range, moved by the angler's own breaks (normal prior
 * and scatter, conjugate; Gelman et al., Bayesian Data Analysis, 2.5).
 */
export function knotKeeps(knot: KnotId, line: LineKind, tests: readonly KnotTest[] = []): Measure {
  const { low, value, high } = KNOTS[knot].keeps
  const added = BY_LINE[line][knot] ?? 0
  const prior = { mean: value + added, sd: (high - low) / (2 * NINE_IN_TEN) }
  const shares = tests
    .filter(test => test.knot === knot && test.line === line)
    .flatMap(({ ratedN, brokeN }) => brokeN.map(n => Math.min(MOST, n / ratedN)))
  if (shares.length === 0) return measure(prior.mean, low + added, Math.min(1, high + added))
  const precision = 1 / prior.sd ** 2 + shares.length / SCATTER ** 2
  const mean = (prior.mean / prior.sd ** 2 + shares.reduce((sum, s) => sum + s, 0) / SCATTER ** 2) / precision
  const half = NINE_IN_TEN / Math.sqrt(precision)
  return measure(mean, mean - half, Math.min(MOST, mean + half), 'measured')
}

import type { FactorId, Factors } from './score'

/** What a rig is compared on without any weighing: the three computed shares. */
const ON: readonly FactorId[] = ['time', 'hook', 'zone']

/** Whether one is at least as good as another in all three, and better in one. */
const beats = (a: Factors, b: Factors): boolean =>
  ON.every(id => a[id] >= b[id]) && ON.some(id => a[id] > b[id])

/**
 * The Pareto set: those that nothing beats in fishing time, hook-up and time among the fish together.
 * Whatever anyone thinks fish like, the best is among them as far as these three go. In the order given.
 */
export function paretoSet<T extends { readonly factors?: Factors }>(list: readonly T[]): T[] {
  const order = list
    .filter((c): c is T & { readonly factors: Factors } => c.factors !== undefined)
    .map((c, i) => ({ c, i }))
    .sort((a, b) => ON.reduce((sum, id) => sum + b.c.factors[id] - a.c.factors[id], 0) || a.i - b.i)
  const front: typeof order = []
  // what beats another has the greater sum, so that only those before can
  for (const one of order) if (!front.some(f => beats(f.c.factors, one.c.factors))) front.push(one)
  return front.sort((a, b) => a.i - b.i).map(f => f.c)
}

import { measure, type Basis, type Measure } from '../outcome'

/** Part of the members that lies below and above a range shown. */
const TAIL = 0.05

/** Members that count for so much each; alike when left out. They add up to 1. */
export type Weights = Float64Array | undefined

/**
 * Quantile of weighted members, between neighbours in proportion.
 * @param p 0..1
 */
export function quantile(members: ArrayLike<number>, p: number, weights?: Weights): number {
  const order = Array.from(members, (_, i) => i).sort((a, b) => members[a]! - members[b]!)
  let before = 0
  let last = members[order[0]!]!
  let at = 0
  for (const i of order) {
    const weight = weights ? weights[i]! : 1 / order.length
    const middle = before + weight / 2
    if (middle >= p)
      return middle > at && before > 0
        ? last + ((members[i]! - last) * (p - at)) / (middle - at)
        : members[i]!
    before += weight
    at = middle
    last = members[i]!
  }
  return last
}

/**
 * A figure with its members: the value at the middle of everything, its range what nine in ten of them lie
 * between, never without the value.
 */
export function measureOf(
  value: number,
  members: ArrayLike<number>,
  basis: Basis = 'computed',
  weights?: Weights,
): Measure {
  return measure(
    value,
    Math.min(value, quantile(members, TAIL, weights)),
    Math.max(value, quantile(members, 1 - TAIL, weights)),
    basis,
  )
}

/** Mean of weighted members. */
export function meanOf(members: ArrayLike<number>, weights?: Weights): number {
  let sum = 0
  for (let i = 0; i < members.length; i++) sum += weights ? weights[i]! * members[i]! : members[i]!
  return weights ? sum : sum / members.length
}

/** Part of the members, by weight, of which something is so. */
export function shareOf(size: number, is: (member: number) => boolean, weights?: Weights): number {
  let sum = 0
  for (let i = 0; i < size; i++) if (is(i)) sum += weights ? weights[i]! : 1
  return weights ? sum : sum / size
}

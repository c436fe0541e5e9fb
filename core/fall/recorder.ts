/** Time between recorded samples, s. */
export const SAMPLE_S = 0.02
/**
 * Numbers a sample takes: time (s), x y z of the centre of gravity (m, world, Z up from the surface),
 * quaternion w x y z.
 */
export const SAMPLE_STRIDE = 8

/** A moment is met within this, s: below any step. */
const SAME_S = 1e-9

/**
 * Keeps the leading numbers of a state every SAMPLE_S, packed, whatever the steps: a moment between two steps
 * is read off the straight line between them. A place and a quaternion go behind their time, with further quaternions
 * where there are any, which are brought back to unit length; a place alone goes bare.
 * @param quaternions in the state, one after the other behind the place
 * @returns takes time and state, in the order of time; with `last` set it keeps that state too, whatever its
 * time, and returns the packed samples
 */
export function recorder(quaternions = 1): (t: number, y: ArrayLike<number>, last?: boolean) => Float64Array {
  const numbers = 3 + 4 * quaternions
  const lead = quaternions > 0 ? 1 : 0
  const stride = lead + numbers
  const before = new Float64Array(numbers)
  const between = new Float64Array(numbers)
  let packed = new Float64Array(stride * 512)
  let count = 0
  let beforeT = 0

  function keep(t: number, y: ArrayLike<number>): void {
    if ((count + 1) * stride > packed.length) {
      const wider = new Float64Array(packed.length * 2)
      wider.set(packed)
      packed = wider
    }
    if (lead) packed[count * stride] = t
    for (let i = 0; i < numbers; i++) packed[count * stride + lead + i] = y[i]!
    count++
  }
  function keepBetween(t: number, now: number, y: ArrayLike<number>): void {
    const part = (t - beforeT) / (now - beforeT)
    for (let i = 0; i < numbers; i++) between[i] = before[i]! + part * (y[i]! - before[i]!)
    for (let q = 3; q < numbers; q += 4) {
      const size = Math.hypot(between[q]!, between[q + 1]!, between[q + 2]!, between[q + 3]!)
      for (let i = q; i < q + 4; i++) between[i]! /= size
    }
    keep(t, between)
  }

  return (t, y, last = false) => {
    for (let next = count * SAMPLE_S; next <= t + SAME_S; next = count * SAMPLE_S) {
      if (last && next >= t - SAME_S) break
      if (next >= t - SAME_S) keep(next, y)
      else keepBetween(next, t, y)
    }
    if (last) keep(t, y)
    for (let i = 0; i < numbers; i++) before[i] = y[i]!
    beforeT = t
    return last ? packed.slice(0, count * stride) : packed
  }
}

/** A held line is drawn at every so many samples. */
export const LINE_EVERY = 5

/**
 * Keeps where a held line is, every `LINE_EVERY` samples from the splash on.
 * @returns takes the time up to which the line as it now is stands; without one it returns the packed places
 */
export function lineRecorder({
  marks,
}: {
  readonly marks: () => Float64Array
}): (t?: number) => Float64Array {
  const kept: Float64Array[] = []
  return t => {
    if (t === undefined) return Float64Array.from(kept.flatMap(k => [...k]))
    if (kept.length * LINE_EVERY * SAMPLE_S < t) kept.push(marks())
    return NOTHING
  }
}
const NOTHING = new Float64Array(0)

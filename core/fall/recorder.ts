/** Time between recorded samples, s. */
export const SAMPLE_S = 0.02
/** Numbers a sample takes: time (s), x y z of the centre of gravity (m, world, Z up from the surface), quaternion w x y z. */
export const SAMPLE_STRIDE = 8

/**
 * Keeps the leading numbers of a state every SAMPLE_S, packed. Seven numbers go behind their time; three (a place) go bare.
 * @returns takes time and state; with `last` set it keeps that state whatever the time and returns the packed samples
 */
export function recorder(stepS: number, numbers: 7 | 3 = 7): (t: number, y: ArrayLike<number>, last?: boolean) => Float64Array {
  const every = Math.max(1, Math.round(SAMPLE_S / stepS))
  const lead = numbers === 7 ? 1 : 0
  const stride = lead + numbers
  let packed = new Float64Array(stride * 512)
  let count = 0
  let calls = 0
  return (t, y, last = false) => {
    if (last || calls % every === 0) {
      if ((count + 1) * stride > packed.length) {
        const wider = new Float64Array(packed.length * 2)
        wider.set(packed)
        packed = wider
      }
      if (lead) packed[count * stride] = t
      for (let i = 0; i < numbers; i++) packed[count * stride + lead + i] = y[i]!
      count++
    }
    calls++
    return last ? packed.slice(0, count * stride) : packed
  }
}

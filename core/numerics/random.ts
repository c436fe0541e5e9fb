/** A source of uniform numbers in [0, 1). Always injected; the core owns no hidden randomness. */
export type Random = () => number

/**
 * Seeded generator with a 32-bit state (mulberry32, T. Ettinger, public domain). Period 2^32: enough for some
 * millions of draws, which is what the Monte Carlo parts use.
 */
export function seededRandom(seed: number): Random {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = state
    t = Math.imul(t ^ (t >>> 15), t | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}

/** One standard normal number (Box & Muller 1958). Uses two uniforms. */
export function normal(random: Random): number {
  const u = 1 - random()
  return Math.sqrt(-2 * Math.log(u)) * Math.cos(2 * Math.PI * random())
}

/** One log-normal number with the given median and geometric standard deviation (>= 1). */
export const logNormal = (random: Random, median: number, geometricSd: number): number =>
  median * Math.exp(Math.log(geometricSd) * normal(random))

/** Number of events in an interval with the given mean (Knuth, TAOCP vol. 2, 3.4.1); mean below about 30. */
export function poisson(random: Random, mean: number): number {
  const limit = Math.exp(-mean)
  let count = 0
  for (let product = random(); product > limit; product *= random()) count++
  return count
}

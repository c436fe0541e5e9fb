import { describe, expect, it } from 'vitest'
import { seededRandom } from '../numerics/random'
import type { Measure } from '../outcome'
import { evaluateRig, type RigReport } from './evaluateRig'
import { randomRig } from './randomRig'

/** No rig of soft plastic sinks faster, m/s. */
const FASTEST_MS = 5

/** What is wrong with a figure; nothing where it is a number in its place, inside a range that is one. */
function wrong(name: string, { value, low, high }: Measure, least: number, most: number): string[] {
  const fine = [value, low, high].every(Number.isFinite) && low <= value && value <= high && low >= least && high <= most
  return fine ? [] : [`${name} ${value} [${low}, ${high}]`]
}

function wrongOf({ massKg, fall, snag, strike }: RigReport, depthM: number): string[] {
  const { timeS } = fall
  return [
    ...(massKg > 0 ? [] : [`mass ${massKg}`]),
    ...wrong('time', timeS, 0, Infinity),
    ...(timeS.high - timeS.low > 1e-3 * timeS.value ? [] : [`no width: time ${timeS.value}`]),
    ...(fall.meanSpeedMS.value <= FASTEST_MS ? [] : [`speed ${fall.meanSpeedMS.value}`]),
    ...(Math.abs(fall.meanSpeedMS.value * timeS.value / depthM - 1) < 0.2 ? [] : [`speed and time apart: ${fall.meanSpeedMS.value * timeS.value} of ${depthM}`]),
    ...wrong('pitch', fall.pitchRad, -Math.PI / 2, Math.PI / 2),
    ...wrong('roll', fall.rollRad, 0, Math.PI),
    ...wrong('glide', fall.glide, 0, 20),
    ...(fall.scatter >= 0 && fall.scatter < 10 ? [] : [`scatter ${fall.scatter}`]),
    ...wrong('snag', snag.snagPerCast, 0, 1),
    ...wrong('weed', snag.weedPerCast, 0, 1),
    ...wrong('minutes', snag.minutesLeft, 0, 60),
    ...wrong('hook-up', strike.hookUp, 0, 1),
  ]
}

describe('any rig in any place, on slack line', () => {
  it('has figures that are figures, or says why it has none', () => {
    const random = seededRandom(4711)
    const found: string[] = []
    const codes: Record<string, number> = {}
    for (let i = 0; i < 150; i++) {
      const { name, bait, rig, conditions } = randomRig(random)
      const outcome = evaluateRig(bait, rig, conditions)
      if (!outcome.ok) codes[outcome.code] = (codes[outcome.code] ?? 0) + 1
      else found.push(...wrongOf(outcome.value, conditions.depthM).map(w => `${w} :: ${name}`))
    }
    expect(found).toEqual([])
    expect(codes.unstable ?? 0).toBe(0)
    expect((codes.floats ?? 0) + (codes.timeLimit ?? 0)).toBeLessThan(40)
  })
})

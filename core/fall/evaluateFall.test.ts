import { describe, expect, it } from 'vitest'
import { lineFromLb } from '../tackle/lines'
import { evaluateFall, type FallResult } from './evaluateFall'
import { repeatsOf } from './repeats'
import { DEFAULT_FACTORS } from './factors'
import { bodyOf } from './testing'

const line = lineFromLb('braid', 10)
function evaluate(bodies: Parameters<typeof evaluateFall>[0], depthM = 2): FallResult {
  const outcome = evaluateFall(bodies, { depthM, line })
  if (!outcome.ok) throw new Error(outcome.message)
  return outcome.value
}

describe('ranges', () => {
  const typical = bodyOf({ family: 'W1' })
  const plain = evaluate({ typical })
  it('lie round the value and have a width', () => {
    for (const m of [plain.timeS, plain.pitchRad, plain.glide]) {
      expect(m.low).toBeLessThan(m.value)
      expect(m.high).toBeGreaterThan(m.value)
    }
  })
  it('widen with one more thing in doubt', () => {
    const wider = evaluate({
      typical,
      light: bodyOf({ family: 'W1', densityKgM3: 930 }),
      dense: bodyOf({ family: 'W1', densityKgM3: 1180 }),
    })
    expect(wider.timeS.value).toBe(plain.timeS.value)
    expect(wider.timeS.high - wider.timeS.low).toBeGreaterThan(plain.timeS.high - plain.timeS.low)
  })
  it('name the place of the hook where that alone is in doubt to speak of', () => {
    const laid = (weightAtM: number) => bodyOf({ family: 'W1', weightAtM })
    const wide = evaluate({ typical: laid(0.022), forward: laid(0.002), back: laid(0.042) })
    expect(wide.mainDoubt).toBe('hookPlace')
    expect(wide.pitchRad.low).toBeLessThan(evaluate({ typical: laid(0.022) }).pitchRad.low)
  })
  it('name the input that moves the fall most: the plastic, where it nearly floats', () => {
    const bare = (densityKgM3: number) => bodyOf({ family: 'O2', densityKgM3 })
    const nearly = evaluate({ typical: bare(1030), light: bare(980), dense: bare(1080) })
    expect(nearly.mainDoubt).toBe('density')
    expect(evaluate({ typical: bare(1030), light: bare(700) }).mayFloat).toBe(true)
    expect(nearly.mayFloat).toBe(false)
  })
  it('hold what a moved factor really does', () => {
    const outcome = evaluateFall(
      { typical },
      { depthM: 2, line, factors: { ...DEFAULT_FACTORS, crossDrag: 1.15 } },
    )
    if (!outcome.ok) throw new Error(outcome.message)
    expect(outcome.value.timeS.value).toBeGreaterThan(plain.timeS.value)
    expect(outcome.value.timeS.value).toBeLessThan(plain.timeS.high)
  })
})

describe('a bait that hangs over its weight', () => {
  it('is down when its weight is', () => {
    const weight = {
      massKg: 0.01,
      displacedKg: 0.0009,
      diameterM: 0.012,
      dragFactor: 1,
      tetherM: 0.4,
      lineOnWeight: true,
    }
    const result = evaluate({
      typical: bodyOf({ family: 'O2', form: 'stick', lengthM: 0.125, size: '3/0', densityKgM3: 905 }),
      weight,
    })
    expect('ending' in result.drop && result.drop.ending).toBe('hovers')
    expect('weightTimeS' in result.drop && result.drop.weightTimeS).toBe(result.timeS.value)
    expect(result.drop.timeS).toBeGreaterThan(2 * result.timeS.value)
    expect(result.meanSpeedMS.value).toBeCloseTo(2 / result.timeS.value, 9)
    expect(result.rest.posture).toBe('hangs')
  })
})

describe('scatter', () => {
  it('is never less than what stirred water does to a rig that falls so slowly', () => {
    const body = bodyOf({ family: 'W1' })
    expect(repeatsOf(body, { depthM: 2, line }).scatter).toBeGreaterThan(0.02 / 0.6)
  })
  it('is worked out for a bait and its weight together', () => {
    const weight = {
      massKg: 0.007,
      displacedKg: 0.0006,
      diameterM: 0.01,
      dragFactor: 1,
      tetherM: 0.01,
      lineOnWeight: true,
    }
    const bait = bodyOf({ family: 'O2', form: 'stick', lengthM: 0.125, size: '3/0', densityKgM3: 1200 })
    expect(repeatsOf(bait, { depthM: 2, line }, DEFAULT_FACTORS, weight).scatter).toBeLessThan(
      repeatsOf(bait, { depthM: 2, line }).scatter,
    )
  })
})

describe('a bait too limp for a rod, whose bent fall is not known', () => {
  const reckoned = (limp: number): FallResult => {
    const found = evaluateFall(
      {
        typical: bodyOf({ form: 'straightWorm', lengthM: 0.2, family: 'O2', size: '3/0', densityKgM3: 1100 }),
        limp,
      },
      { depthM: 2 },
    )
    if (!found.ok) throw new Error(found.message)
    return found.value
  }
  it('says so and has a wider range, the limper the wider; a stiff one has nothing added', () => {
    const [rod, stiff, limp, limper] = [0, 0.5, 40, 80].map(reckoned)
    const width = ({ timeS }: FallResult): number => timeS.high - timeS.low
    expect(stiff!.bending).toBeUndefined()
    expect(width(stiff!)).toBe(width(rod!))
    expect(limp!.bending!.bends).toBeGreaterThan(0.6)
    expect(width(limp!)).toBeGreaterThan(width(rod!))
    expect(width(limper!)).toBeGreaterThan(width(limp!))
    // the middle stays that of the rod
    expect(limper!.timeS.value).toBe(rod!.timeS.value)
  })
})

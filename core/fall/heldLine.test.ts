import { describe, expect, it } from 'vitest'
import { GRAVITY_MS2 } from '../constants'
import { lineFromLb, type Line } from '../tackle/lines'
import { waterOf } from '../water/water'
import { cylinderCd } from './dragCurves'
import { heldLine, type HeldLine } from './heldLine'
import { lineDragPerSpeed } from './lineDrag'
import { lineEnd } from './lineEnd'
import { ROD_TIP_M, type RodLift } from './lineHold'

const water = waterOf(16, 0)
const NEVER = Infinity

/** An end of one mass in every direction. */
function endOf(
  massKg: number,
  place: readonly number[],
  velocity: readonly number[] = [0, 0, 0],
  acceleration: readonly number[] = [0, 0, 0],
): ReturnType<typeof lineEnd> {
  const end = lineEnd()
  end.place.set(place)
  end.velocity.set(velocity)
  end.acceleration.set(acceleration)
  for (let k = 0; k < 3; k++) end.massKg[4 * k] = massKg
  return end
}

const FIXED_KG = 1e6

/** Steps a line with its end held still until nothing moves. */
function settle(held: HeldLine, place: readonly number[], seconds: number): void {
  for (let t = 0; t < seconds; t += 0.01) held.step(0.01, endOf(FIXED_KG, place))
}

const tight = (
  rodDistanceM: number,
  lift?: RodLift,
): { mode: 'tight'; rodDistanceM: number; lift?: RodLift } => ({
  mode: 'tight',
  rodDistanceM,
  ...(lift ? { lift } : {}),
})
const lowest = (held: HeldLine): number =>
  Math.min(...Array.from({ length: held.count() }, (_, i) => held.places[3 * i + 2]!))

describe('a held line', () => {
  it('hangs in air as a catenary', () => {
    const line = { ...lineFromLb('fluorocarbon', 20), stiffnessN: 1e6 } satisfies Line
    // laid out to a place 10 m away, then its end brought 0.4 m nearer, at the height of the tip
    const held = heldLine({
      hold: tight(10),
      line,
      water,
      runsAtN: NEVER,
      from: [0, 0, ROD_TIP_M],
      pieces: 40,
    })
    for (let i = 1; i <= 100; i++) held.step(0.01, endOf(FIXED_KG, [(-0.4 * i) / 100, 0, ROD_TIP_M]))
    settle(held, [-0.4, 0, ROD_TIP_M], 20)
    // length 10 over a span of 9.6: 2a sinh(span / 2a) = length, sag a (cosh(span / 2a) - 1)
    let low = 1
    let high = 1000
    for (let i = 0; i < 80; i++) {
      const a = (low + high) / 2
      if (2 * a * Math.sinh(9.6 / 2 / a) > 10) low = a
      else high = a
    }
    const sag = low * (Math.cosh(9.6 / 2 / low) - 1)
    // 40 straight pieces, the coarsest of half a metre, come within a per cent of the curve
    expect(ROD_TIP_M - lowest(held)).toBeGreaterThan(0.99 * sag)
    expect(ROD_TIP_M - lowest(held)).toBeLessThan(1.01 * sag)
    // and pulls with the horizontal tension w·a
    const weight = ((line.densityKgM3 * Math.PI) / 4) * line.diameterM ** 2 * GRAVITY_MS2
    expect(-held.force[0]!).toBeCloseTo(weight * low, 3)
  })
  it('bows in a stream across it as a string under an even load: pull = load · length² / 8 sag', () => {
    const line = { ...lineFromLb('braid', 10), densityKgM3: water.densityKgM3 } satisfies Line
    const flow = (_z: number, out: Float64Array): void => {
      out[0] = 0
      out[1] = 0.3
    }
    const held = heldLine({
      hold: tight(0),
      line,
      water,
      runsAtN: NEVER,
      stream: flow,
      from: [0, 0, -8],
      pieces: 60,
    })
    settle(held, [0, 0, -8], 10)
    const perM =
      0.5 *
      water.densityKgM3 *
      cylinderCd((water.densityKgM3 * 0.3 * line.diameterM) / water.viscosityPaS) *
      line.diameterM *
      0.09
    const sag = Math.max(...Array.from({ length: held.count() }, (_, i) => held.places[3 * i + 1]!))
    // eight metres of it in the water; a light sag, so that the load stays square to the line
    expect(sag).toBeGreaterThan(0.1)
    expect(sag).toBeLessThan(0.9)
    const across = held.force[1]!
    // the end carries its part of the whole load, as a beam loaded along the lower 8 m of 9.5 m does: 8 · (1
    // - 4/9.5)
    expect(across / (perM * 8 * (1 - 4 / 9.5))).toBeGreaterThan(0.97)
    expect(across / (perM * 8 * (1 - 4 / 9.5))).toBeLessThan(1.03)
  })
  it('swings a heavy weight as a pendulum of its length', () => {
    const line = { ...lineFromLb('braid', 20), densityKgM3: 1 } satisfies Line
    const angle = 0.2
    const length = 1.2
    const place = [-2 + length * Math.sin(angle), 0, ROD_TIP_M - length * Math.cos(angle)]
    const velocity = [0, 0, 0]
    const held = heldLine({ hold: tight(2), line, water, runsAtN: NEVER, from: place })
    const stepS = 0.0002
    let crossed = 0
    for (let n = 1; crossed === 0; n++) {
      held.step(stepS, endOf(0.05, place, velocity, [0, 0, -GRAVITY_MS2]))
      for (let k = 0; k < 3; k++) {
        velocity[k]! += stepS * ((k === 2 ? -GRAVITY_MS2 : 0) + held.force[k]! / 0.05)
        place[k]! += stepS * velocity[k]!
      }
      if (place[0]! < -2) crossed = n * stepS
    }
    // a quarter of 2π√(L/g)(1 + θ²/16); a first-order step of a thousandth of that is good for half a per
    // cent
    const quarter = (Math.PI / 2) * Math.sqrt(length / GRAVITY_MS2) * (1 + angle ** 2 / 16)
    expect(crossed / quarter).toBeGreaterThan(0.995)
    expect(crossed / quarter).toBeLessThan(1.005)
  })
  it.each(['braid', 'mono'] as const)(
    '%s: drawn straight down from an open hand pulls as the open spool does',
    kind => {
      const line = lineFromLb(kind, 10)
      // a finger that holds what hangs in the air and no more
      const inAir = ((line.densityKgM3 * Math.PI) / 4) * line.diameterM ** 2 * GRAVITY_MS2 * ROD_TIP_M
      const held = heldLine({
        hold: { mode: 'controlled', rodDistanceM: 0 },
        line,
        water,
        runsAtN: inAir,
        from: [0, 0, -0.01],
      })
      const speed = 0.5
      const place = [0, 0, -0.01]
      while (place[2]! > -3) {
        held.step(0.01, endOf(FIXED_KG, place, [0, 0, -speed]))
        place[2]! -= 0.01 * speed
      }
      const open = lineDragPerSpeed(line, water, 3, speed, 0) * speed
      expect(open).toBeGreaterThan(1e-4)
      // the drag of the air and the shape of the pieces at the surface are worth a twentieth
      expect(held.force[2]! / open).toBeGreaterThan(0.95)
      expect(held.force[2]! / open).toBeLessThan(1.05)
      expect(held.outM()).toBeGreaterThan(4.4)
    },
  )
  it('lets no more go than is drawn harder than the finger', () => {
    const line = lineFromLb('braid', 10)
    const held = heldLine({
      hold: { mode: 'controlled', rodDistanceM: 5 },
      line,
      water,
      runsAtN: 0.01,
      from: [0, 0, 0],
    })
    const before = held.outM()
    for (let i = 0; i < 100; i++) held.step(0.01, endOf(FIXED_KG, [-0.01 * i, 0, 0]))
    expect(held.outM()).toBe(before)
    for (let i = 0; i < 300; i++) held.step(0.01, endOf(FIXED_KG, [-1 + 0.01 * i, 0, 0], [1, 0, 0]))
    expect(held.outM()).toBeGreaterThan(before + 0.9)
    expect(-held.force[0]!).toBeGreaterThan(0.0095)
    expect(-held.force[0]!).toBeLessThan(0.02)
  })
  it('follows a rod that is lifted', () => {
    const line = lineFromLb('braid', 10)
    const held = heldLine({
      hold: tight(5, { afterS: 0.5, byM: 1, overS: 1 }),
      line,
      water,
      runsAtN: NEVER,
      from: [0, 0, 0],
    })
    const pulls: number[] = []
    for (let i = 0; i < 200; i++) {
      held.step(0.01, endOf(0.02, [0, 0, 0]))
      if (i === 40 || i === 100) pulls.push(Math.hypot(...held.force))
    }
    expect(held.places[2]).toBeCloseTo(ROD_TIP_M + 1, 9)
    expect(pulls[1]).toBeGreaterThan(pulls[0]! + 0.1)
  })
})

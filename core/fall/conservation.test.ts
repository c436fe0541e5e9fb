import { describe, expect, it } from 'vitest'
import { rotate, type Quaternion } from '../numerics/quaternion'
import { startState } from './drop'
import { DEFAULT_FACTORS } from './factors'
import { hydroBody, type HydroBody } from './hydroBody'
import { makeLoads } from './loads'
import { stepper, velocity } from './motion'
import { bodyOf } from './testing'

/** Kinetic energy ½ (v·p + w·h), and angular momentum about the world's origin: r x P + H. */
function invariants(body: HydroBody, y: Float64Array): { energy: number; angular: number[] } {
  const v = new Float64Array(6)
  velocity(body, y, v)
  let energy = 0
  for (let i = 0; i < 6; i++) energy += 0.5 * v[i]! * y[7 + i]!
  const q: Quaternion = [y[3]!, y[4]!, y[5]!, y[6]!]
  const p = rotate(q, [y[7]!, y[8]!, y[9]!])
  const h = rotate(q, [y[10]!, y[11]!, y[12]!])
  return {
    energy,
    angular: [
      h[0] + y[1]! * p[2] - y[2]! * p[1],
      h[1] + y[2]! * p[0] - y[0]! * p[2],
      h[2] + y[0]! * p[1] - y[1]! * p[0],
    ],
  }
}

function tumble(
  body: HydroBody,
  stepS = 0.001,
): { before: ReturnType<typeof invariants>; after: ReturnType<typeof invariants> } {
  const loads = makeLoads(body, {
    factors: { ...DEFAULT_FACTORS, eta: 1, etaRoll: 1 },
    viscous: false,
    gravityMS2: 0,
  })
  const y = startState(body, { heading: 0.3, pitch: 0.2, roll: 0.1 }, [0.4, 0.1, -0.2, 3, 5, -2])
  const advance = stepper(body, loads)
  const before = invariants(body, y)
  for (let i = 0; i < Math.round(10 / stepS); i++) advance(y, stepS)
  return { before, after: invariants(body, y) }
}

describe('conservation over ten tumbling seconds, to one part in a million', () => {
  it('no water: energy and angular momentum', () => {
    const body = hydroBody(bodyOf({ family: 'W1' }).geometry, { densityKgM3: 1e-12, viscosityPaS: 1e-3 })
    const { before, after } = tumble(body)
    const size = Math.hypot(...before.angular)
    expect(Math.abs(after.energy / before.energy - 1)).toBeLessThan(1e-6)
    for (let k = 0; k < 3; k++)
      expect(Math.abs(after.angular[k]! - before.angular[k]!) / size).toBeLessThan(1e-6)
  })

  it.each(['W1', 'E1', 'O2', 'L1'] as const)(
    'ideal water: kinetic energy of body and added mass, %s',
    family => {
      const { before, after } = tumble(bodyOf({ family }))
      expect(Math.abs(after.energy / before.energy - 1)).toBeLessThan(1e-6)
    },
  )

  it('ideal water: angular momentum of body and water about a fixed point', () => {
    const { before, after } = tumble(bodyOf({ family: 'W1' }), 0.00025)
    const size = Math.hypot(...before.angular)
    for (let k = 0; k < 3; k++)
      expect(Math.abs(after.angular[k]! - before.angular[k]!) / size).toBeLessThan(1e-6)
  })
})

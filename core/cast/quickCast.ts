import type { Line } from '../tackle/lines'
import { farthest } from './flight'
import { launchSpeed, type CastingRod } from './launch'
import { HAND_M, lineBehind, windAlong, type Wind } from './evaluateCast'

/** Drag area of a rig of ten grams on a soft bait, m², and how it grows with mass. *Assumed*: a first look. */
const DRAG_M2 = 3e-4
const QUICK_KG = 0.01

/** Masses that are thrown for a first look, kg; between them in proportion. */
const STEPS_KG = [0.002, 0.004, 0.006, 0.009, 0.013, 0.019, 0.028, 0.042, 0.062, 0.1] as const

/**
 * Distance by mass alone, for looking through many rigs: a rig of usual build on one rod and line.
 * @returns metres for a mass in kg
 */
export function castByMass(rod: CastingRod, line: Line, wind?: Wind): (massKg: number) => number {
  const windMS = windAlong(wind)
  const metres = STEPS_KG.map(
    massKg =>
      farthest(
        { massKg, dragAreaM2: DRAG_M2 * (massKg / QUICK_KG) ** (2 / 3), line: lineBehind(line, 1) },
        { speedMS: launchSpeed(rod, massKg), fromM: HAND_M, windMS },
      ).distanceM,
  )
  return massKg => {
    const next = STEPS_KG.findIndex(step => step >= massKg)
    if (next <= 0) return metres[next === 0 ? 0 : metres.length - 1]!
    const [low, high] = [STEPS_KG[next - 1]!, STEPS_KG[next]!]
    const part = (massKg - low) / (high - low)
    return metres[next - 1]! * (1 - part) + metres[next]! * part
  }
}

import { HOOK_YIELD_PA } from '../constants'
import { spreadMeasure, type Measure } from '../outcome'
import type { HookDims } from '../tackle/hooks'

/**
 * Load on the bend that opens a hook, N: full plastic bending of a round wire, moment sigma·d³/6, on a lever
 * of half the gap (Gere & Timoshenko, Mechanics of Materials, plastic bending). Range from yield 1.8–2.0 GPa
 * and wire ±5 %.
 */
export function openingLoadN(dims: Pick<HookDims, 'wireM' | 'gapM'>): Measure {
  const at = (yieldPa: number, wire: number): number => (yieldPa * wire ** 3) / 6 / (dims.gapM / 2)
  const value = at(HOOK_YIELD_PA.value, dims.wireM)
  return spreadMeasure(
    value,
    value - at(HOOK_YIELD_PA.low, dims.wireM * 0.95),
    at(HOOK_YIELD_PA.high, dims.wireM * 1.05) - value,
  )
}

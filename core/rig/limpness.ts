import { modulusPa, PLASTICS } from '../tackle/materials'
import type { AssembledRig } from './assemble'

/**
 * Drag coefficient of a bait's section across the flow, with which its bending is judged; typical of these
 * Reynolds numbers.
 */
const CD = 1.3
const SLICES = 40
/**
 * Stiffness in bending over that in squeezing read off the Shore hardness. *Assumed*: so that a slim shad of
 * 90 mm in plain plastic, held by its head, droops by about a quarter of its free length, as it does.
 */
export const BENDING = 3.5

/**
 * How far the free end of a bait would be bent by water going across it, over the length that is free to
 * bend, for each (m/s)² of speed and kg/m³ of water: a cantilever held where the hook's wire ends, under an
 * even load, δ/l = w·l³ / (8·E·I) (Gere & Timoshenko, Mechanics of Materials, app. G), with the section's
 * mean in both. Large where a bait is long and thin: it then falls bent, which a rigid body does not show.
 */
export function limpness({ bait, parts: { placement }, baitSpec }: AssembledRig): number {
  const held = Math.min(bait.lengthM, Math.max(...placement.path.points.map(p => p.s), 0))
  // the nose is free where the hook sits farther back
  const ahead = Math.max(0, Math.min(...placement.path.points.map(p => p.s)))
  return Math.max(freeEnd(held, bait.bodyM), freeEnd(0, ahead))

  function freeEnd(from: number, to: number): number {
    const free = to - from
    if (!(free > 0)) return 0
    let width = 0
    let stiff = 0
    for (let i = 0; i < SLICES; i++) {
      const s = from + ((i + 0.5) * free) / SLICES
      const [w, h] = [bait.widthAt(s), bait.heightAt(s)]
      width += Math.max(w, h) / SLICES
      // the softer way to bend, less what is hollow
      stiff += ((((1 - bait.hollowAt(s)) * Math.PI) / 64) * Math.max(w, h) * Math.min(w, h) ** 3) / SLICES
    }
    return (
      (0.5 * CD * width * free ** 3) / (8 * BENDING * modulusPa(PLASTICS[baitSpec.material].shore00) * stiff)
    )
  }
}

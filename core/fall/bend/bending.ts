import { modulusPa } from '../../tackle/materials'
import type { Vec3 } from '../../numerics/quaternion'
import type { BaitShape } from '../../rig/bait'
import { BENDING } from '../../rig/limpness'

/** Shear modulus over Young's: a rubber keeps its volume. */
const SHEAR = 1 / 3
/** Slices in which a stretch of bait is summed up. */
const SLICES = 8

/** How far a stretch of bait gives in twist about x, in bending about y and about z, rad for each N·m. */
export type Give = readonly [number, number, number]

/**
 * Gives of a stretch of a bait: lengths over stiffness, summed along it; an ellipse's second moments, less what is
 * hollow, and its torsion constant (Gere & Timoshenko, Mechanics of Materials; Roark, Formulas for Stress and Strain,
 * table 10.1).
 * @param from nearer the nose, m from it
 */
export function giveOf(bait: BaitShape, shore00: number, from: number, to: number): Give {
  const young = BENDING * modulusPa(shore00)
  const ds = (to - from) / SLICES
  let [twist, pitch, yaw] = [0, 0, 0]
  for (let i = 0; i < SLICES; i++) {
    const s = from + (i + 0.5) * ds
    const a = bait.widthAt(s) / 2
    const b = bait.heightAt(s) / 2
    const solid = Math.max(0.05, 1 - bait.hollowAt(s))
    twist += ds / (SHEAR * young * ((solid * Math.PI * a ** 3 * b ** 3) / (a * a + b * b)))
    pitch += ds / (young * ((solid * Math.PI * a * b ** 3) / 4))
    yaw += ds / (young * ((solid * Math.PI * b * a ** 3) / 4))
  }
  return [twist, pitch, yaw]
}

/** A joint before its springs are known: how its stretch gives, and the link behind it. */
export interface Jointed {
  readonly give: Give
  /** of the link about its centre of gravity, 6x6 */ readonly inertia: Float64Array
  /** the joint from that, m */ readonly jointAt: Vec3
}
/** Springs and dampers of a joint, N·m/rad and N·m·s/rad. */
export interface Springs {
  readonly stiffness: Vec3
  readonly damping: Vec3
  /** inertia that slows its twisting, kg·m² */ readonly slowing: number
}

/** How fast a joint may twist to and fro, over how fast the quickest bends: steps would have to follow it. */
const TWISTS = 1.5

/**
 * Springs of joints from how far their stretches of bait give, and dampers as a part of what would just keep each link
 * from swinging about its joint. A bait twists to and fro quicker than it bends, and hardly: that is slowed, so that
 * steps which follow its bending follow it too; how far it twists under a lasting moment stays what it is.
 */
export function springsOf(joints: readonly Jointed[], loss: number): Springs[] {
  const inertias = joints.map(({ inertia, jointAt: [x, y, z] }): Vec3 => {
    const moving = (inertia[0]! + inertia[7]! + inertia[14]!) / 3
    return [
      inertia[21]! + moving * (y * y + z * z),
      inertia[28]! + moving * (x * x + z * z),
      inertia[35]! + moving * (x * x + y * y),
    ]
  })
  const quickest = Math.max(
    0,
    ...joints.flatMap(({ give }, n) => [1, 2].map(i => 1 / (give[i]! * inertias[n]![i]!))),
  )
  return joints.map(({ give }, n) => {
    const turned = inertias[n]!
    const stiffness: Vec3 = [1 / give[0], 1 / give[1], 1 / give[2]]
    const slowing = Math.max(0, stiffness[0] / (TWISTS ** 2 * quickest) - turned[0])
    const damped = (i: 0 | 1 | 2, more = 0): number => 2 * loss * Math.sqrt(stiffness[i] * (turned[i] + more))
    return { stiffness, damping: [damped(0, slowing), damped(1), damped(2)], slowing }
  })
}

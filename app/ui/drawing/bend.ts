import { rotate, type BentLink, type Quaternion, type Vec3 } from '#core'

/** Where a part of a straight rig has come to in a bent one, about the same origin. */
export interface BentPart {
  readonly place: (at: Vec3) => Vec3
  readonly turn: (along: Vec3) => Vec3
}

const STRAIGHT: BentPart = { place: at => at, turn: along => along }

/**
 * @param links as they lie in the straight rig
 * @param turns of each but the root against the one it hangs on
 * @returns the part that lies so far toward the nose of the straight rig, m
 */
export function bentParts(links: readonly BentLink[], turns: readonly Quaternion[]): (x: number) => BentPart {
  const parts: BentPart[] = [STRAIGHT]
  turns.forEach((turned, i) => {
    const { parent, joint } = links[i + 1]!
    const on = parts[parent]!
    const at = on.place(joint)
    const turn = (along: Vec3): Vec3 => on.turn(rotate(turned, along))
    const place = (from: Vec3): Vec3 => {
      const [x, y, z] = turn([from[0] - joint[0], from[1] - joint[1], from[2] - joint[2]])
      return [at[0] + x, at[1] + y, at[2] + z]
    }
    parts.push({ place, turn })
  })
  return x => {
    // the last link whose joint has been passed, toward the tail or the nose
    const last = links.findLastIndex(
      ({ joint, behind }, n) => n > 0 && n < parts.length && (behind ? x < joint[0] : x > joint[0]),
    )
    return parts[Math.max(0, last)]!
  }
}

export const UNBENT = (): BentPart => STRAIGHT

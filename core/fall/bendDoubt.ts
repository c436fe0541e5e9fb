import { dropBent } from './bend/dropBent'
import type { FallBodies, FallConditions } from './dropAny'
import type { FallFactors } from './factors'
import type { FallResponse } from './fallMembers'
import { summarize, type FallSummary } from './summary'

/**
 * What a bait that bends may fall otherwise than a rod where its own bent fall cannot be worked out: where its
 * free end would be bent by more than `from` of its length, so much of its time for each length beyond, at most
 * so much; and so much of pitch and glide where it is bent by all of its length. *Assumed.*
 */
const UNRECKONED = { from: 0.6, perBend: 0.1, most: 0.35, pitchRad: 0.4, glide: 0.2 } as const

/**
 * Where the free end would be bent by more of its length than this, the bent fall is worked out. Of rigs drawn at
 * random whose free end would bend by less, nine in ten are within a sixth of the rod's time.
 */
const RECKONED_FROM = 0.3

/** A bent fall that is nearer than this to that of the rod is lost in the range of any fall. */
const LOST = { lnTime: 0.05, pitchRad: 0.17, glide: 0.1 } as const

/** What bending adds to the doubt about a fall that is reckoned as that of a rod. */
export interface BendDoubt {
  /** how far the free end would be bent, over its length */ readonly bends: number
  /** splash to bottom of the bait that bends, s; left out where it could not be worked out */
  readonly bentS?: number
  readonly response: FallResponse
}

/**
 * How far a rig that bends falls from the rod that it is reckoned as: its range goes from the one to the other.
 * @param rod the fall as a rod
 * @param left part of the assumed doubt that the angler's own drops leave
 * @returns undefined where it hardly bends, or falls like the rod all the same
 */
export function bendDoubt(
  bodies: FallBodies,
  conditions: FallConditions,
  factors: FallFactors,
  rod: { readonly downS: number; readonly summary: FallSummary },
  left: number,
): BendDoubt | undefined {
  const bends = (bodies.limp ?? 0) * acrossMS(rod.summary) ** 2
  if (!(bends > RECKONED_FROM)) return undefined
  const links = bodies.weight ? undefined : bodies.links?.()
  if (links?.length === 1) return undefined
  const bent = links && dropBent(links, bodies.typical, { ...conditions, factors })
  if (!bent?.ok) return bends > UNRECKONED.from ? { bends, response: unreckoned(bends, left) } : undefined
  const held = conditions.hold !== undefined && conditions.hold.mode !== 'slack'
  const { timeS, pitchRad, glide } = summarize(bent.value, held ? undefined : conditions.stream)
  const lnTime = Math.log(timeS / rod.downS)
  const turned = pitchRad - rod.summary.pitchRad
  const glides = glide - rod.summary.glide
  if (Math.abs(lnTime) < LOST.lnTime && Math.abs(turned) < LOST.pitchRad && Math.abs(glides) < LOST.glide)
    return undefined
  const from = (to: number): [number, number] => (lnTime < 0 ? [to, 0] : [0, to])
  return {
    bends,
    bentS: timeS,
    response: {
      id: 'bending',
      // drops of one's own say how it is slowed, not how it bends: the range goes all the way
      lnTime: from(lnTime),
      pitchRad: from(turned),
      rollRad: [0, 0],
      glide: from(glides),
    },
  }
}

/** Of a body's way through the water, what goes across it, m/s. */
const acrossMS = ({ endSpeedMS, pitchRad, glide }: FallSummary): number =>
  endSpeedMS * Math.abs(Math.cos(pitchRad)) + endSpeedMS * glide * Math.abs(Math.sin(pitchRad))

function unreckoned(bends: number, left: number): FallResponse {
  const beyond = bends - UNRECKONED.from
  const off = Math.min(UNRECKONED.most, UNRECKONED.perBend * beyond) * left
  const turned = Math.min(1, beyond)
  return {
    id: 'bending',
    lnTime: [Math.log(1 - off), Math.log(1 + off)],
    pitchRad: [-turned * UNRECKONED.pitchRad, turned * UNRECKONED.pitchRad],
    rollRad: [0, 0],
    glide: [-turned * UNRECKONED.glide, turned * UNRECKONED.glide],
  }
}

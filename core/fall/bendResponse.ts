import { PARAMETERS } from '../uncertainty/parameters'
import type { Link } from './bend/chain'
import type { PlasticAs } from './bend/cut'
import type { FallBodies, FallConditions } from './dropAny'
import { dropAs, UNRECKONED_FROM, type Bending } from './dropMiddle'
import type { FallFactors } from './factors'
import { atBothEnds, type FallResponse } from './fallMembers'
import type { FallSummary } from './summary'

/**
 * What a bait that bends may fall otherwise than a rod where its own bent fall cannot be worked out: so much of its
 * time for each length that its free end is bent further than is told, at most so much; and so much of pitch and
 * glide where it is bent by all of its length. *Assumed.*
 */
const UNRECKONED = { perBend: 0.1, most: 0.35, pitchRad: 0.4, glide: 0.2 } as const

/** What is uncertain of how a bait bends. */
export type BendingId = 'bending' | 'bendingLoss'

/**
 * How a fall answers to how stiff its plastic is and how much it loses in bending: the bent fall again with plastic at
 * both ends of either range; where the fall is a rod's though it bends, the doubt that is assumed.
 * @param summary of the fall at the middle
 * @param left part of the doubt about its time that the angler's own drops leave
 */
export function bendResponses(
  bodies: FallBodies,
  conditions: FallConditions,
  factors: FallFactors,
  { bends, rodS }: Bending,
  summary: FallSummary,
  left: number,
): FallResponse[] {
  if (rodS === undefined) return [unreckoned(bends, left)]
  const at = (plastic: PlasticAs): FallSummary | undefined => {
    const links = (): readonly Link[] => bodies.links!(plastic)
    const drop = dropAs('bent', { ...bodies, links }, { ...conditions, factors })
    return drop.ok ? drop.value.summary : undefined
  }
  const response = (id: BendingId, as: (factor: number) => PlasticAs): FallResponse => {
    const ends = [at(as(PARAMETERS[id].low)), at(as(PARAMETERS[id].high))] as const
    const both = (change: (end: FallSummary) => number): [number, number] => atBothEnds(ends, change)
    return {
      id,
      lnTime: both(end => left * Math.log(end.timeS / summary.timeS)),
      pitchRad: both(end => end.pitchRad - summary.pitchRad),
      rollRad: both(end => end.rollRad - summary.rollRad),
      glide: both(end => end.glide - summary.glide),
    }
  }
  return [response('bending', stiffer => ({ stiffer })), response('bendingLoss', lossier => ({ lossier }))]
}

function unreckoned(bends: number, left: number): FallResponse {
  const beyond = bends - UNRECKONED_FROM
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

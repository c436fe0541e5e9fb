import type { Outcome } from '../outcome'
import type { Line } from '../tackle/lines'
import type { Bed } from '../water/bed'
import type { Stream } from '../water/stream'
import type { Link } from './bend/chain'
import type { PlasticAs } from './bend/cut'
import { dropRig, type Drop, type DropFailure, type DropOptions } from './drop'
import { dropTethered, type TetheredDrop } from './dropTethered'
import type { FallFactors } from './factors'
import type { HydroBody } from './hydroBody'
import type { LineHold } from './lineHold'
import type { FallEvidence } from './measured'
import type { TetheredWeight } from './tether'

/**
 * Bodies of the same rig: as meant, with the plastic at its least and greatest density, and with the hook
 * laid a little forward and back.
 */
export interface FallBodies {
  readonly typical: HydroBody
  readonly light?: HydroBody
  readonly dense?: HydroBody
  readonly forward?: HydroBody
  readonly back?: HydroBody
  /** a weight that hangs on its own */ readonly weight?: TetheredWeight
  /**
   * bending of the bait's free end over its length, for each (m/s)² of water across it; taken as rigid when
   * left out
   */
  readonly limp?: number
  /** the same rig as links that bend against one another; taken as rigid when left out */
  readonly links?: (plastic?: PlasticAs) => readonly Link[]
}

export interface FallConditions {
  readonly depthM: number
  readonly line?: Line
  readonly factors?: FallFactors
  /** measured: the ranges of drag and eta shrink to what the drops leave of them */
  readonly evidence?: FallEvidence
  readonly stream?: Stream
  readonly hold?: LineHold
  /** a soft bottom; hard when left out */ readonly bed?: Bed
}

/** Splash to bottom: of the bait, or of its weight where the bait hangs above it, s. */
export const downAfter = (drop: Drop | TetheredDrop): number =>
  'ending' in drop && drop.ending === 'hovers' ? drop.weightTimeS : drop.timeS

/** Drops one body, or bait and weight where there are two. */
export function dropAny(
  body: HydroBody,
  weight: TetheredWeight | undefined,
  options: DropOptions & { readonly untilWeight?: boolean },
): Outcome<Drop | TetheredDrop, DropFailure> {
  return weight ? dropTethered(body, weight, options) : dropRig(body, options)
}

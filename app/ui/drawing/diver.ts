import type { Afloat, BentLink, Drop, Rest, RigSolid, TetheredDrop } from '#core'
import type { Unit } from '#words/units'
import type { Letter } from '#schemas/ranges'
import type { LaneOutcome } from '~/compute/protocol'

/** One rig in the tank. */
export interface Diver {
  readonly letter: Letter
  readonly drop: Drop | TetheredDrop
  readonly solid: RigSolid
  /** how it comes to lie */ readonly rest?: Rest
  /** how its plastic hangs together, where the drop bends it */ readonly links?: readonly BentLink[]
}

/** A rig that floats instead. */
export interface Floater {
  readonly letter: Letter
  readonly solid: RigSolid
  readonly sits: Pick<Afloat, 'pitchRad' | 'rollRad' | 'surfaceM'>
}

/** A band of depth, m below the surface. */
export interface Zone {
  readonly fromM: number
  readonly toM: number
}

/**
 * What a drawing of the tank needs: the canvas in pixels, the depth, the rigs, and older drops to compare
 * with.
 */
export interface TankFrame {
  readonly width: number
  readonly height: number
  readonly depthM: number
  /** what depths are numbered in */ readonly unit: Pick<Unit, 'from' | 'to'>
  readonly divers: readonly Diver[]
  /** those that stay up, to the right of the others */ readonly floaters?: readonly Floater[]
  readonly ghosts?: readonly Diver[]
  /** where the fish feed */ readonly zone?: Zone
  /** without the chart that fills spare room under the bed */ readonly bare?: boolean
  /** distance to the rod of a line that is held, m; the line is slack when left out */
  readonly rodDistanceM?: number
}

/** The rigs that can be dropped, in the order of their lanes. */
export const diversOf = (order: readonly Letter[], outcomes: ReadonlyMap<string, LaneOutcome>): Diver[] =>
  order.flatMap((letter): Diver[] => {
    const outcome = outcomes.get(letter)
    if (outcome?.kind !== 'done') return []
    const {
      fall: { drop, rest },
      links,
    } = outcome.report
    return [{ letter, drop, solid: outcome.solid, rest, ...(links ? { links } : {}) }]
  })

/** The rigs that stay on the surface, in the order of their lanes. */
export const floatersOf = (order: readonly Letter[], outcomes: ReadonlyMap<string, LaneOutcome>): Floater[] =>
  order.flatMap((letter): Floater[] => {
    const outcome = outcomes.get(letter)
    return outcome?.kind === 'failed' && outcome.onTop
      ? [{ letter, solid: outcome.solid, sits: outcome.onTop.sits }]
      : []
  })

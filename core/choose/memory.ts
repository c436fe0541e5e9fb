import { evaluateFit } from '../fit/evaluateFit'
import type { FitRule } from '../fit/rules'
import type { AssembledRig } from '../rig/assemble'
import type { RigSpec } from '../rig/spec'
import { makeRecall, type Recall } from '../numerics/recall'
import { openingLoadN } from '../fit/wireStrength'
import { untied, type Untied } from '../snag/catchSite'
import type { Chance, Ride } from '../snag/meet'
import { strikeRig, type StrikeRig } from '../strike/bite'
import { drawFish, type Fish } from '../strike/fish'
import { USUAL_SEED } from './prepareRig'
import type { QuickBody } from './quick'

/** A hook laid in a bait: what a search needs of it; the rule that puts it out, where one does. */
export type Laid =
  | { readonly failed: FitRule }
  | {
      readonly failed?: undefined
      /** its number in what is remembered */ readonly nth: number
      readonly near: boolean
      readonly untied: Untied
      readonly strike: StrikeRig
      readonly openingN: number
      readonly massKg: number
      readonly displacedM3: number
      /** its weight is a body of its own beside the bait's */ readonly weightApart: boolean
    }
export type Fitting = Extract<Laid, { readonly nth: number }>

/** How a rig falls and comes to rest, in so much water that it has settled; speed 0 where it does not. SI, rad. */
export interface SettledFall {
  readonly sinkMS: number
  readonly pitchRad: number
  readonly standsM: number
  /** how it rolls, on a retrieve and in the fall */ readonly postures: Ride['postures']
}

/** What meetings with the cover came to. */
export interface Met {
  readonly minutesLeft: number
  readonly snagPerCast: number
}

/**
 * What searches worked out, under all that it follows from: hooks laid in baits, how such bodies fall in a water,
 * what they meet in a cover, and which fish they hook.
 */
export interface SearchMemory {
  readonly laid: Map<string, Laid>
  readonly bodies: Map<string, QuickBody>
  /** falls of those that led */ readonly falls: Map<string, SettledFall>
  readonly met: Map<string, Met>
  readonly hooked: Map<string, number>
  /** meetings drawn for a place and a cadence, for choosing line and rod */ readonly drawn: Map<
    string,
    readonly (readonly Chance[])[]
  >
  /** parts of full evaluations */ readonly recall: Recall
}

/** Parts of full evaluations kept: the meetings of a place, which are large, and what finalists came to. */
const PARTS = 64

export const searchMemory = (): SearchMemory => ({
  laid: new Map(),
  bodies: new Map(),
  falls: new Map(),
  met: new Map(),
  hooked: new Map(),
  drawn: new Map(),
  recall: makeRecall(PARTS),
})

/** Things remembered in all. */
export const rememberedBy = ({ laid, bodies, falls, met, hooked }: SearchMemory): number =>
  laid.size + bodies.size + falls.size + met.size + hooked.size

/** What is kept under a key, or made and kept. */
export function keep<K, V>(map: Map<K, V>, key: K, make: () => V): V {
  const found = map.get(key)
  if (found !== undefined) return found
  const made = make()
  map.set(key, made)
  return made
}

/** So many fish that bite every rig alike: the first of those of the full evaluation. */
export const fishDrawn = ({ recall }: SearchMemory, draws: number): readonly Fish[] =>
  recall(`fish ${draws}`, () => drawFish(USUAL_SEED + 1, draws))

/** Under which a hook that is laid in a bait is kept. */
export const layingKey = (ofBait: string, rig: RigSpec): string => ofBait + JSON.stringify(rig)

/** Reads off a rig what a search needs of it. */
export function layOf(rig: AssembledRig, nth: number): Laid {
  const { verdict, rules } = evaluateFit(rig)
  const failed = rules.find(r => r.verdict === 'fail')
  if (failed) return { failed }
  const { massKg, displacedM3 } = rig.geometry
  return {
    nth,
    near: verdict === 'near',
    untied: untied(rig),
    strike: strikeRig(rig),
    openingN: openingLoadN(rig.parts.dims).value,
    massKg,
    displacedM3,
    weightApart: rig.parts.second !== undefined,
  }
}

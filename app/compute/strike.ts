import {
  amongOf,
  bestChanges,
  biteChain,
  biteCourse,
  drawRig,
  floats,
  fromBelow,
  biteOf,
  changesAmong,
  drawFish,
  LOSSES,
  middlingBite,
  prepareRig,
  problemsOf,
  strikeOf,
  takeOf,
  USUAL_SEED,
  type BaitSpec,
  type Bite,
  type BiteChain,
  type BiteCourse,
  type RigDrawing,
  type Conditions,
  type DoubtfulChange,
  type Evidence,
  type LossId,
  type Measure,
  type PreparedRig,
  type Problem,
  type RigSpec,
  type StrikeResult,
  type StrikeRig,
} from '#core'
import type { SheetJob } from './sheetJob'
import { BITES_TO_SHOW } from './bitesToShow'

/** A bite on one rig. */
export interface StrikeJob {
  readonly bait: BaitSpec
  readonly conditions: Conditions
  readonly rig: RigSpec
  readonly evidence?: Evidence
  /** the fish that bites, by its number; a middling one when left out */ readonly fish?: number
  /** force of the bite that is looked at, N; that fish's own when left out */ readonly biteN?: number
  /** slack in the line at that bite, m */ readonly slackM?: number
}

export type StrikeAnswer =
  | { readonly kind: 'invalid'; readonly problems: readonly Problem[] }
  | {
      readonly kind: 'bite'
      readonly result: StrikeResult
      /** one that floats: of takes from below, once those that miss it are gone */ readonly fromBelow?: Measure
      readonly chain: BiteChain
      readonly biteN: number
      readonly slackM: number
      /** the same in time: the mouth shuts, slack comes up, the rod loads */ readonly course: BiteCourse
      /** middle of the bite, m from the nose */ readonly atM: number
      readonly drawing: RigDrawing
      readonly changes: readonly DoubtfulChange[]
      readonly rig: StrikeRig
      readonly section: { readonly widthM: number; readonly heightM: number; readonly backM: number }
    }

const prepared = (
  bait: BaitSpec,
  spec: RigSpec,
  conditions: Conditions,
  evidence: Evidence | undefined,
): PreparedRig => prepareRig(bait, spec, evidence ? { ...conditions, evidence } : conditions)

/** Fish that bite every rig of the sheet, for one to be looked at. */
const FISH = drawFish(USUAL_SEED + 2, BITES_TO_SHOW)

/** Follows a bite, and tells how bites of that kind end in all. */
export function biteOn({
  bait,
  conditions,
  rig: spec,
  evidence,
  fish,
  biteN,
  slackM,
}: StrikeJob): StrikeAnswer {
  const problems = problemsOf(bait, spec)
  if (problems.length > 0) return { kind: 'invalid', problems }
  const ready = prepared(bait, spec, conditions, evidence)
  const { rig: assembled, strike: rig, tackle } = ready
  const bites: Bite = fish === undefined ? middlingBite(rig, tackle) : biteOf(rig, tackle, FISH[fish]!)
  const one = {
    ...bites,
    ...(biteN === undefined ? {} : { forceN: biteN }),
    ...(slackM === undefined ? {} : { slackM }),
  }
  const chain = biteChain(rig, tackle, one)
  const s = Math.min(assembled.bait.lengthM, Math.max(0, rig.pointM))
  return {
    kind: 'bite',
    result: strikeOf(ready),
    ...(floats(ready) ? { fromBelow: fromBelow(strikeOf(ready).hookUp) } : {}),
    chain,
    biteN: one.forceN,
    slackM: one.slackM,
    course: biteCourse(rig, tackle, one, chain),
    atM: one.atM,
    drawing: drawRig(assembled),
    changes: changesAmong(rig, tackle, bestChanges(rig, tackle, USUAL_SEED + 1), amongOf(ready)),
    rig,
    section: {
      widthM: assembled.bait.widthAt(s),
      heightM: assembled.bait.heightAt(s),
      backM: assembled.bait.topAt(s),
    },
  }
}

/** How bites on one rig go, from all of them to those that are hooked. */
export interface LaneBites {
  readonly letter: string
  readonly hookUp: Measure
  /** share of all bites left after each step, in the order of LOSSES; the last are hooked */
  readonly left: readonly number[]
  /** share lost at each step */ readonly lost: Readonly<Record<LossId, number>>
  /** a fish that is lost at each step, where one of them is */
  readonly example: Readonly<Partial<Record<LossId, number>>>
}

/** Follows the bites on every rig; rigs that cannot be built are left out. */
export function bitesOn({ bait, conditions, lanes }: SheetJob): LaneBites[] {
  return lanes.flatMap(({ letter, rig: spec, evidence }): LaneBites[] => {
    if (problemsOf(bait, spec).length > 0) return []
    const ready = prepared(bait, spec, conditions, evidence)
    const { hookUp, losses } = strikeOf(ready)
    const lost = Object.fromEntries(LOSSES.map(id => [id, 0])) as Record<LossId, number>
    for (const { id, share } of losses) lost[id] = share
    let left = 1
    const example: Partial<Record<LossId, number>> = {}
    FISH.forEach((fish, n) => {
      const { loss } = takeOf(ready.strike, ready.tackle, fish)
      if (loss) example[loss] ??= n
    })
    return [{ letter, hookUp, left: LOSSES.map(id => (left -= lost[id])), lost, example }]
  })
}

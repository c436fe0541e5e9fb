import {
  bestChanges,
  biteChain,
  middlingBite,
  prepareRig,
  problemsOf,
  strikeOf,
  USUAL_SEED,
  type BaitSpec,
  type BiteChain,
  type Change,
  type Conditions,
  type Evidence,
  type Problem,
  type RigSpec,
  type StrikeResult,
  type StrikeRig,
} from '#core'

/** A bite on one rig. */
export interface StrikeJob {
  readonly bait: BaitSpec
  readonly conditions: Conditions
  readonly rig: RigSpec
  readonly evidence?: Evidence
  /** force of the bite that is looked at, N; a middling one when left out */ readonly biteN?: number
  /** slack in the line at that bite, m */ readonly slackM?: number
}

export type StrikeAnswer =
  | { readonly kind: 'invalid'; readonly problems: readonly Problem[] }
  | {
      readonly kind: 'bite'
      readonly result: StrikeResult
      readonly chain: BiteChain
      readonly biteN: number
      readonly slackM: number
      readonly changes: readonly Change[]
      readonly rig: StrikeRig
      readonly section: { readonly widthM: number; readonly heightM: number; readonly backM: number }
    }

/** Follows a bite, and tells how bites of that kind end in all. */
export function biteOn({ bait, conditions, rig: spec, evidence, biteN, slackM }: StrikeJob): StrikeAnswer {
  const problems = problemsOf(bait, spec)
  if (problems.length > 0) return { kind: 'invalid', problems }
  const prepared = prepareRig(bait, spec, evidence ? { ...conditions, evidence } : conditions)
  const { rig: assembled, strike: rig, tackle } = prepared
  const middling = middlingBite(rig, tackle)
  const one = {
    ...middling,
    ...(biteN === undefined ? {} : { forceN: biteN }),
    ...(slackM === undefined ? {} : { slackM }),
  }
  const s = Math.min(assembled.bait.lengthM, Math.max(0, rig.pointM))
  return {
    kind: 'bite',
    result: strikeOf(prepared),
    chain: biteChain(rig, tackle, one),
    biteN: one.forceN,
    slackM: one.slackM,
    changes: bestChanges(rig, tackle, USUAL_SEED + 1),
    rig,
    section: {
      widthM: assembled.bait.widthAt(s),
      heightM: assembled.bait.heightAt(s),
      backM: assembled.bait.topAt(s),
    },
  }
}

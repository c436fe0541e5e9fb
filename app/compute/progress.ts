import type {
  BaitSpec,
  Basis,
  Candidate,
  Day,
  EvidenceBook,
  Field,
  Finalist,
  MatchId,
  OnTopPick,
  Outfit,
  RigSpec,
  Share,
} from '#core'

/** Part of a search, for a second worker: some of its baits looked through. */
export interface ScreenJob {
  readonly day: Day
  readonly field: Field
  readonly share: Share
}
/** Some of the finalists evaluated in full. */
export interface FinishJob {
  readonly day: Day
  readonly field: Field
  readonly ones: readonly Candidate[]
  readonly book?: EvidenceBook
}

/** What floats, looked through for one day. */
export type OnTopJob = Pick<FinishJob, 'day' | 'field'>

/** One weight of one rod to be counted down. */
export interface CountJob {
  readonly bait: BaitSpec
  readonly rig: RigSpec
  readonly day: Day
  readonly outfit: Outfit
  readonly match: MatchId
  readonly depths: readonly number[]
  readonly book?: EvidenceBook
}

/** Seconds to each depth; NaN below the bottom. */
export interface Counted {
  readonly seconds: readonly number[]
  readonly bottomS: number
  readonly basis: Basis
}

/** Some candidates looked at closer. */
export interface CloserJob extends FinishJob {
  readonly rough: boolean
}

/** A second worker, as the first one asks it. Rejects when it fails or is called off. */
export interface Helper {
  readonly screenPart: (job: ScreenJob, signal: AbortSignal) => Promise<readonly Candidate[]>
  readonly closerPart: (job: CloserJob, signal: AbortSignal) => Promise<readonly Candidate[]>
  readonly finishPart: (job: FinishJob, signal: AbortSignal) => Promise<readonly (Finalist | undefined)[]>
  readonly onTopPart: (job: OnTopJob, signal: AbortSignal) => Promise<readonly (OnTopPick | undefined)[]>
  readonly countPart: (job: CountJob, signal: AbortSignal) => Promise<readonly Counted[]>
}

/**
 * What a long answer may do while it is made: say how far it is, learn that nobody waits for it any more, and
 * share the work where there is a second worker.
 */
export interface Progress {
  readonly tell: (part: number) => void
  readonly pause: () => Promise<boolean>
  readonly helper?: Helper
}

/** The same of an answer that comes in two parts: what stands of it already is sent before the whole. */
export interface EarlyProgress<Answer> extends Progress {
  readonly early?: (answer: Answer) => void
}

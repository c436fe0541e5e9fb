import type { Candidate, Day, EvidenceBook, Field, Finalist, Share } from '#core'

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

/** Some candidates looked at closer. */
export interface CloserJob extends FinishJob {
  readonly rough: boolean
}

/** A second worker, as the first one asks it. Rejects when it fails or is called off. */
export interface Helper {
  readonly screenPart: (job: ScreenJob, signal: AbortSignal) => Promise<readonly Candidate[]>
  readonly closerPart: (job: CloserJob, signal: AbortSignal) => Promise<readonly Candidate[]>
  readonly finishPart: (job: FinishJob, signal: AbortSignal) => Promise<readonly (Finalist | undefined)[]>
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

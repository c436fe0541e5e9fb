import type { BenchAdvice, BenchJob, BenchLook } from './bench'
import type { FitsAnswer, FitsJob } from './box'
import type { CoverAnswer, CoverJob } from './cover'
import type { CoverChange, CoverChangesJob } from './coverChanges'
import type { BentLane, DropAnswer, DropJob } from './drops'
import type { PackedCandidates } from './packed'
import type { PickAnswer, PickJob } from './pick'
import type { CloserJob, Counted, CountJob, FinishJob, OnTopJob, ScreenJob } from './progress'
import type { TripAnswer, TripJob } from './trip'
import type { SheetJob } from './sheetJob'
import type { LaneBites, StrikeAnswer, StrikeJob } from './strike'
import type { TouchesAnswer, TouchesJob } from './touches'
import type { TraceAnswer, TraceJob } from './trace'
import type { WorkOutAnswer, WorkOutJob } from './workOut'
import type {
  Candidate,
  Finalist,
  DropFailure,
  OnTopPick,
  OnTopReport,
  Poses,
  Problem,
  RigDrawing,
  RigReport,
  RigSolid,
  Utility,
  Verdict,
} from '#core'

/** What crosses between the page and the worker: plain data only. */
export interface EvaluateJob extends SheetJob {
  /** what the rigs are judged by; fish an hour when left out */ readonly utility?: Utility
}

/** What came of one lane: its measures, why it cannot be dropped, or which field cannot be built. */
export type LaneOutcome =
  | {
      readonly kind: 'done'
      readonly report: RigReport
      readonly drawing: RigDrawing
      readonly solid: RigSolid
    }
  | {
      readonly kind: 'failed'
      readonly code: DropFailure
      readonly message: string
      /** where it was left, m below the surface */ readonly depthM?: number
      /** a rig that floats, as it is fished on the surface */ readonly onTop?: OnTopReport
      readonly drawing: RigDrawing
      readonly solid: RigSolid
    }
  | { readonly kind: 'invalid'; readonly problems: readonly Problem[] }

/** One-off questions, each with its own kind of answer. */
export interface Questions {
  readonly look: { readonly job: BenchJob; readonly answer: BenchLook }
  readonly advise: { readonly job: BenchJob; readonly answer: BenchAdvice }
  readonly poses: { readonly job: BenchJob; readonly answer: Poses | undefined }
  readonly fits: { readonly job: FitsJob; readonly answer: FitsAnswer[] }
  readonly cover: { readonly job: CoverJob; readonly answer: CoverAnswer }
  readonly coverChanges: { readonly job: CoverChangesJob; readonly answer: readonly CoverChange[] }
  readonly bite: { readonly job: StrikeJob; readonly answer: StrikeAnswer }
  readonly bites: { readonly job: SheetJob; readonly answer: readonly LaneBites[] }
  readonly pick: { readonly job: PickJob; readonly answer: PickAnswer }
  readonly workOut: { readonly job: WorkOutJob; readonly answer: WorkOutAnswer }
  readonly screenPart: { readonly job: ScreenJob; readonly answer: PackedCandidates }
  readonly closerPart: { readonly job: CloserJob; readonly answer: readonly Candidate[] }
  readonly finishPart: { readonly job: FinishJob; readonly answer: readonly (Finalist | undefined)[] }
  readonly onTopPart: { readonly job: OnTopJob; readonly answer: readonly (OnTopPick | undefined)[] }
  readonly countPart: { readonly job: CountJob; readonly answer: readonly Counted[] }
  readonly trip: { readonly job: TripJob; readonly answer: TripAnswer }
  readonly touches: { readonly job: TouchesJob; readonly answer: TouchesAnswer }
  readonly drop: { readonly job: DropJob; readonly answer: DropAnswer }
  readonly bend: { readonly job: SheetJob; readonly answer: readonly BentLane[] }
  readonly trace: { readonly job: TraceJob; readonly answer: TraceAnswer }
}
export type QuestionId = keyof Questions

export type Request =
  | {
      readonly type: 'ask'
      readonly id: number
      readonly about: QuestionId
      readonly job: Questions[QuestionId]['job']
    }
  | { readonly type: 'evaluate'; readonly id: number; readonly job: EvaluateJob }
  | { readonly type: 'cancel'; readonly id: number }
  | { /** a box will be looked through */ readonly type: 'prepare' }

export type Reply =
  | { readonly type: 'progress'; readonly id: number; readonly part: number }
  | {
      /** what stands of an answer already */ readonly type: 'early'
      readonly id: number
      readonly answer: Questions[QuestionId]['answer']
    }
  | { readonly type: 'answer'; readonly id: number; readonly answer: Questions[QuestionId]['answer'] }
  | { readonly type: 'lane'; readonly id: number; readonly letter: string; readonly outcome: LaneOutcome }
  | { readonly type: 'done'; readonly id: number; readonly verdict: Verdict }
  | { readonly type: 'failed'; readonly id: number; readonly message: string }

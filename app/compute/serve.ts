import {
  assembleRig,
  drawRig,
  ensembleAfter,
  evaluateOnTop,
  evaluateRig,
  failure,
  judgeLanes,
  makeRecall,
  problemsOf,
  solidOf,
  success,
  USUAL_UTILITY,
  type JudgedLane,
  type Recall,
} from '#core'
import { answerMemory, type AnswerStore } from './answerMemory'
import { adviseOn, lookAt, posesFor } from './bench'
import { fitsOf } from './box'
import { throughCover } from './cover'
import type { EarlyProgress, Helper } from './progress'
import { bendLanes, modelDrop } from './drops'
import { learnLog, loggedOf, logsOf, recallLog, type LogMemory } from './logMemory'
import { packed, unpacked } from './packed'
import { pickFrom } from './pick'
import { keepSearches, recallSearches, type SearchStore } from './searchMemory'
import { coverChanges } from './coverChanges'
import { biteOn, bitesOn } from './strike'
import { touchesOf } from './touches'
import { closerPart, finishPart, onTopPart, screenPart } from './share'
import { countPart, planOut } from './trip'
import { workOut } from './workOut'
import type { CalcClient } from './client'
import type { LaneJob } from './sheetJob'
import type { EvaluateJob, LaneOutcome, QuestionId, Questions, Reply, Request } from './protocol'
import { failureText } from '#words/failureText'

/** Outcomes kept so that undo, redo and a change to one lane cost nothing for the others. */
const KEPT = 80
/**
 * Parts of evaluations kept: postures and bites of five rigs, and the meetings of a place, which are large.
 */
const KEPT_PARTS = 16

/** What searches worked out is laid down after so long without another, ms. */
const IDLE_MS = 3000

/**
 * Answers requests one lane at a time and looks for cancellations between lanes.
 * @param reply sends an answer back; buffers that are handed over are gone from here
 * @param helper another worker to share long work with, where there is one; started when first needed
 * @param log where what was learned of a log is kept
 * @param searches where what searches worked out is kept
 * @param answers where their answers are kept
 * @returns handles one request
 */
export function serve(
  reply: (message: Reply, handOver?: ArrayBuffer[]) => void,
  helper: () => CalcClient | undefined = () => undefined,
  log?: LogMemory,
  searches?: SearchStore,
  answers?: AnswerStore,
): (request: Request) => Promise<void> {
  const cancelled = new Set<number>()
  const kept = new Map<string, LaneOutcome>()
  const remembered = makeRecall(KEPT_PARTS)
  let later: ReturnType<typeof setTimeout> | undefined
  /** Once nobody has asked for a while. */
  function keepLater(): void {
    clearTimeout(later)
    later = setTimeout(() => void answered.layDown().then(() => keepSearches(searches)), IDLE_MS)
  }
  const answered = answerMemory(answers)

  return async request => {
    if (request.type === 'cancel') return void cancelled.add(request.id)
    if (request.type === 'prepare') {
      await Promise.all([...SHARED].map(about => answered.read(about)))
      helper()?.ready(true)
      return recallSearches(searches)
    }
    const { id } = request
    try {
      if (request.type === 'ask') {
        await nextTask()
        if (cancelled.has(id)) return
        const before = SHARED.has(request.about)
          ? await answered.recall(request.about, request.job)
          : undefined
        if (before !== undefined) {
          answered.keep(request.about, request.job, before)
          keepLater()
          return reply({ type: 'answer', id, answer: before })
        }
        for (const logged of logsOf(request.job)) {
          if (!(await recallLog(logged, log))) await learnLog(logged, log)
          if (cancelled.has(id)) return
        }
        if (SEARCHING.has(request.about)) await recallSearches(searches)
        if (cancelled.has(id)) return
        const second = SHARED.has(request.about) ? helper() : undefined
        const found = await answer(request.about, request.job, {
          ...(second ? { helper: asHelper(second) } : {}),
          tell: part => reply({ type: 'progress', id, part }),
          pause: async () => (await nextTask(), !cancelled.has(id)),
          early: found => reply({ type: 'early', id, answer: found }),
        })
        if (found !== undefined)
          reply({ type: 'answer', id, answer: found }, 'rows' in found ? [found.rows.buffer] : [])
        if (found !== undefined && SHARED.has(request.about)) answered.keep(request.about, request.job, found)
        if (SEARCHING.has(request.about)) keepLater()
        return
      }
      const { job } = request
      const judged: JudgedLane[] = []
      const logged = loggedOf(job)
      if (logged && !(await recallLog(logged, log))) {
        // what the model has by itself comes at once; what the log makes of it takes longer, and follows
        for (const lane of job.lanes) {
          await nextTask()
          if (cancelled.has(id)) return
          reply({
            type: 'lane',
            id,
            letter: lane.letter,
            outcome: evaluateLane(job, withoutLog(lane), remembered),
          })
        }
        await nextTask()
        if (cancelled.has(id)) return
        await learnLog(logged, log)
      }
      for (const lane of job.lanes) {
        await nextTask()
        if (cancelled.has(id)) return
        const outcome = recall(kept, job, lane, remembered)
        reply({ type: 'lane', id, letter: lane.letter, outcome })
        judged.push(judgeable(lane.letter, outcome))
      }
      reply({
        type: 'done',
        id,
        verdict: judgeLanes(judged, job.utility ?? USUAL_UTILITY, ensembleAfter(logged)),
      })
    } catch (error) {
      reply({ type: 'failed', id, message: failureText(error) })
    } finally {
      // by now the page shows something: a helper that may be wanted can be made ready
      helper()?.ready()
      cancelled.delete(id)
    }
  }
}

/** A client of a second worker, as a long answer asks it. */
export const asHelper = (client: CalcClient): Helper => ({
  screenPart: async (job, signal) =>
    unpacked(await client.ask('screenPart', job, { signal }), job.field.goods.baits),
  closerPart: (job, signal) => client.ask('closerPart', job, { signal }),
  finishPart: (job, signal) => client.ask('finishPart', job, { signal }),
  onTopPart: (job, signal) => client.ask('onTopPart', job, { signal }),
  countPart: (job, signal) => client.ask('countPart', job, { signal }),
})

/** What takes long: it is shared, and its answers are kept. */
const SHARED: ReadonlySet<QuestionId> = new Set(['pick', 'trip', 'workOut'])

/** What looks through a box. */
const SEARCHING: ReadonlySet<QuestionId> = new Set([
  'pick',
  'screenPart',
  'closerPart',
  'finishPart',
  'onTopPart',
  'trip',
  'workOut',
])

/** Who answers what. */
const ANSWERS: {
  readonly [Q in QuestionId]: (
    job: Questions[Q]['job'],
    progress: EarlyProgress<Questions[Q]['answer']>,
  ) => Questions[Q]['answer'] | Promise<Questions[Q]['answer'] | undefined>
} = {
  look: lookAt,
  advise: adviseOn,
  poses: posesFor,
  fits: fitsOf,
  // the packages that read pictures come when one is there to be read
  trace: async job => (await import('./trace')).tracePicture(job),
  cover: throughCover,
  coverChanges,
  bite: biteOn,
  bites: bitesOn,
  pick: pickFrom,
  workOut,
  screenPart: async (job, progress) => {
    const part = await screenPart(job, progress)
    return part && packed(part)
  },
  closerPart,
  finishPart,
  onTopPart,
  countPart,
  trip: planOut,
  drop: modelDrop,
  bend: bendLanes,
  touches: touchesOf,
}

function answer<Q extends QuestionId>(
  about: Q,
  job: Questions[Q]['job'],
  progress: EarlyProgress<Questions[Q]['answer']>,
): Questions[Q]['answer'] | Promise<Questions[Q]['answer'] | undefined> {
  return ANSWERS[about](job, progress)
}

const nextTask = (): Promise<void> => new Promise(resolve => setTimeout(resolve, 0))

function recall(
  kept: Map<string, LaneOutcome>,
  job: EvaluateJob,
  lane: LaneJob,
  remembered: Recall,
): LaneOutcome {
  const key = JSON.stringify([job.bait, job.conditions, lane.rig, lane.evidence])
  const found = kept.get(key) ?? evaluateLane(job, lane, remembered)
  kept.delete(key)
  kept.set(key, found)
  if (kept.size > KEPT) kept.delete(kept.keys().next().value!)
  return found
}

/** A lane as the model has it before anything was counted. */
function withoutLog({ evidence, ...lane }: LaneJob): LaneJob {
  return evidence?.fall ? { ...lane, evidence: { fall: evidence.fall } } : lane
}

function evaluateLane(
  { bait, conditions }: EvaluateJob,
  { rig: spec, evidence }: LaneJob,
  remembered: Recall,
): LaneOutcome {
  const problems = problemsOf(bait, spec)
  if (problems.length > 0) return { kind: 'invalid', problems }
  const rig = assembleRig(bait, spec)
  const pictures = { drawing: drawRig(rig), solid: solidOf(rig) }
  const place = evidence ? { ...conditions, evidence } : conditions
  const outcome = evaluateRig(bait, spec, place, { recall: remembered })
  const onTop =
    !outcome.ok && outcome.code === 'floats'
      ? evaluateOnTop(bait, spec, place, { recall: remembered })
      : undefined
  return outcome.ok
    ? { kind: 'done', report: outcome.value, ...pictures }
    : {
        kind: 'failed',
        code: outcome.code,
        message: outcome.message,
        ...(outcome.depthM === undefined ? {} : { depthM: outcome.depthM }),
        ...(onTop ? { onTop } : {}),
        ...pictures,
      }
}

function judgeable(letter: string, outcome: LaneOutcome): JudgedLane {
  if (outcome.kind === 'done') return { letter, result: success(outcome.report) }
  if (outcome.kind === 'failed') return { letter, result: failure(outcome.code, outcome.message) }
  return { letter, result: failure('invalid', 'It cannot be built as it is set.') }
}

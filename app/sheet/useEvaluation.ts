import { useTimeoutFn } from '@vueuse/core'
import { nextTick, ref, shallowRef, watch } from 'vue'
import { useEvidence } from './evidence'
import { useSettings } from '~/ui/settings'
import type { Evidence, RigSpec, Verdict } from '#core'
import type { SpreadContent } from '#schemas/spread'
import type { EvaluateJob, LaneOutcome } from '~/compute/protocol'
import { calculator } from '~/compute/calculator'
import { bittenOn } from '../../shared/day'
import { monthNow } from './month'
import { useLatest } from '~/compute/useQuery'

/** What was last worked out in full: another view of the same sheet has its figures at once. */
let stood:
  { text: string; outcomes: ReadonlyMap<string, LaneOutcome>; verdict: Verdict | undefined } | undefined

/** After this long without an answer the sheet says that it is working. */
const PATIENCE_MS = 250

/**
 * Keeps the measures of every lane in step with the sheet, once one is laid out. Answers to older states are
 * dropped, whatever order they come in.
 */
export function useEvaluation(content: () => SpreadContent | undefined) {
  const evidence = useEvidence()
  const settings = useSettings()
  const outcomes = shallowRef<ReadonlyMap<string, LaneOutcome>>(new Map())
  const verdict = shallowRef<Verdict>()
  /** working for longer than goes unnoticed */
  const busy = ref(false)

  const judgedJob = (now: SpreadContent): EvaluateJob => ({
    ...jobOf(now, evidence.of),
    utility: { id: settings.utility, bitesPerHour: settings.bitesPerHour, rigWorth: settings.rigWorth },
  })
  const job = (): EvaluateJob | undefined => {
    const now = content()
    return now && evidence.loaded ? judgedJob(now) : undefined
  }

  function show(found: ReadonlyMap<string, LaneOutcome>, judged: Verdict | undefined): void {
    outcomes.value = found
    verdict.value = judged
  }

  async function evaluate(asked: EvaluateJob, signal: AbortSignal): Promise<void> {
    const begun = performance.now()
    const text = JSON.stringify(asked)
    if (stood?.text === text) return show(stood.outcomes, stood.verdict)
    const found = new Map<string, LaneOutcome>()
    let frame = 0
    // lanes that come within a frame are drawn together; what stands already waits for all of its own
    const showSoon = (): void => {
      frame ||= requestAnimationFrame(() => {
        frame = 0
        if (!signal.aborted) outcomes.value = new Map([...found, ...outcomes.value])
      })
    }
    const judged = await calculator().evaluate(asked, {
      signal,
      onLane: (letter, outcome) => {
        found.set(letter, outcome)
        // a lane that shows nothing yet need not wait for the others
        if (!outcomes.value.has(letter)) showSoon()
      },
    })
    cancelAnimationFrame(frame)
    stood = { text, outcomes: found, verdict: judged }
    show(found, judged)
    await nextTick()
    requestAnimationFrame(() =>
      performance.measure('spread.change', { start: begun, end: performance.now() }),
    )
  }

  const { working, error, retry } = useLatest(job, (asked, { signal }) => evaluate(asked, signal))
  const patience = useTimeoutFn(() => void (busy.value = true), PATIENCE_MS, { immediate: false })
  watch(
    working,
    now => {
      if (now) return patience.start()
      patience.stop()
      busy.value = false
    },
    { immediate: true, flush: 'sync' },
  )
  return { outcomes, verdict, working, busy, error, retry }
}

/** The part of a spread that bears on its figures: neither names nor the order of lanes. */
export function conditionsOf(content: SpreadContent): EvaluateJob['conditions'] {
  const { line, fishing, fish } = content
  const { place: _, zone: __, ...water } = content.water
  return {
    ...water,
    ...fishing,
    ...bittenOn(content, monthNow()),
    lineKind: line.kind,
    lineStrengthN: line.strengthN,
    ...(line.hold ? { hold: line.hold } : {}),
    ...(fish?.clarity ? { clarity: fish.clarity } : {}),
  }
}

/** What a sheet asks of the model, with what is known of each rig. */
export function jobOf(
  content: SpreadContent,
  known: (content: SpreadContent, rig: RigSpec) => Evidence | undefined,
): EvaluateJob {
  const { bait, lanes } = content
  return {
    bait,
    conditions: conditionsOf(content),
    lanes: lanes.map(({ letter, ...rig }) => {
      const evidence = known(content, rig)
      return { letter, rig, ...(evidence ? { evidence } : {}) }
    }),
  }
}

import { nextTick, onScopeDispose, ref, shallowRef, watch } from 'vue'
import { useEvidence } from './evidence'
import { useSettings } from '~/ui/settings'
import type { Evidence, Verdict } from '#core'
import type { SpreadContent } from '#schemas/spread'
import { CalcError } from '~/compute/client'
import type { EvaluateJob, LaneOutcome } from '~/compute/protocol'
import { copy } from '../../shared/data'
import { calculator } from '~/compute/calculator'

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
  /** an answer is on its way */
  const working = ref(false)
  /** and has been for longer than goes unnoticed */
  const busy = ref(false)
  const error = ref<string>()
  let running: AbortController | undefined

  const judgedJob = (now: SpreadContent): EvaluateJob => ({
    ...jobOf(now, evidence.of),
    utility: { id: settings.utility, bitesPerHour: settings.bitesPerHour, rigWorth: settings.rigWorth },
  })

  async function run(): Promise<void> {
    const now = content()
    if (!now || !evidence.loaded) return
    running?.abort()
    const mine = (running = new AbortController())
    const begun = performance.now()
    working.value = true
    const patience = setTimeout(() => (busy.value = true), PATIENCE_MS)
    const found = new Map<string, LaneOutcome>()
    try {
      const judged = await calculator().evaluate(copy(judgedJob(now)), {
        signal: mine.signal,
        onLane: (letter, outcome) => {
          found.set(letter, outcome)
          // a lane that shows nothing yet need not wait for the others
          if (!outcomes.value.has(letter)) outcomes.value = new Map([...outcomes.value, [letter, outcome]])
        },
      })
      outcomes.value = found
      verdict.value = judged
      error.value = undefined
      working.value = busy.value = false
      await nextTick()
      requestAnimationFrame(() =>
        performance.measure('spread.change', { start: begun, end: performance.now() }),
      )
    } catch (failure) {
      if (failure instanceof CalcError && failure.code === 'aborted') return
      working.value = busy.value = false
      error.value = failure instanceof Error ? failure.message : String(failure)
    } finally {
      clearTimeout(patience)
    }
  }

  watch(
    () => {
      const now = content()
      return now && evidence.loaded && JSON.stringify(judgedJob(now))
    },
    () => void run(),
    { immediate: true },
  )
  onScopeDispose(() => running?.abort())
  return { outcomes, verdict, working, busy, error, retry: run }
}

/** The part of a spread that bears on its figures: neither names nor the order of lanes. */
export function conditionsOf({
  water: { place: _, zone: __, ...water },
  line,
  fishing,
}: SpreadContent): EvaluateJob['conditions'] {
  return {
    ...water,
    ...fishing,
    lineKind: line.kind,
    lineStrengthN: line.strengthN,
    ...(line.hold ? { hold: line.hold } : {}),
  } as EvaluateJob['conditions']
}

function jobOf(
  content: SpreadContent,
  known: (content: SpreadContent, rig: object) => Evidence | undefined,
): EvaluateJob {
  const { bait, lanes } = content
  return {
    bait: bait as EvaluateJob['bait'],
    conditions: conditionsOf(content),
    lanes: lanes.map(({ letter, ...rig }) => {
      const evidence = known(content, rig)
      return { letter, rig: rig as EvaluateJob['lanes'][number]['rig'], ...(evidence ? { evidence } : {}) }
    }),
  }
}

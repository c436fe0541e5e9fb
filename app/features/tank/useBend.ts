import { computed, ref, type Ref } from 'vue'
import type { BentDrop } from '#core'
import type { SpreadContent } from '#schemas/spread'
import type { LaneOutcome } from '~/compute/protocol'
import type { SheetJob } from '~/compute/sheetJob'
import { useQuery } from '~/compute/useQuery'
import { useEvidence } from '~/sheet/evidence'
import { jobOf } from '~/sheet/useEvaluation'
import type { Diver } from '~/ui/drawing/diver'
import { notBentText } from '#words/words'

/**
 * Drops of the rigs whose plastic bends, in place of those of one stiff body, while that is wanted.
 * @param outcomes of the sheet: what bends there already stays as it is
 */
export function useBend(
  content: () => SpreadContent | undefined,
  outcomes: Readonly<Ref<ReadonlyMap<string, LaneOutcome>>>,
) {
  const evidence = useEvidence()
  const wanted = ref(false)

  /** Of what is known of a rig its drops bear on how it falls, and nothing else. */
  function job(): SheetJob | undefined {
    const now = content()
    if (!wanted.value || !now || !evidence.loaded) return undefined
    const { bait, conditions, lanes } = jobOf(now, evidence.of)
    return {
      bait,
      conditions,
      lanes: lanes.map(({ letter, rig, evidence: known }) => ({
        letter,
        rig,
        ...(known?.fall ? { evidence: { fall: known.fall } } : {}),
      })),
    }
  }
  const { answer, working, error } = useQuery('bend', job)
  /** An answer to what was asked before is none to what is asked now. */
  const stands = computed(() => wanted.value && !working.value && error.value === undefined)
  const lanes = computed(() => (stands.value ? (answer.value ?? []) : []))
  const bendsAnyway = (letter: string): boolean => {
    const outcome = outcomes.value.get(letter)
    return outcome?.kind === 'done' && outcome.report.links !== undefined
  }
  const found = computed(
    () =>
      new Map(
        lanes.value.flatMap(lane =>
          lane.kind === 'bent' && !bendsAnyway(lane.letter) ? [[lane.letter, lane] as const] : [],
        ),
      ),
  )
  const drops = computed(
    (): ReadonlyMap<string, BentDrop> =>
      new Map([...found.value].map(([letter, { drop }]) => [letter, drop])),
  )
  /** A rig that bends stays as it touches: how a limp bait comes to lie is not worked out. */
  const bent = (divers: readonly Diver[]): Diver[] =>
    divers.map(({ rest, ...diver }) => {
      const lane = found.value.get(diver.letter)
      if (lane) return { ...diver, drop: lane.drop, links: lane.links }
      return rest ? { ...diver, rest } : diver
    })
  const said = computed(() => {
    if (!wanted.value) return ''
    if (error.value) return `It could not be bent: ${error.value}`
    if (working.value) return 'Bending…'
    return notBentText(lanes.value.flatMap(lane => (lane.kind === 'none' ? [lane] : [])))
  })
  return { wanted, working, said, drops, bent }
}

import { useLocalStorage } from '@vueuse/core'
import { computed, onMounted, ref } from 'vue'
import { useBaths } from '~/sync/documents'
import { useEvidence } from '~/sheet/evidence'
import { useOutbox } from '~/sync/outboxStore'
import { useSpread } from '~/sheet/spread'
import { baitKey, fitAll, kindKey, type Drop, type RigSpec } from '#core'
import { useSettings } from '~/ui/settings'
import { fallWords } from '#words/evidenceWords'
import { useExchange } from '~/sync/useExchange'
import type { LogEntry } from '#schemas/log'
import { conditionsOf } from '~/sheet/useEvaluation'
import { bathDrop } from './bath'
import { copy } from '../../../shared/data'
import { newId } from '~/sync/newId'
import { sampleClip } from './sampleClip'
import { LEAST_S, secondsTyped } from './secondsTyped'
import { ask } from '~/sync/api'
import { calculator } from '~/compute/calculator'

/** Where a drop is timed: on open water, or in a bath by its id. */
export const OPEN_WATER = 'open'

/**
 * Drops of one rig of the sheet: taken by taps, from the tank or a clip, kept in the log, and what those of
 * its bait say.
 */
export function useDropTest() {
  const settings = useSettings()
  const spread = useSpread()
  const evidence = useEvidence()
  const outbox = useOutbox()
  const baths = useBaths()
  const chosen = ref<string>()
  const depthM = ref<number>()
  const where = useLocalStorage('dunecrest.drop.where', OPEN_WATER)
  const { error, exchange } = useExchange()
  const saving = ref(false)
  onMounted(() => {
    if (!baths.loaded) void baths.load()
  })

  const lane = computed(
    () =>
      spread.content.lanes.find(l => l.letter === (chosen.value ?? spread.picked)) ??
      spread.content.lanes[0]!,
  )
  const bait = computed(() => spread.content.bait)
  const bath = computed(() => baths.byId.get(where.value))
  const depth = computed(() => bath.value?.content.depthM ?? depthM.value ?? spread.content.water.depthM)
  const water = computed(() => {
    const { temperatureC, salinityGKg } = bath.value?.content ?? spread.content.water
    return { temperatureC, salinityGKg }
  })
  const rig = computed<RigSpec>(() => {
    const { letter: _, ...rest } = lane.value
    return rest
  })

  /** The chosen rig's drop on open water, as the model has it. */
  async function modelled() {
    const { kind, strengthN } = spread.content.line
    const found = await calculator().ask(
      'drop',
      copy({
        bait: bait.value,
        rig: rig.value,
        conditions: { depthM: depth.value, ...water.value, lineKind: kind, lineStrengthN: strengthN },
      }),
    )
    if (!found.ok) throw new Error(found.message)
    return found.model
  }
  type Model = Awaited<ReturnType<typeof modelled>>
  async function put(
    from: 'taps' | 'tank' | 'clip',
    secondsOf: (model: Model) => number | Promise<number>,
    pitchRad?: number,
  ): Promise<void> {
    saving.value = true
    await exchange(async () => {
      const model = await modelled()
      const timed = await secondsOf(model)
      if (timed < LEAST_S) throw new Error('Too quick to be a drop: tap again at the splash.')
      const { seconds, ...where } =
        bath.value && from !== 'tank'
          ? bathDrop(settings.units.vessel, timed, bath.value, bait.value, model.pitchRad, from === 'taps')
          : { seconds: timed }
      const entry: LogEntry = {
        id: newId(),
        session: newId(),
        at: new Date().toISOString(),
        kind: 'drop',
        data: {
          place: 'drop test',
          drop: {
            bait: copy(spread.content.bait),
            rig: copy(rig.value) as never,
            depthM: depth.value,
            ...water.value,
            seconds,
            from,
            ...(pitchRad === undefined ? {} : { pitchRad }),
            model,
            ...where,
          },
        },
      }
      await outbox.keep([entry])
      await outbox.send(true)
      await evidence.load()
      const refused = outbox.aside.find(a => a.entry.id === entry.id)
      if (refused) throw new Error(`The server did not take this drop: ${refused.why}`)
    })
    saving.value = false
  }
  const keepTaps = (seconds: number): Promise<void> => put('taps', () => seconds)
  /** Times as they are typed, one drop each. */
  async function keepTyped(text: string): Promise<boolean> {
    const times = secondsTyped(text)
    if (!times) {
      error.value = 'Type seconds, one or several: 3.2 3.4 3.1'
      return false
    }
    for (const seconds of times) {
      await put('taps', () => seconds)
      if (error.value !== undefined) return false
    }
    return true
  }
  /** A clip shows the steady fall; the start is as much slower or faster as that is. */
  const keepClip = (speedMS: number, pitchRad: number): Promise<void> =>
    put('clip', model => (model.seconds * (model.speedMS ?? depth.value / model.seconds)) / speedMS, pitchRad)
  /** The two-gate tank of the bench, simulated: its own bait is a little unlike the model's. */
  const tankReads = ref<number>()
  const readTank = (): Promise<void> =>
    exchange(async () => {
      const { seconds } = await modelled()
      tankReads.value = (await ask<{ seconds: number }>('/api/instruments/drop', 'POST', { seconds })).seconds
    }).then(() => undefined)
  async function keepTank(keep: boolean): Promise<void> {
    const seconds = tankReads.value
    tankReads.value = undefined
    if (keep && seconds !== undefined) await put('tank', () => seconds)
  }
  const readSounder = (): Promise<void> =>
    exchange(async () => {
      const { reading } = await ask<{ reading?: { depthM?: number } }>('/api/instruments/sounder')
      if (reading?.depthM === undefined) throw new Error('The sounder is off, or has said nothing yet.')
      depthM.value = reading.depthM
    }).then(() => undefined)
  /** The made-up clip: the chosen rig as it is simulated, in a bait with a little more drag. */
  async function sample(): Promise<Blob | undefined> {
    let drop: Drop | undefined
    await calculator().evaluate(
      copy({
        bait: bait.value,
        conditions: conditionsOf(spread.content),
        lanes: [{ letter: 'A', rig: rig.value }],
      }),
      {
        onLane: (_letter, outcome) =>
          void (drop = outcome.kind === 'done' ? (outcome.report.fall.drop as Drop) : undefined),
      },
    )
    return drop && sampleClip(drop, bait.value.lengthM)
  }

  const own = computed(() => evidence.drops.filter(d => baitKey(d.drop.bait) === baitKey(bait.value)))
  const fit = computed(() => fitAll(evidence.timed).get(baitKey(bait.value)))
  return {
    lane,
    chosen,
    depth,
    depthM,
    where,
    bath,
    baths,
    error,
    saving,
    keepTaps,
    keepClip,
    keepTyped,
    tankReads,
    readTank,
    keepTank,
    readSounder,
    sample,
    own,
    fit,
    pooled: computed(() => (fit.value ? undefined : evidence.book?.pooled[kindKey(bait.value)])),
    strange: computed(
      () =>
        new Set(
          own.value
            .filter(d => !d.excluded)
            .flatMap((d, i) => (fit.value?.outliers.includes(i) ? [d.id] : [])),
        ),
    ),
    words: computed(
      () =>
        fit.value &&
        fallWords(
          fit.value,
          spread.content.lanes.map(l => l.letter),
        ),
    ),
    exclude: (id: string, excluded: boolean): Promise<void> => evidence.exclude(id, excluded),
    /** Leaves drops out, or takes them in again. @returns those that it was done to */
    leaveOut: async (ids: readonly string[], excluded: boolean): Promise<void> => {
      await exchange(async () => {
        for (const id of ids) await evidence.exclude(id, excluded)
      })
    },
  }
}

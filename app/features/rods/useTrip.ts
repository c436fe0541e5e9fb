import { useManualRefHistory } from '@vueuse/core'
import { computed, ref, shallowRef } from 'vue'
import { useQuery } from '~/compute/useQuery'
import { useBox } from '~/sync/box'
import { useSpots, useTides, useTrips } from '~/sync/documents'
import { useEvidence } from '~/sheet/evidence'
import { useSpread } from '~/sheet/spread'
import type { Stop } from '#core'
import { tripSchema, type StoredDocument, type TripContent } from '#schemas/spot'
import { onceEach, goodsOf } from '../../../shared/goods'
import { ownTideOf } from '../../../shared/tide'
import { dayOf, USUAL_SPECIES } from '../../../shared/day'

/** Kept on this device between saves. */
const DRAFT = 'dunecrest.trip'
const HOUR_MS = 3_600_000

/** Tomorrow, as a trip is tied the night before. */
const tomorrow = (): string =>
  new Date(Date.now() + 24 * HOUR_MS - new Date().getTimezoneOffset() * 60_000).toISOString().slice(0, 10)
const fresh = (): TripContent => ({ date: tomorrow(), stops: [], rods: 3, rules: '' })

/** What of a trip its rods hang on. */
const bearing = ({ rules: _, tied: __, ...rest }: TripContent): string => JSON.stringify(rest)

/** Start of a stop in ms since 1970, by the clock of this device. */
const timeOf = (date: string, hour: number): number => new Date(`${date}T00:00:00`).getTime() + hour * HOUR_MS

/** The trip on the table: its stops, its plan out of the box, kept and saved. */
export function useTrip() {
  const spread = useSpread()
  const box = useBox()
  const evidence = useEvidence()
  const spots = useSpots()
  const trips = useTrips()
  const tides = useTides()
  const content = ref<TripContent>(fresh())
  const saved = shallowRef<StoredDocument<'trip'>>()
  const name = ref('')
  const history = useManualRefHistory(content, {
    clone: value => JSON.parse(JSON.stringify(value)) as TripContent,
    capacity: 100,
  })
  const keep = (): void =>
    localStorage.setItem(
      DRAFT,
      JSON.stringify({ name: name.value, content: content.value, id: saved.value?.id }),
    )

  void begin()
  async function begin(): Promise<void> {
    await Promise.all([
      box.loaded ? undefined : box.load(),
      spots.loaded ? undefined : spots.load(),
      trips.loaded ? undefined : trips.load(),
      tides.loaded ? undefined : tides.load(),
    ])
    const draft = readDraft()
    if (draft) {
      content.value = draft.content
      name.value = draft.name
      saved.value = trips.byId.get(draft.id ?? '')
    } else if (trips.list[0]) open(trips.list[0])
    else if (spots.list.length > 0)
      content.value = {
        ...fresh(),
        stops: [
          { spotId: spots.list[0]!.id, fromH: 7, toH: 11 },
          ...(spots.list[1] ? [{ spotId: spots.list[1].id, fromH: 11, toH: 15 }] : []),
        ],
      }
    history.commit()
    history.clear()
  }

  const temperatureC = computed(() => content.value.temperatureC ?? spread.content.water.temperatureC)
  const tide = computed(() => tides.byId.get(content.value.tideId ?? ''))

  function edit(change: (draft: TripContent) => void): void {
    const draft = JSON.parse(JSON.stringify(content.value)) as TripContent
    change(draft)
    if (bearing(draft) !== bearing(content.value)) delete draft.tied
    content.value = draft
    history.commit()
    keep()
  }
  function open(trip: StoredDocument<'trip'> | undefined): void {
    saved.value = trip
    name.value = trip?.name ?? ''
    content.value = trip ? (JSON.parse(JSON.stringify(trip.content)) as TripContent) : fresh()
    history.commit()
    keep()
  }
  async function save(): Promise<boolean> {
    const called = name.value.trim() || `Trip of ${content.value.date}`
    const done = saved.value
      ? await trips.change(saved.value, called, content.value)
      : await trips.add(called, content.value)
    if (!done) return false
    saved.value = done
    name.value = done.name
    keep()
    return true
  }

  /** Ties the planned rods to the trip and saves it, so that bank mode can begin with them on any device. */
  async function tie(rods: NonNullable<TripContent['tied']>['rods']): Promise<boolean> {
    edit(draft => void (draft.tied = { temperatureC: temperatureC.value, rods }))
    return save()
  }

  const problem = computed(() => {
    const parsed = tripSchema.safeParse(content.value)
    return parsed.success ? undefined : parsed.error.issues[0]?.message
  })
  const goods = computed(() => onceEach(goodsOf(box.items)))
  const stops = computed<Stop[]>(() =>
    content.value.stops.flatMap(({ spotId, fromH, toH }): Stop[] => {
      const spot = spots.byId.get(spotId)
      if (!spot || !(toH > fromH)) return []
      const { depthM, cover, bottom, salinityGKg, species, own, prey, clarity, tide, currentMS } =
        spot.content
      const month = Number(content.value.date.slice(5, 7))
      return [
        {
          name: spot.name,
          from: timeOf(content.value.date, fromH),
          to: timeOf(content.value.date, toH),
          tide,
          currentMS,
          day: dayOf({
            depthM,
            cover,
            bottom,
            salinityGKg,
            temperatureC: temperatureC.value,
            species: species ?? USUAL_SPECIES,
            ...(own ? { own } : {}),
            clarity,
            light: spread.content.fish?.light ?? 'bright',
            month,
            ...(prey ? { prey } : {}),
            ...(spread.content.fish?.way ? { way: spread.content.fish.way } : {}),
          }),
        },
      ]
    }),
  )
  const result = useQuery('trip', () => {
    if (
      !box.loaded ||
      !spots.loaded ||
      !tides.loaded ||
      !evidence.loaded ||
      stops.value.length === 0 ||
      problem.value
    )
      return undefined
    const { alike: _, ...plain } = goods.value
    return {
      stops: stops.value,
      goods: plain,
      rods: content.value.rods,
      ...(tide.value ? { tide: ownTideOf(tide.value) } : {}),
      ...(content.value.windMS === undefined ? {} : { windMS: content.value.windMS }),
      ...(evidence.book ? { book: evidence.book } : {}),
    }
  })
  return {
    ...result,
    content,
    name,
    saved,
    edit,
    open,
    save,
    tie,
    stops,
    goods,
    problem,
    spots,
    trips,
    tides,
    temperatureC,
    box,
    keep,
    steps: computed(() => ({
      undo: () => (history.undo(), keep()),
      redo: () => (history.redo(), keep()),
      canUndo: history.canUndo.value,
      canRedo: history.canRedo.value,
    })),
  }
}

function readDraft():
  { readonly name: string; readonly content: TripContent; readonly id?: string } | undefined {
  try {
    const draft = JSON.parse(localStorage.getItem(DRAFT) ?? 'null') as {
      name: string
      content: TripContent
      id?: string
    } | null
    return draft && tripSchema.safeParse(draft.content).success ? draft : undefined
  } catch {
    return undefined
  }
}

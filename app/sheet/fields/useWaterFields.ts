import { computed } from 'vue'
import {
  BOTTOM_IDS,
  BOTTOMS,
  COVER_IDS,
  COVERS,
  SALINITY_GKG,
  STREAM_RANGE_MS,
  TEMPERATURE_RANGE_C,
} from '#core'
import { choice, choicesOf, number } from '~/ui/fields'
import { useSettings } from '~/ui/settings'
import { WIND_RANGE_MS } from '#schemas/ranges'
import { useSpread } from '../spread'

const SALTS = choicesOf({ fresh: 'fresh', brackish: 'brackish', salt: 'salt' })
const WIND_FROM = choicesOf({ ahead: 'in your face', behind: 'from behind', across: 'across' })
const covers = choicesOf(COVERS, COVER_IDS)
const bottoms = choicesOf(BOTTOMS, BOTTOM_IDS)

/** Anything between the named waters is shown as the nearest of them. */
const nearestSalt = (salinityGKg: number): keyof typeof SALINITY_GKG =>
  SALTS.map(one => one.value).reduce((best, one) =>
    Math.abs(SALINITY_GKG[one] - salinityGKg) < Math.abs(SALINITY_GKG[best] - salinityGKg) ? one : best,
  )

/** The water on the sheet as fields, wherever it is set. */
export function useWaterFields() {
  const spread = useSpread()
  const settings = useSettings()
  const water = computed(() => spread.content.water)
  type Water = typeof water.value
  const set = <K extends keyof Water>(key: K, value: Water[K]): void =>
    spread.edit(draft => void (draft.water[key] = value))
  /** A current set here runs away from the angler until the tank says otherwise; none leaves still water. */
  const setCurrent = (surfaceMS: number): void =>
    spread.edit(draft => {
      if (surfaceMS === 0) delete draft.water.stream
      else draft.water.stream = { surfaceMS, towardRad: draft.water.stream?.towardRad ?? 0 }
    })
  /** Wind set here blows in the angler's face until it is said to come from behind. */
  const setWind = (speedMS: number): void =>
    spread.edit(draft => {
      if (speedMS === 0) delete draft.water.wind
      else draft.water.wind = { speedMS, from: draft.water.wind?.from ?? 'ahead' }
    })
  return {
    cover: computed(() => choice('cover', water.value.cover, covers, to => set('cover', to))),
    bottom: computed(() => choice('bottom', water.value.bottom, bottoms, to => set('bottom', to))),
    current: computed(() =>
      number(
        'current',
        water.value.stream?.surfaceMS ?? 0,
        [settings.units.speed, STREAM_RANGE_MS, 0.1],
        setCurrent,
      ),
    ),
    wind: computed(() => [
      number(
        'wind',
        water.value.wind?.speedMS ?? 0,
        [settings.units.speed, WIND_RANGE_MS, settings.units.speed.to(1)],
        setWind,
      ),
      ...(water.value.wind
        ? [
            choice('wind from', water.value.wind.from, WIND_FROM, from =>
              set('wind', { speedMS: water.value.wind?.speedMS ?? 0, from }),
            ),
          ]
        : []),
    ]),
    salt: computed(() =>
      choice('water', nearestSalt(water.value.salinityGKg), SALTS, to =>
        set('salinityGKg', SALINITY_GKG[to]),
      ),
    ),
    temperature: computed(() =>
      number(
        'temperature',
        water.value.temperatureC,
        [settings.units.temperature, TEMPERATURE_RANGE_C, 1],
        to => set('temperatureC', to),
      ),
    ),
  }
}

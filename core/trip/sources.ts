import { constantsTide, type TideConstant } from './tideConstants'
import { tableTide, type TableTurn } from './tideTable'
import { harmonicTide, type TideSource } from './tide'
import { simulatedWeather, type WeatherSource } from './weather'

/** A tide of the angler's own, as plain data. */
export type OwnTide =
  | { readonly kind: 'table'; readonly name: string; readonly turns: readonly TableTurn[] }
  | {
      readonly kind: 'constants'
      readonly name: string
      readonly meanM: number
      readonly constants: readonly TideConstant[]
    }

/** The stand-in's coast. */
const COAST = 'Dunecrest coast'

/** The tide that a plan is made by: the angler's own, else the stand-in. */
export function tideOf(own?: OwnTide): TideSource {
  if (!own) return harmonicTide(COAST)
  return own.kind === 'table'
    ? tableTide(own.name, own.turns)
    : constantsTide(own.name, own.constants, own.meanM)
}

/** The weather that a plan is made by: a wind as it was typed for the whole day, else the stand-in. */
export function weatherOf(typed?: { readonly windMS: number }): WeatherSource {
  const simulated = simulatedWeather(COAST)
  if (!typed) return simulated
  return {
    name: 'typed',
    simulated: false,
    at: time => ({ ...simulated.at(time), windMS: typed.windMS }),
  }
}

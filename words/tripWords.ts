import { FAMILIES, type ConstituentName, type OnTopPick, type TripChange } from '#core'
import { sitsWords } from './onTopWords'
import { percentText, UNITS, weightText, withUnit, type UnitSystem } from './units'

/** Slower than this a current is not told, m/s. */
const TOLD_MS = 0.05

/** What to do at a time of the trip: the stop, rod, rig and weight, and the water it is for. */
export function changeText(change: TripChange, system: UnitSystem): string {
  const { kind, name, letter, family, weightKg, heavier } = change
  const weight = weightKg > 0 ? ` with ${weightText(weightKg, system)}` : ''
  const rig = `${FAMILIES[family].shortName}${weight}`
  const water = waterText(change, system)
  if (kind === 'stop') return `${name}: rod ${letter}, ${rig} (${water}).`
  if (kind === 'rod') return `Take rod ${letter}: ${rig} (${water}).`
  return `${heavier ? 'Up' : 'Down'} to ${weightText(weightKg, system)} on rod ${letter} (${water}).`
}

function waterText({ currentMS, depthM }: TripChange, system: UnitSystem): string {
  const { depth, speed } = UNITS[system]
  const run =
    Math.abs(currentMS) > TOLD_MS
      ? `${currentMS > 0 ? 'flood' : 'ebb'} ${withUnit(Math.abs(currentMS), speed)}, `
      : ''
  return `${run}${withUnit(depthM, depth)}`
}

export const withoutText = (stop: string): string => `Nothing in the box can be fished at ${stop} then.`

/** What could be fished on the surface at a stop instead. */
export const onTopAtText = (
  stop: string,
  { rig, report, shares }: Pick<OnTopPick, 'rig' | 'report' | 'shares'>,
  baitName: string,
  system: UnitSystem,
): string =>
  `Or on top at ${stop}: ${FAMILIES[rig.family].name} ${rig.hookSize}${rig.weightKg > 0 ? `, ${weightText(rig.weightKg, system)}` : ''}, ${baitName}; ${sitsWords(report)}. ${percentText(shares.rise)} of the fish come up for it (assumed), ${percentText(report.hookUp.value)} of those takes are hooked. Carry it on the rod left free.`

/** What a kept tide is, in a few words. */
export const tideWords = (
  tide:
    | { readonly kind: 'table'; readonly turns: readonly { readonly at: string }[] }
    | { readonly kind: 'constants'; readonly constants: readonly { readonly name: ConstituentName }[] },
): string =>
  tide.kind === 'table'
    ? `${tide.turns.length} high and low waters, ${tide.turns[0]!.at.slice(0, 10)} to ${tide.turns.at(-1)!.at.slice(0, 10)}`
    : tide.constants.map(({ name }) => name).join(', ')

interface Source {
  readonly name: string
  readonly simulated: boolean
}
/** Where the water and the wind of a plan come from: what is simulated says so. */
export function sourceText(tide: Source, wind: Source, tidal: boolean): string {
  const windText = wind.simulated
    ? 'wind by a simulated weather, a stand-in and no forecast'
    : 'wind as typed for the day'
  if (!tidal) return `No stop is tidal; ${windText}.`
  const tideText = tide.simulated
    ? `Depth and current by the simulated tide of the ${tide.name}, a stand-in`
    : `Depth and current by your own tide, ${tide.name}`
  return `${tideText}; ${windText}. Levels from chart datum.`
}
/** A stop that lies outside what a tide table holds. */
export const uncoveredText = (stop: string, tide: string): string =>
  `${tide} does not reach to the hours at ${stop}: the level stands there as at its nearest row.`

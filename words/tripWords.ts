import { FAMILIES, type TripChange } from '#core'
import { UNITS, weightText, withUnit, type UnitSystem } from './units'

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

import { withUnit, type UnitSet } from '#words/units'

/** An instrument as the server tells of it. */
export interface Instrument {
  readonly id: string
  readonly on: boolean
  readonly reading?: Readonly<Record<string, number>>
  readonly good?: number
  readonly malformed?: number
  readonly port?: number
}

/** Rate below which a tide stands, m/h. */
const STANDS_MH = 0.05

/** What an instrument says now, in words. */
export function instrumentWords(
  { reading: r = {}, good, malformed, port }: Instrument,
  { depth, temperature, speed }: UnitSet,
): string {
  const said: string[] = []
  if (r.depthM !== undefined) said.push(`depth ${withUnit(r.depthM, depth)}`)
  if (r.temperatureC !== undefined) said.push(`water ${withUnit(r.temperatureC, temperature)}`)
  if (r.heightM !== undefined) said.push(`${withUnit(r.heightM, depth)} over datum`)
  if (r.riseMS !== undefined) {
    const perHour = 3600 * r.riseMS
    said.push(
      Math.abs(perHour) < STANDS_MH
        ? 'standing'
        : `${perHour > 0 ? 'rising' : 'falling'} ${withUnit(Math.abs(perHour), depth)} an hour`,
    )
  }
  if (r.windMS !== undefined)
    said.push(
      `wind ${withUnit(r.windMS, speed)}${r.windFrom === undefined ? '' : ` from ${Math.round(r.windFrom)}°`}`,
    )
  if (r.airC !== undefined) said.push(`air ${withUnit(r.airC, temperature)}`)
  if (r.massKg !== undefined) said.push(`${(1000 * r.massKg).toFixed(2)} g`)
  if (good !== undefined) said.push(`port ${port}`, `${good} sentences, ${malformed} malformed and skipped`)
  return said.length > 0 ? said.join(', ') : 'ready'
}

import type { Measure, RigReport } from '#core'

/** Axes that all lanes share, so that whiskers can be compared by eye. */
export interface MeasureAxes {
  readonly fall: readonly [number, number]
  readonly minutes: readonly [number, number]
  readonly hookUp: readonly [number, number]
  readonly cast: readonly [number, number]
}

export function axesOf(reports: readonly RigReport[]): MeasureAxes {
  const span = (pick: (report: RigReport) => Measure): readonly [number, number] => [
    Math.min(...reports.map(r => pick(r).low)),
    Math.max(...reports.map(r => pick(r).high)),
  ]
  const some = reports.length > 0
  return {
    fall: some ? span(r => r.fall.timeS) : [1, 10],
    minutes: [0, 60],
    hookUp: [0, 1],
    cast: [0, some ? Math.max(30, span(r => r.cast.stillM ?? r.cast.distanceM)[1]) : 40],
  }
}

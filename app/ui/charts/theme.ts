import {
  BarController,
  BarElement,
  CategoryScale,
  Chart,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  ScatterController,
  Tooltip,
  type ScaleOptionsByType,
} from 'chart.js'
import Annotation from 'chartjs-plugin-annotation'
import { trueMinus } from '#words/units'
import { token } from '~/ui/drawing/identity'

Chart.register(
  Annotation,
  BarController,
  BarElement,
  CategoryScale,
  Filler,
  LinearScale,
  LineController,
  LineElement,
  PointElement,
  ScatterController,
  Tooltip,
)

const FONT = '"Archivo Variable", sans-serif'

/** A colour token, seen through. @param part 0 to 1 */
export const through = (name: string, part: number): string =>
  `color-mix(in srgb, ${token(name)} ${Math.round(100 * part)}%, transparent)`

export interface AxisOf {
  readonly title?: string
  readonly min?: number
  readonly max?: number
  /** values that are written, and how */ readonly marks?: readonly {
    readonly at: number
    readonly text: string
  }[]
  readonly reverse?: boolean
  /** width kept for what is written beside it, px */ readonly widthPx?: number
  readonly grid?: boolean
  readonly stacked?: boolean
}

/** An axis in the sheet's own form. */
export function axis({ title, min, max, marks, reverse, widthPx, grid = true, stacked }: AxisOf) {
  const texts = new Map(marks?.map(m => [m.at, m.text]))
  return {
    type: 'linear' as const,
    ...(min === undefined ? {} : { min }),
    ...(max === undefined ? {} : { max }),
    ...(reverse ? { reverse } : {}),
    ...(stacked ? { stacked } : {}),
    border: { color: token('hair-strong') },
    grid: { display: grid, color: token('hair'), tickColor: token('hair-strong') },
    title: {
      display: title !== undefined,
      text: title ?? '',
      align: 'end' as const,
      color: token('ink-soft'),
      font: { family: FONT, size: 12 },
      padding: 0,
    },
    ticks: {
      color: token('ink-soft'),
      font: { family: FONT, size: 12 },
      maxRotation: 0,
      ...(marks ? { callback: (value: string | number) => trueMinus(texts.get(Number(value)) ?? '') } : {}),
    },
    ...(marks
      ? {
          afterBuildTicks: (scale: { ticks: { value: number }[] }) => {
            scale.ticks = marks.map(m => ({ value: m.at }))
          },
        }
      : {}),
    ...(widthPx === undefined
      ? {}
      : {
          afterFit: (scale: { width: number }) => {
            scale.width = widthPx
          },
        }),
  } satisfies Partial<Record<keyof ScaleOptionsByType<'linear'>, unknown>>
}

/** What all charts share: no motion of their own, no legend (the sheet has its letters), tooltips in its ink. */
export function common() {
  return {
    responsive: true,
    maintainAspectRatio: false,
    animation: false as const,
    normalized: true,
    font: { family: FONT },
  }
}

export function tooltip() {
  return {
    backgroundColor: token('ink'),
    titleColor: token('paper'),
    bodyColor: token('paper'),
    titleFont: { family: FONT, size: 13 },
    bodyFont: { family: FONT, size: 13 },
    cornerRadius: 2,
    displayColors: false,
    animation: false as const,
  }
}

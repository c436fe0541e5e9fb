import type { ChartOptions } from 'chart.js'
import type { AnnotationOptions } from 'chartjs-plugin-annotation'
import type { TripAnswer } from '~/compute/trip'
import { LETTERS } from '#schemas/ranges'
import { axis, common, through, tooltip } from '~/ui/charts/theme'
import { laneColour, token } from '~/ui/drawing/identity'
import { clockText } from './clock'
import { STEP_MS, type Run } from './runs'
import type { Sky } from './sky'

/** A stop of the day, with its bottom below chart datum, m. */
export interface DayStop {
  readonly name: string
  readonly from: number
  readonly to: number
  readonly day: { readonly depthM: number }
}
/** Everything that the day shows, and how it is written. */
export interface DayOf {
  readonly plan: Pick<TripAnswer, 'moments' | 'turns' | 'quiet'>
  readonly stops: readonly DayStop[]
  readonly runs: readonly Run[]
  readonly sky: Sky | undefined
  readonly depth: (m: number) => number
  readonly speed: (mS: number) => number
  readonly depthLabel: string
  readonly speedLabel: string
  readonly weight: (kg: number) => string
}

const HOUR_MS = 3_600_000
/** Hours that are written, at most. */
const MOST_HOURS = 13

type At = { readonly x: number; readonly y: number | null }
const GAP = (x: number): At => ({ x, y: null })

/** The level of the water and its bottom against chart datum, and the stream, by stop, a gap between stops. */
export function dayCurves({ plan, stops, depth, speed }: DayOf) {
  const level: At[] = []
  const bottom: At[] = []
  const stream: At[] = []
  stops.forEach((stop, i) => {
    const of = plan.moments.filter(m => m.stop === i)
    const last = of.at(-1)
    if (!last) return
    for (const m of [...of, { ...last, at: stop.to }]) {
      level.push({ x: m.at, y: depth(m.depthM - stop.day.depthM) })
      bottom.push({ x: m.at, y: -depth(stop.day.depthM) })
      stream.push({ x: m.at, y: speed(m.currentMS) })
    }
    for (const list of [level, bottom, stream]) list.push(GAP(stop.to))
  })
  return { level, bottom, stream }
}

const line = (
  label: string,
  data: readonly At[],
  yAxisID: string,
  look: { readonly colour: string; readonly fill: string; readonly to: 'start' | 'origin' | number },
) => ({
  label,
  data: [...data] as { x: number; y: number }[],
  yAxisID,
  borderColor: look.colour,
  backgroundColor: look.fill,
  fill: typeof look.to === 'number' ? { value: look.to } : look.to,
  borderWidth: 1.5,
  pointRadius: 0,
  cubicInterpolationMode: 'monotone' as const,
})

/** What is drawn: bottom before water, so that it stands in front. */
export function dayData(day: DayOf) {
  const { level, bottom, stream } = dayCurves(day)
  return {
    datasets: [
      line('bottom', bottom, 'y', { colour: token('ink'), fill: token('bed'), to: 'start' }),
      line('level', level, 'y', { colour: token('water-deep'), fill: token('water-top'), to: 'start' }),
      line('stream', stream, 'flow', {
        colour: token('water-deep'),
        fill: token('water-deep'),
        to: 'origin',
      }),
    ],
  }
}

const text = (content: string, colour: string, more: object = {}) => ({
  display: true,
  content,
  color: colour,
  font: { size: 12, weight: 600 },
  padding: 2,
  ...more,
})

/** Dusk and night, quiet hours, stops and rods in hand as bands. */
function bandsOf({ plan, stops, runs, sky, weight }: DayOf, [low, high]: readonly [number, number]) {
  const marks: AnnotationOptions[] = []
  const ink = token('ink')
  for (const d of sky?.darks ?? [])
    marks.push({
      type: 'box',
      xMin: d.from,
      xMax: d.to,
      backgroundColor: through('ink', d.kind === 'night' ? 0.28 : 0.12),
      borderWidth: 0,
      drawTime: 'afterDatasetsDraw',
    })
  for (const q of plan.quiet)
    marks.push({
      type: 'box',
      yScaleID: 'y',
      xMin: q.from,
      xMax: q.to,
      yMin: low,
      yMax: high,
      backgroundColor: through('growth', 0.3),
      borderWidth: 0,
      label: text('land quietly', ink, { position: { x: 'start', y: 'start' } }),
    })
  for (const s of stops)
    marks.push({
      type: 'box',
      yScaleID: 'stops',
      xMin: s.from,
      xMax: s.to,
      yMin: 0,
      yMax: 1,
      backgroundColor: ink,
      borderColor: token('paper'),
      borderWidth: 1,
      label: text(s.name, token('paper'), { position: { x: 'start', y: 'center' } }),
    })
  for (const r of runs)
    marks.push({
      type: 'box',
      yScaleID: 'hand',
      xMin: r.from,
      xMax: r.to,
      yMin: 0,
      yMax: 1,
      backgroundColor: laneColour(LETTERS[r.rod]!),
      borderColor: token('paper'),
      borderWidth: 1,
      label: text(`${LETTERS[r.rod]}  ${weight(r.weightKg)}`, token('paper'), {
        position: { x: 'start', y: 'center' },
        font: { size: 13, weight: 700 },
        display: r.to - r.from >= 2 * STEP_MS,
      }),
    })
  return marks
}

/** High and low water, sunrise and sunset as upright lines. */
function momentsOf({ plan, sky }: DayOf): AnnotationOptions[] {
  const ink = token('ink')
  const upright = (at: number, content: string, position: 'start' | 'end'): AnnotationOptions => ({
    type: 'line',
    yScaleID: 'y',
    xMin: at,
    xMax: at,
    borderColor: ink,
    borderWidth: 1,
    borderDash: [3, 3],
    label: text(content, ink, {
      position,
      yAdjust: position === 'end' ? 12 : -8,
      backgroundColor: through('paper', 0.8),
      font: { size: 12 },
    }),
  })
  return [
    ...plan.turns.map(t => upright(t.at, `${t.high ? 'high' : 'low'} ${clockText(t.at)}`, 'end')),
    ...(sky?.rises ?? []).map(at => upright(at, `sunrise ${clockText(at)}`, 'start')),
    ...(sky?.sets ?? []).map(at => upright(at, `sunset ${clockText(at)}`, 'start')),
  ]
}

/** Room above the water and under the deepest bottom, parts of what is between them. */
const ABOVE = 0.12
const UNDER = 0.08

/** Scales one under another: stops, water, stream, rods in hand. */
export function dayOptions(day: DayOf): ChartOptions<'line'> {
  const { level, bottom, stream } = dayCurves(day)
  const ys = (list: readonly At[]): number[] => list.flatMap(p => (p.y === null ? [] : [p.y]))
  const [deepest, highest] = [Math.min(...ys(bottom)), Math.max(0, ...ys(level))]
  const span = Math.max(1, highest - deepest)
  const range = [deepest - UNDER * span, highest + ABOVE * span] as const
  const most = Math.max(day.speed(0.2), ...ys(stream).map(Math.abs))
  const from = Math.min(...day.stops.map(s => s.from))
  const to = Math.max(...day.stops.map(s => s.to))
  const every = HOUR_MS * Math.max(1, Math.ceil((to - from) / HOUR_MS / MOST_HOURS))
  const hours: number[] = []
  for (let at = Math.ceil(from / HOUR_MS) * HOUR_MS; at <= to; at += every) hours.push(at)
  const stacked = (weight: number) => ({ stack: 'day', stackWeight: weight, offset: false })
  const bare = {
    ...axis({ min: 0, max: 1, grid: false, widthPx: LEFT_PX, marks: [] }),
    border: { display: false },
  }
  return {
    ...common(),
    parsing: false,
    interaction: { mode: 'index', intersect: false },
    plugins: {
      tooltip: {
        ...tooltip(),
        filter: item => item.dataset.label !== 'bottom',
        callbacks: {
          title: ([item]) => clockText(item?.parsed.x ?? 0),
          label: ({ dataset, parsed }) =>
            dataset.label === 'stream'
              ? `${(parsed.y ?? 0) < 0 ? 'ebb' : 'flood'} ${Math.abs(parsed.y ?? 0).toFixed(2)} ${day.speedLabel}`
              : `${depthAt(day, parsed.x ?? 0).toFixed(1)} ${day.depthLabel} of water`,
        },
      },
      annotation: { clip: false, annotations: [...bandsOf(day, range), ...momentsOf(day)] },
    },
    scales: {
      x: axis({ min: from, max: to, grid: false, marks: hours.map(at => ({ at, text: clockText(at) })) }),
      hand: { ...bare, ...stacked(1), position: 'left' },
      flow: {
        ...axis({
          min: -most,
          max: most,
          grid: false,
          widthPx: LEFT_PX,
          marks: [
            { at: most, text: `flood ${most.toFixed(1)}` },
            { at: 0, text: day.speedLabel },
            { at: -most, text: `ebb ${most.toFixed(1)}` },
          ],
        }),
        ...stacked(1.5),
        position: 'left',
      },
      y: {
        ...axis({ min: range[0], max: range[1], widthPx: LEFT_PX, marks: levels(range, day.depthLabel) }),
        ...stacked(4.4),
        position: 'left',
      },
      stops: { ...bare, ...stacked(0.7), position: 'left' },
    } as NonNullable<ChartOptions<'line'>['scales']>,
  }
}
const LEFT_PX = 66

/** Levels that are written: round ones, the unit beside datum. */
function levels([low, high]: readonly [number, number], unit: string): { at: number; text: string }[] {
  const step = [0.5, 1, 2, 5, 10, 20, 50].find(s => (high - low) / s <= MOST_LEVELS) ?? 100
  const first = Math.ceil(low / step)
  return Array.from({ length: Math.floor(high / step) - first + 1 }, (_, i) => {
    const at = (first + i) * step
    return { at, text: at === 0 ? `0 ${unit}` : String(at) }
  })
}
const MOST_LEVELS = 6

/** Water over the bottom at a moment, in the unit shown. */
function depthAt({ plan, depth }: DayOf, at: number): number {
  const before = plan.moments.filter(m => m.at <= at).at(-1) ?? plan.moments[0]
  return before ? depth(before.depthM) : 0
}

/** Every half hour as a row of the table behind. */
export const dayRows = ({ plan, stops, runs, depth, speed, weight }: DayOf): (string | number)[][] =>
  plan.moments.map(m => {
    const run = runs.find(r => r.from <= m.at && m.at < r.to)
    return [
      clockText(m.at),
      stops[m.stop]?.name ?? '',
      Number(depth(m.depthM).toFixed(1)),
      Number(speed(m.currentMS).toFixed(2)),
      run ? `${LETTERS[run.rod]} ${weight(run.weightKg)}` : '–',
    ]
  })

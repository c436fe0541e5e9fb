import {
  assembleRig,
  conditionsFor,
  dayAt,
  drawRig,
  evidenceOf,
  fallAtCentre,
  planTrip,
  prepareRig,
  secondsTo,
  sizeOf,
  tideOf,
  toLookThrough,
  weatherOf,
  type Basis,
  type Candidate,
  type EvidenceBook,
  type Goods,
  type OwnTide,
  type RigDrawing,
  type Stop,
  type TideSource,
  type TripPlan,
  type WeatherSource,
} from '#core'
import type { Progress } from './progress'
import { memory } from './searchMemory'
import { lookThrough } from './share'

/** A trip to plan out of a box. */
export interface TripJob {
  readonly stops: readonly Stop[]
  readonly goods: Goods
  readonly rods: number
  /** tide and wind of the angler's own; the stand-ins where left out */ readonly tide?: OwnTide
  readonly windMS?: number
  readonly book?: EvidenceBook
}

/** Seconds to each depth for one rod and weight. */
interface Countdown {
  readonly rod: number
  readonly weightKg: number
  readonly seconds: readonly number[]
  readonly bottomS: number
  readonly basis: Basis
  readonly depthM: number
}

export interface TripAnswer extends Omit<TripPlan, 'riggings'> {
  readonly drawings: readonly RigDrawing[]
  /** depths of the countdown card, m */ readonly depths: readonly number[]
  readonly countdowns: readonly Countdown[]
  readonly items: readonly {
    readonly baitId: string
    readonly hookId: string
    readonly weightIds: readonly string[]
    readonly lineId?: string
  }[]
  readonly tide: Pick<TideSource, 'name' | 'simulated'>
  readonly wind: Pick<WeatherSource, 'name' | 'simulated'>
  /** stops that the tide does not reach to, by name */ readonly uncovered: readonly string[]
}

/** Tidal stops before a table's first row or after its last. */
const uncoveredBy = ({ coversMs }: TideSource, stops: readonly Stop[]): string[] =>
  stops
    .filter(({ tide, from, to }) => tide > 0 && coversMs && (from < coversMs[0] || to > coversMs[1]))
    .map(({ name }) => name)

const SLICE_MS = 60
/** Part of the work that is looking through. */
const LOOKING = 0.6
/** Rows of the countdown card at most. */
const ROWS = 9

/** Plans a trip. @returns undefined when it was called off */
export async function planOut(
  { stops, goods, rods, book, ...own }: TripJob,
  progress: Progress,
): Promise<TripAnswer | undefined> {
  const tide = tideOf(own.tide)
  const weather = weatherOf(own.windMS === undefined ? undefined : { windMS: own.windMS })
  const { tell, pause } = progress
  const { days, riggings: ways } = toLookThrough(stops, goods, tide, weather)
  const field = { goods, riggings: ways }
  const total = Math.max(1, sizeOf(field))
  const looked: (readonly Candidate[])[] = []
  for (const day of days) {
    const found = await lookThrough(day, field, progress, n =>
      tell((LOOKING * (looked.length + n / total)) / days.length),
    )
    if (!found) return undefined
    looked.push(found)
  }
  const search = planTrip(stops, goods, tide, weather, {
    rods,
    memory: memory(),
    looked,
    ...(book ? { book } : {}),
  })
  let step = search.next()
  for (let last = performance.now(); !step.done; step = search.next()) {
    if (performance.now() - last < SLICE_MS) continue
    tell(LOOKING + (0.9 - LOOKING) * step.value.part)
    if (!(await pause())) return undefined
    last = performance.now()
  }
  const { riggings, ...plan } = step.value
  const deepest = Math.max(0.5, ...plan.moments.map(m => m.depthM))
  const each = [0.25, 0.5, 1, 2, 5].find(s => deepest / s <= ROWS) ?? 10
  const depths = Array.from({ length: Math.floor(deepest / each) }, (_, i) => (i + 1) * each)
  const countdowns: Countdown[] = []
  for (const [rod, { finalist, weightsKg, stop }] of plan.rods.entries()) {
    const moment = plan.moments.filter(m => m.stop === stop).reduce((a, b) => (b.depthM > a.depthM ? b : a))
    const day = { ...dayAt(stops[stop]!, moment) }
    for (const weightKg of weightsKg) {
      const { stream: _, ...still } = conditionsFor(day, finalist.outfit, finalist.match)
      const bait = goods.baits[finalist.bait]!.spec
      const rig = { ...finalist.rig, weightKg }
      const evidence = book && evidenceOf(book, bait, rig, day.cover, day.bottom)
      // a countdown takes the fall alone, as every view has it
      const { bodies, fall } = prepareRig(bait, rig, evidence ? { ...still, evidence } : still)
      const done = fallAtCentre(bodies, fall)
      if (!(await pause())) return undefined
      if (done.ok)
        countdowns.push({
          rod,
          weightKg,
          depthM: moment.depthM,
          bottomS: done.value.downS,
          basis: fall.evidence ? 'measured' : 'computed',
          seconds: depths.map(d => (d <= moment.depthM ? secondsTo(done.value.drop, d) : NaN)),
        })
    }
  }
  return {
    ...plan,
    depths,
    countdowns,
    tide: { name: tide.name, simulated: tide.simulated },
    wind: { name: weather.name, simulated: weather.simulated },
    uncovered: uncoveredBy(tide, stops),
    drawings: plan.rods.map(({ finalist: f }) => drawRig(assembleRig(goods.baits[f.bait]!.spec, f.rig))),
    items: plan.rods.map(({ finalist: f, weightsKg }) => {
      const way = riggings[f.rigging]!
      return {
        baitId: goods.baits[f.bait]!.id,
        hookId: way.hookId,
        weightIds: way.weights
          .filter(w => w.itemId !== undefined && weightsKg.includes(w.weightKg))
          .map(w => w.itemId!),
        ...(f.lineId === undefined ? {} : { lineId: f.lineId }),
      }
    }),
  }
}

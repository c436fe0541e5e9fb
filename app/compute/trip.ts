import {
  assembleRig,
  conditionsFor,
  dayAt,
  drawRig,
  evaluateRig,
  evidenceOf,
  harmonicTide,
  planTrip,
  searchMemory,
  secondsTo,
  simulatedWeather,
  type Basis,
  type EvidenceBook,
  type Goods,
  type RigDrawing,
  type Stop,
  type TripPlan,
} from '#core'
import type { Progress } from './progress'

/** A trip to plan out of a box. */
export interface TripJob {
  readonly stops: readonly Stop[]
  readonly goods: Goods
  readonly rods: number
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
  readonly tideName: string
  readonly weatherName: string
}

const memory = searchMemory()
const SLICE_MS = 60
/** Rows of the countdown card at most. */
const ROWS = 9

/** Plans a trip with the simulated tide and weather. @returns undefined when it was called off */
export async function planOut(
  { stops, goods, rods, book }: TripJob,
  { tell, pause }: Progress,
): Promise<TripAnswer | undefined> {
  const tide = harmonicTide('Dunecrest coast, simulated')
  const weather = simulatedWeather('Dunecrest coast, simulated')
  const search = planTrip(stops, goods, tide, weather, { rods, memory, ...(book ? { book } : {}) })
  let step = search.next()
  for (let last = performance.now(); !step.done; step = search.next()) {
    if (performance.now() - last < SLICE_MS) continue
    tell(step.value.part * 0.9)
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
      const done = evaluateRig(bait, rig, evidence ? { ...still, evidence } : still)
      if (!(await pause())) return undefined
      if (done.ok)
        countdowns.push({
          rod,
          weightKg,
          depthM: moment.depthM,
          bottomS: done.value.fall.timeS.value,
          basis: done.value.fall.timeS.basis,
          seconds: depths.map(d => (d <= moment.depthM ? secondsTo(done.value.fall.drop, d) : NaN)),
        })
    }
  }
  return {
    ...plan,
    depths,
    countdowns,
    tideName: tide.name,
    weatherName: weather.name,
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

import {
  assembleRig,
  conditionsFor,
  dayAt,
  drawRig,
  evidenceOf,
  fallAtCentre,
  layOutTrip,
  planOf,
  prepareRig,
  secondsTo,
  sizeOf,
  tideOf,
  toLookThrough,
  weatherOf,
  type Candidate,
  type EvidenceBook,
  type Finalist,
  type Goods,
  type OnTopPick,
  type OwnTide,
  type RigDrawing,
  type Stop,
  type TideSource,
  type TripLayout,
  type TripPlan,
  type WeatherSource,
} from '#core'
import type { CountJob, Counted, FinishJob, Progress } from './progress'
import { finishPart, lookThrough, onTopPart, shareOut, watching } from './share'

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
interface Countdown extends Counted {
  readonly rod: number
  readonly weightKg: number
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

/** Seconds to each depth: a countdown takes the fall alone, as every view has it. Empty where it never comes down. */
export function countPart({ bait, rig, day, outfit, match, depths, book }: CountJob): Counted[] {
  const { stream: _, ...still } = conditionsFor(day, outfit, match)
  const evidence = book && evidenceOf(book, bait, rig, day.cover, day.bottom)
  const { bodies, fall } = prepareRig(bait, rig, evidence ? { ...still, evidence } : still)
  const done = fallAtCentre(bodies, fall)
  if (!done.ok) return []
  return [
    {
      bottomS: done.value.downS,
      basis: fall.evidence ? 'measured' : 'computed',
      seconds: depths.map(d => (d <= day.depthM ? secondsTo(done.value.drop, d) : NaN)),
    },
  ]
}

/** Tidal stops before a table's first row or after its last. */
const uncoveredBy = ({ coversMs }: TideSource, stops: readonly Stop[]): string[] =>
  stops
    .filter(({ tide, from, to }) => tide > 0 && coversMs && (from < coversMs[0] || to > coversMs[1]))
    .map(({ name }) => name)

/** Parts of the work after looking through, and before counting down. */
const LOOKING = 0.6
const COUNTING = 0.95
/** Rows of the countdown card at most. */
const ROWS = 9

/** Plans a trip. @returns undefined when it was called off */
export async function planOut(
  { stops, goods, rods, book, ...own }: TripJob,
  progress: Progress,
): Promise<TripAnswer | undefined> {
  const tide = tideOf(own.tide)
  const weather = weatherOf(own.windMS === undefined ? undefined : { windMS: own.windMS })
  const { tell } = progress
  const { days, riggings } = toLookThrough(stops, goods, tide, weather)
  const field = { goods, riggings }
  const total = Math.max(1, sizeOf(field))
  const looked: (readonly Candidate[])[] = []
  for (const day of days) {
    const found = await lookThrough(day, field, progress, n =>
      tell((LOOKING * (looked.length + n / total)) / days.length),
    )
    if (!found) return undefined
    looked.push(found)
  }
  const layout = layOutTrip(stops, goods, tide, weather, rods, looked)
  const found = await inFull(layout, { field, ...(book ? { book } : {}) }, progress)
  if (!found) return undefined
  const { riggings: _, ...plan } = planOf(stops, goods, tide, layout, found.finalists, found.onTop)
  const depths = depthsOf(plan.moments)
  const countdowns = await countDown(plan, stops, { goods, depths, ...(book ? { book } : {}) }, progress)
  if (!countdowns) return undefined
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

/** What rods carry, and what floats at each stop: one by one in full, shared with the second worker. */
async function inFull(
  { tied, days }: TripLayout,
  given: Pick<FinishJob, 'field' | 'book'>,
  progress: Progress,
): Promise<Pick<Parts, 'finalists' | 'onTop'> | undefined> {
  const { watched, signal } = watching(progress)
  const quietly: Progress = { ...watched, tell: () => undefined }
  let done = 0
  const found = await shareOut<Partial<Parts>>(
    tied.length + days.length,
    watched,
    async (nth, mine) => {
      if (nth >= tied.length) {
        const job = { ...given, day: days[nth - tied.length]! }
        return { onTop: await (mine ? onTopPart(job) : progress.helper!.onTopPart(job, signal)) }
      }
      const { day, candidate } = tied[nth]!
      const job = { ...given, day, ones: [candidate] }
      const finalists = await (mine ? finishPart(job, quietly) : progress.helper!.finishPart(job, signal))
      return finalists && { finalists }
    },
    () => progress.tell(LOOKING + ((COUNTING - LOOKING) * ++done) / (tied.length + days.length)),
  )
  return (
    found && {
      finalists: found.flatMap(({ finalists = [] }) => finalists),
      onTop: found.flatMap(({ onTop = [] }) => onTop),
    }
  )
}

interface Parts {
  readonly finalists: readonly (Finalist | undefined)[]
  readonly onTop: readonly (OnTopPick | undefined)[]
}

/** Depths of the countdown card, m. */
function depthsOf(moments: TripPlan['moments']): number[] {
  const deepest = Math.max(0.5, ...moments.map(m => m.depthM))
  const apart = [0.25, 0.5, 1, 2, 5].find(s => deepest / s <= ROWS) ?? 10
  return Array.from({ length: Math.floor(deepest / apart) }, (_, i) => (i + 1) * apart)
}

/** Every rod with each of its weights, counted down in the deepest water of its stop. */
async function countDown(
  { rods, moments }: Pick<TripPlan, 'rods' | 'moments'>,
  stops: readonly Stop[],
  { goods, ...given }: Pick<CountJob, 'depths' | 'book'> & { readonly goods: Goods },
  progress: Progress,
): Promise<Countdown[] | undefined> {
  const { watched, signal } = watching(progress)
  const counts = rods.flatMap(({ finalist, weightsKg, stop }, rod) => {
    const moment = moments.filter(m => m.stop === stop).reduce((a, b) => (b.depthM > a.depthM ? b : a))
    const { outfit, match, bait, rig } = finalist
    const spec = goods.baits[bait]!.spec
    const job = { ...given, bait: spec, day: dayAt(stops[stop]!, moment), outfit, match }
    return weightsKg.map(weightKg => ({ rod, job: { ...job, rig: { ...rig, weightKg } } }))
  })
  const counted = await shareOut<readonly Counted[]>(
    counts.length,
    watched,
    async (nth, mine) =>
      mine ? countPart(counts[nth]!.job) : progress.helper!.countPart(counts[nth]!.job, signal),
    () => undefined,
  )
  return counted?.flatMap((found, nth) => {
    const { rod, job } = counts[nth]!
    return found.map(one => ({ ...one, rod, weightKg: job.rig.weightKg, depthM: job.day.depthM }))
  })
}

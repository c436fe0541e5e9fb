import { spreadMeasure, success, type Basis, type Measure, type Outcome } from '../outcome'
import { mean, standardDeviation, Z90 } from '../numerics/statistics'
import type { Line } from '../tackle/lines'
import type { Stream } from '../water/stream'
import type { LineHold } from './lineHold'
import { ballSinksM, type Bed } from '../water/bed'
import type { FallEvidence } from './measured'
import { restOf, type Rest } from './rest'
import type { TetheredWeight } from './tether'
import { dropTethered, type TetheredDrop } from './dropTethered'
import { dropRig, SAMPLE_STRIDE, USUAL_START, type Drop, type DropFailure, type DropOptions, type Start } from './drop'
import { DEFAULT_FACTORS, FALL_FACTORS, type FallFactors } from './factors'
import { COMPACT_STRIDE, type HydroBody } from './hydroBody'
import { STANDARD_GRAVITY } from './loads'
import { summarize, type FallSummary } from './summary'
import { trimFall, type Trim } from './trim'

/** Fall rate, posture and glide of one rig, each with its range. Angles in radians, times in seconds. */
export interface FallResult {
  readonly drop: Drop | TetheredDrop
  /** splash to bottom, s */ readonly timeS: Measure
  readonly meanSpeedMS: Measure
  readonly pitchRad: Measure
  /** roll away from back-up, 0..pi */ readonly rollRad: Measure
  /** sideways metres per metre fallen */ readonly glide: Measure
  readonly turnsPerM: number
  /** scatter of the landing place over a set of starts, m per m fallen: how little a fall can be repeated */ readonly scatter: number
  /** how it comes to lie on the bottom */ readonly rest: Rest
  readonly summary: FallSummary
  /** the input whose doubt moves the fall time most */ readonly mainDoubt: DoubtId
  /** true where the lightest plastic of the range would float: its time has no upper end then, and the range is of those that sink */ readonly mayFloat: boolean
  /** inputs of which an end could not be worked out, and is not in the range */ readonly unresolved: readonly DoubtId[]
  /** how far the bait's free end would bend in this fall, over its length, where that matters: the fall is reckoned as that of a rod */ readonly bends?: number
}

export type DoubtId = keyof FallFactors | 'density' | 'hookPlace' | 'start' | 'bending'

/** Bodies of the same rig: as meant, with the plastic at its least and greatest density, and with the hook laid a little forward and back. */
export interface FallBodies {
  readonly typical: HydroBody
  readonly light?: HydroBody
  readonly dense?: HydroBody
  readonly forward?: HydroBody
  readonly back?: HydroBody
  /** a weight that hangs on its own */ readonly weight?: TetheredWeight
  /** bending of the bait's free end over its length, for each (m/s)² of water across it; taken as rigid when left out */ readonly limp?: number
}

export interface FallConditions {
  readonly depthM: number
  readonly line?: Line
  readonly factors?: FallFactors
  /** measured: the ranges of drag and eta shrink to what the drops leave of them */ readonly evidence?: FallEvidence
  readonly stream?: Stream
  readonly hold?: LineHold
  /** a soft bottom; hard when left out */ readonly bed?: Bed
}

/** Splash to bottom: of the bait, or of its weight where the bait hangs above it, s. */
const downAfter = (drop: Drop | TetheredDrop): number => 'ending' in drop && drop.ending === 'hovers' ? drop.weightTimeS : drop.timeS

/** Drops one body, or bait and weight where there are two. */
export function dropAny(body: HydroBody, weight: TetheredWeight | undefined, options: DropOptions & { readonly untilWeight?: boolean }): Outcome<Drop | TetheredDrop, DropFailure> {
  return weight ? dropTethered(body, weight, options) : dropRig(body, options)
}

/**
 * Drops a rig and puts a range on what it does. The range comes from moving each uncertain input to both ends of its
 * own range, one at a time, through the trim solver (where there is no steady fall, through a coarse drop), and adding
 * the one-sided changes in quadrature.
 */
export function evaluateFall(bodies: FallBodies, conditions: FallConditions): Outcome<FallResult, DropFailure> {
  const factors = conditions.factors ?? DEFAULT_FACTORS
  const { weight } = bodies
  const dropped = dropAny(bodies.typical, weight, { ...conditions, factors })
  if (!dropped.ok) return dropped
  const held = conditions.hold !== undefined && conditions.hold.mode !== 'slack'
  // a rig held in a stream has the water go by: what it glides is then over the ground
  const summary = summarize(dropped.value, held ? undefined : conditions.stream)
  const downS = downAfter(dropped.value)
  const base = steady(bodies.typical, weight, conditions, factors, (weight && Number.isFinite(weight.tetherM)) || held ? 'unsteady' : 'anywhere')
  const doubts = base ? vary(bodies, conditions, factors, base) : []
  const reach = { time: [0, 0], pitch: [0, 0], roll: [0, 0], glide: [0, 0] } satisfies Record<string, [number, number]>
  let mainDoubt: DoubtId = 'crossDrag'
  let most = -1
  let mayFloat = false
  const unresolved = new Set<DoubtId>(base ? [] : Object.keys(FALL_FACTORS) as DoubtId[])
  if (!base) for (const side of [-1, 1]) widen(reach.time, side * UNTRIED * downS)
  for (const { id, at } of doubts) {
    if (!at) {
      if (id === 'density') mayFloat = true
      else unresolved.add(id)
      continue
    }
    // a bait's own drops hold its density too: that doubt shrinks with the drag's
    const time = downS * (base!.sinkMS / at.sinkMS - 1) * (id === 'density' ? conditions.evidence?.dragLeft ?? 1 : 1)
    widen(reach.time, time)
    widen(reach.pitch, at.pitchRad - base!.pitchRad)
    widen(reach.roll, Math.abs(at.rollRad) - Math.abs(base!.rollRad))
    widen(reach.glide, at.glide - base!.glide)
    if (Math.abs(time) > most) {
      most = Math.abs(time)
      mainDoubt = id
    }
  }
  const repeats = repeatsOf(bodies.typical, conditions, factors, weight)
  const byStart = Z90 * startSdS(repeats, conditions.depthM)
  widen(reach.time, -Math.min(byStart, downS * START_MOST))
  widen(reach.time, byStart)
  if (byStart > most) mainDoubt = 'start'
  const bends = bendingOf(bodies.limp, summary)
  if (bends !== undefined) {
    const off = Math.min(BENDING.most, BENDING.perBend * (bends - BENDING.from)) * downS * (conditions.evidence?.dragLeft ?? 1)
    for (const side of [-1, 1]) {
      widen(reach.time, side * off)
      widen(reach.pitch, side * Math.min(1, bends - BENDING.from) * BENDING.pitchRad)
      widen(reach.glide, side * Math.min(1, bends - BENDING.from) * BENDING.glide)
    }
    if (off > Math.max(most, byStart)) mainDoubt = 'bending'
  }
  const basis: Basis = conditions.evidence ? 'measured' : 'computed'
  const timeS = { ...ranged(downS, reach.time, downS * 0.3, Infinity), basis }
  const meanSpeedMS = downS === summary.timeS ? summary.meanSpeedMS : conditions.depthM / downS
  const path = meanSpeedMS * downS
  return success({
    drop: dropped.value,
    summary,
    timeS,
    meanSpeedMS: { value: meanSpeedMS, low: path / timeS.high, high: path / timeS.low, basis },
    pitchRad: ranged(summary.pitchRad, reach.pitch, -Math.PI / 2, Math.PI / 2),
    rollRad: ranged(summary.rollRad, reach.roll, 0, Math.PI),
    glide: ranged(summary.glide, reach.glide, 0, Infinity),
    turnsPerM: summary.turnsPerM,
    scatter: repeats.scatter,
    rest: restAfter(bodies, dropped.value, conditions.bed),
    mainDoubt: mayFloat ? 'density' : mainDoubt,
    mayFloat,
    unresolved: [...unresolved],
    ...(bends === undefined ? {} : { bends }),
  })
}

/** Rest from the last state of a drop. A weight on a short joint holds the bait's nose; on a longer tether the bait lies by itself. */
function restAfter({ typical, weight }: FallBodies, drop: Drop | TetheredDrop, bed: Bed | undefined): Rest {
  const s = drop.samples.subarray(drop.samples.length - SAMPLE_STRIDE)
  const from = [s[4]!, s[5]!, s[6]!, s[7]!] as const
  const hinged = weight !== undefined && weight.tetherM < JOINT_M
  return restOf(typical, {
    from,
    hangs: 'ending' in drop && drop.ending === 'hovers' && !hinged,
    ...(bed ? { bed } : {}),
    ...(hinged ? { hingeM: weight.diameterM / 2 + weight.tetherM - (bed ? ballSinksM(bed, (weight.massKg - weight.displacedKg) * STANDARD_GRAVITY, weight.diameterM) : 0) } : {}),
  })
}

/** A tether up to this length is a joint, m. */
const JOINT_M = 0.03

function ranged(value: number, [down, up]: readonly [number, number], least: number, most: number): Measure {
  const m = spreadMeasure(value, Math.sqrt(down), Math.sqrt(up))
  return { ...m, low: Math.max(Math.min(value, least), m.low), high: Math.min(Math.max(value, most), m.high) }
}

/** No start makes a fall faster by more than this part of its time. *Assumed.* */
const START_MOST = 0.5

/**
 * What a bait that bends may fall otherwise than a rod: where its free end would be bent by more than `from` of its length, so much of its time for
 * each length beyond, at most so much; and so much of pitch and glide where it is bent by all of its length. *Assumed*, until it is reckoned.
 */
const BENDING = { from: 0.6, perBend: 0.1, most: 0.35, pitchRad: 0.4, glide: 0.2 } as const

/** Bend of the free end by the water that goes across the bait; undefined where it hardly bends. */
function bendingOf(limp: number | undefined, { endSpeedMS, pitchRad, glide }: FallSummary): number | undefined {
  // of the way through the water, what goes across a body at that pitch
  const across = endSpeedMS * Math.abs(Math.cos(pitchRad)) + endSpeedMS * glide * Math.abs(Math.sin(pitchRad))
  const bend = (limp ?? 0) * across * across
  return bend > BENDING.from ? bend : undefined
}

/** Where nothing could be varied, part of the time that it may be off either way. *Assumed*, and told. */
const UNTRIED = 0.3

/** Adds the square of a change to the side it falls on. */
function widen(reach: [number, number], change: number): void {
  reach[change < 0 ? 0 : 1] += change * change
}

type Steady = Pick<Trim, 'sinkMS' | 'pitchRad' | 'rollRad' | 'glide'> & { readonly trim?: Trim }

/** Steady fall by trim, `near` a known one; where there is none, by a coarse drop. Undefined when it does not sink. */
function steady(
  body: HydroBody, weight: TetheredWeight | undefined, { depthM, line, hold }: FallConditions, factors: FallFactors, near: Trim | 'anywhere' | 'unsteady',
): Steady | undefined {
  if (near !== 'unsteady') {
    const from = near === 'anywhere' ? {} : { near }
    const trim = trimFall(body, { depthM: depthM / 2, factors, ...(line && !weight ? { line } : {}), ...from })
    if (trim.ok && trim.value.stable) return { ...trim.value, trim: trim.value }
    if (!trim.ok && trim.code === 'floats') return undefined
  }
  const stepS = coarse(body, weight !== undefined)
  const rough = dropAny(body, weight, { depthM: Math.min(depthM, weight ? TETHER_DEPTH_M : COARSE_DEPTH_M), factors, stepS, untilWeight: true, ...(line ? { line } : {}), ...(hold ? { hold } : {}) })
  if (!rough.ok) return undefined
  const s = summarize(rough.value)
  return { sinkMS: rough.value.depthM / downAfter(rough.value), pitchRad: s.pitchRad, rollRad: s.rollRad, glide: s.glide }
}

/** Step and depth of the coarse drops that only serve ranges: most rigs have settled within two metres. */
const COARSE = 2
const TETHER_COARSE_S = 0.01
const coarse = (body: HydroBody, tied: boolean): number => tied ? Math.min(TETHER_COARSE_S, COARSE * body.stepS) : COARSE * body.stepS
const TETHER_DEPTH_M = 1.2
const COARSE_DEPTH_M = 2
const SCATTER_DEPTH_M = 1.2

function vary(bodies: FallBodies, conditions: FallConditions, factors: FallFactors, base: Steady): { id: DoubtId, at: Steady | undefined }[] {
  const found: { id: DoubtId, at: Steady | undefined }[] = []
  const near = base.trim ?? 'unsteady'
  for (const id of Object.keys(FALL_FACTORS) as (keyof FallFactors)[]) {
    if (idle(id, conditions) || (id === 'vortexSide' && bodies.typical.lopsided === 0) || (id === 'tailLift' && !finned(bodies.typical))) continue
    const { value, low, high } = FALL_FACTORS[id]
    for (const end of [low, high]) {
      found.push({ id, at: steady(bodies.typical, bodies.weight, conditions, { ...factors, [id]: factors[id] * (end / value) ** leftOf(id, conditions.evidence) }, near) })
    }
  }
  for (const [id, body] of [['density', bodies.light], ['density', bodies.dense], ['hookPlace', bodies.forward], ['hookPlace', bodies.back]] as const) {
    if (body) found.push({ id, at: steady(body, bodies.weight, conditions, factors, near) })
  }
  return found
}

/** Whether an input has no part in a fall on this line. */
function idle(id: keyof FallFactors, { line, hold }: FallConditions): boolean {
  const mode = line ? hold?.mode ?? 'slack' : undefined
  if (id === 'lineBow') return mode !== 'slack'
  if (id === 'lineDrag') return mode !== 'controlled' && mode !== 'tight'
  return id === 'fingerPull' && mode !== 'controlled'
}

/** Part of a factor's range that measurements leave, as a power of it. */
function leftOf(id: keyof FallFactors, evidence: FallEvidence | undefined): number {
  if (!evidence) return 1
  return id === 'crossDrag' || id === 'axialDrag' ? evidence.dragLeft : id === 'eta' ? evidence.etaLeft : 1
}

/** Whether a body carries a thin fin. */
function finned({ compacts }: HydroBody): boolean {
  for (let i = 9; i < compacts.length; i += COMPACT_STRIDE) if (compacts[i]! > 0 || compacts[i + 1]! > 0) return true
  return false
}

/** Starts a hand might give: nose down or up by 30°, leaning to either side, besides the usual. */
const STARTS: readonly Start[] = [
  USUAL_START,
  { heading: 0, pitch: -0.52, roll: 0.3 },
  { heading: 0, pitch: 0.52, roll: 0.3 },
  { heading: 0, pitch: 0, roll: -0.8 },
  { heading: 0, pitch: -0.2, roll: 1.2 },
]

/** Water that is called still moves by about this much, m/s rms, from wind and swell. *Assumed.* */
export const STIR_MS = 0.02

/** How little a fall can be repeated. */
export interface Repeats {
  /** scatter of the landing place, m per m fallen */ readonly scatter: number
  /** standard deviation of the fall time over the starts, s, within `SCATTER_DEPTH_M` */ readonly timeSdS: number
}

/**
 * How little a fall can be repeated: root-mean-square scatter of the way a rig drifts in the lower half of its fall,
 * over `STARTS`, per metre fallen, within the first 1.2 metres; and, in quadrature, how far the stir of still water
 * carries it, which is the stir over the sinking speed (a steady stream carries everything with it). With it goes how
 * much the time differs from start to start.
 */
export function repeatsOf(body: HydroBody, conditions: FallConditions, factors = DEFAULT_FACTORS, weight?: TetheredWeight): Repeats {
  const depthM = Math.min(conditions.depthM, SCATTER_DEPTH_M)
  const { line, hold } = conditions
  const drifts: [number, number][] = []
  const times: number[] = []
  for (const start of STARTS) {
    const drop = dropAny(body, weight, { depthM, factors, start, stepS: coarse(body, weight !== undefined), untilWeight: true, ...(line ? { line } : {}), ...(hold ? { hold } : {}) })
    if (!drop.ok) continue
    drifts.push(lateDrift(drop.value))
    times.push(drop.value.timeS)
  }
  if (drifts.length < 2) return { scatter: 0, timeSdS: 0 }
  const middle = [0, 1].map(k => mean(drifts.map(p => p[k]!)))
  const square = mean(drifts.map(p => (p[0] - middle[0]!) ** 2 + (p[1] - middle[1]!) ** 2))
  const stir = STIR_MS * mean(times) / depthM
  return { scatter: Math.hypot(Math.sqrt(square), stir), timeSdS: standardDeviation(times) }
}

/** How the scatter of fall times grows with depth beyond where it was tried: as the sum of independent stretches does. *Assumed.* */
const startSdS = ({ timeSdS }: Repeats, depthM: number): number => timeSdS * Math.sqrt(Math.max(1, depthM / SCATTER_DEPTH_M))

/** Least of its last depth that the lower half of a fall is taken for: a bait that rises again at the end does not make its drift endless. */
const LEAST_FALLEN = 0.25
/** Sideways displacement, world x y, per metre fallen, from half depth to the bottom. */
function lateDrift({ samples: s }: Drop): [number, number] {
  const last = s.length - SAMPLE_STRIDE
  let half = 0
  while (half < last && s[half + 3]! > s[last + 3]! / 2) half += SAMPLE_STRIDE
  const fallen = Math.max(LEAST_FALLEN * Math.abs(s[last + 3]!), s[half + 3]! - s[last + 3]!)
  return [(s[last + 1]! - s[half + 1]!) / fallen, (s[last + 2]! - s[half + 2]!) / fallen]
}

import { Z90 } from '../numerics/statistics'
import { PARAMETERS } from '../uncertainty/parameters'
import { bendResponses, type BendingId } from './bendResponse'
import { downAfter, dropAny, type FallBodies, type FallConditions } from './dropAny'
import { FALL_FACTORS, type FallFactors } from './factors'
import type { Bending } from './dropMiddle'
import { atBothEnds, type FallPair, type FallResponse } from './fallMembers'
import { COMPACT_STRIDE, type HydroBody } from './hydroBody'
import type { FallEvidence } from './measured'
import { coarse, COARSE_DEPTH_M, TETHER_DEPTH_M } from './repeats'
import { summarize, type FallSummary } from './summary'
import type { TetheredWeight } from './tether'
import { trimFall, type Trim } from './trim'

export type DoubtId = keyof FallFactors | 'density' | 'hookPlace' | 'start' | BendingId

/** What is in doubt about a fall, as far as its ranges go. */
export interface FallDoubts {
  readonly responses: readonly FallResponse[]
  readonly pair: FallPair | undefined
  /** what moves its time most */ readonly mainDoubt: DoubtId
  /** the lightest plastic of the range would float */ readonly mayFloat: boolean
  /** of which an end could not be worked out */ readonly unresolved: readonly DoubtId[]
}

/**
 * A fall at the middle of everything: how it came out, how it differs from start to start, and whether it is
 * looked for steadily (a held line, or a weight on a tether, is never steady).
 */
interface Middle {
  readonly downS: number
  readonly summary: FallSummary
  readonly bending?: Bending
  readonly startSdS: number
  readonly steadily: boolean
}

/** Moves every uncertain number of a fall to both ends of its range. */
export function doubtsOf(
  bodies: FallBodies,
  conditions: FallConditions,
  factors: FallFactors,
  { downS, summary, bending, startSdS, steadily }: Middle,
): FallDoubts {
  const base = steady(bodies.typical, bodies.weight, conditions, factors, steadily ? 'anywhere' : 'unsteady')
  const tried = base
    ? responsesOf(vary(bodies, conditions, factors, base), base, conditions)
    : { responses: [], mayFloat: false, unresolved: Object.keys(FALL_FACTORS) as DoubtId[] }
  const left = conditions.evidence?.dragLeft ?? 1
  const responses = [
    ...tried.responses,
    startResponse((Z90 * startSdS) / downS),
    modelResponse(base ? left : UNTRIED / MODEL_LN),
    ...(bending ? bendResponses(bodies, conditions, factors, bending, summary, left) : []),
  ]
  return {
    responses,
    pair: base && pairOf(responses, bodies, conditions, factors, base),
    mainDoubt: tried.mayFloat ? 'density' : mainDoubtOf(responses),
    mayFloat: tried.mayFloat,
    unresolved: tried.unresolved,
  }
}

type Steady = Pick<Trim, 'sinkMS' | 'pitchRad' | 'rollRad' | 'glide'> & { readonly trim?: Trim }

/**
 * Steady fall by trim, `near` a known one; where there is none, by a coarse drop. Undefined when it does not
 * sink.
 */
function steady(
  body: HydroBody,
  weight: TetheredWeight | undefined,
  { depthM, line, hold }: FallConditions,
  factors: FallFactors,
  near: Trim | 'anywhere' | 'unsteady',
): Steady | undefined {
  if (near !== 'unsteady') {
    const from = near === 'anywhere' ? {} : { near }
    const trim = trimFall(body, {
      depthM: depthM / 2,
      factors,
      ...(line && !weight ? { line } : {}),
      ...from,
    })
    if (trim.ok && trim.value.stable) return { ...trim.value, trim: trim.value }
    if (!trim.ok && trim.code === 'floats') return undefined
  }
  const stepS = coarse(body, weight !== undefined)
  const rough = dropAny(body, weight, {
    depthM: Math.min(depthM, weight ? TETHER_DEPTH_M : COARSE_DEPTH_M),
    factors,
    stepS,
    untilWeight: true,
    ...(line ? { line } : {}),
    ...(hold ? { hold } : {}),
  })
  if (!rough.ok) return undefined
  const s = summarize(rough.value)
  return {
    sinkMS: rough.value.depthM / downAfter(rough.value),
    pitchRad: s.pitchRad,
    rollRad: s.rollRad,
    glide: s.glide,
  }
}

/** A number moved to one end of its range, and the fall there; undefined where there is none. */
interface Tried {
  readonly id: DoubtId
  readonly side: 0 | 1
  readonly at: Steady | undefined
}

function vary(bodies: FallBodies, conditions: FallConditions, factors: FallFactors, base: Steady): Tried[] {
  const found: Tried[] = []
  const near = base.trim ?? 'unsteady'
  for (const id of Object.keys(FALL_FACTORS) as (keyof FallFactors)[]) {
    if (
      idle(id, conditions) ||
      (id === 'vortexSide' && bodies.typical.lopsided === 0) ||
      (id === 'tailLift' && !finned(bodies.typical))
    )
      continue
    for (const side of [0, 1] as const) {
      found.push({
        id,
        side,
        at: steady(
          bodies.typical,
          bodies.weight,
          conditions,
          { ...factors, [id]: endOf(id, side, factors, conditions) },
          near,
        ),
      })
    }
  }
  for (const [id, side, body] of [
    ['density', 0, bodies.light],
    ['density', 1, bodies.dense],
    ['hookPlace', 0, bodies.forward],
    ['hookPlace', 1, bodies.back],
  ] as const) {
    if (body) found.push({ id, side, at: steady(body, bodies.weight, conditions, factors, near) })
  }
  return found
}

/** A factor at one end of what is left of its range. */
function endOf(
  id: keyof FallFactors,
  side: 0 | 1,
  factors: FallFactors,
  { evidence }: FallConditions,
): number {
  const { value, low, high } = FALL_FACTORS[id]
  return factors[id] * ((side === 0 ? low : high) / value) ** leftOf(id, evidence)
}

/** Whether an input has no part in a fall on this line. */
function idle(id: keyof FallFactors, { line, hold }: FallConditions): boolean {
  const mode = line ? (hold?.mode ?? 'slack') : undefined
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
  for (let i = 9; i < compacts.length; i += COMPACT_STRIDE)
    if (compacts[i]! > 0 || compacts[i + 1]! > 0) return true
  return false
}

const reach = ([low, high]: readonly [number, number]): number => Math.max(Math.abs(low), Math.abs(high))

function mainDoubtOf(responses: readonly FallResponse[]): DoubtId {
  const able = responses.filter(({ id }) => id !== 'fallModel')
  return able.reduce((most, r) => (reach(r.lnTime) > reach(most.lnTime) ? r : most)).id as DoubtId
}

/**
 * What was found at both ends of every number, as changes. An end that could not be worked out is taken to
 * mirror the other, and told.
 */
function responsesOf(
  doubts: readonly Tried[],
  base: Steady,
  { evidence }: FallConditions,
): { readonly responses: FallResponse[]; readonly mayFloat: boolean; readonly unresolved: DoubtId[] } {
  const ids = [...new Set(doubts.map(d => d.id))]
  const responses = ids.map((id): FallResponse => {
    const endAt = (side: 0 | 1): Steady | undefined => doubts.find(d => d.id === id && d.side === side)?.at
    const ends = [endAt(0), endAt(1)] as const
    const both = (change: (at: Steady) => number): [number, number] => atBothEnds(ends, change)
    // a bait's own drops hold its density too: that doubt shrinks with the drag's
    const left = id === 'density' ? (evidence?.dragLeft ?? 1) : 1
    return {
      id,
      lnTime: both(at => left * Math.log(base.sinkMS / at.sinkMS)),
      pitchRad: both(at => at.pitchRad - base.pitchRad),
      rollRad: both(at => Math.abs(at.rollRad) - Math.abs(base.rollRad)),
      glide: both(at => at.glide - base.glide),
    }
  })
  const failed = doubts.filter(d => !d.at)
  return {
    responses,
    mayFloat: failed.some(d => d.id === 'density'),
    unresolved: [...new Set(failed.filter(d => d.id !== 'density').map(d => d.id))],
  }
}

const STILL = [0, 0] as const

/**
 * How it is let go.
 * @param part nine tenths of what the time differs by from start to start, as a part of it
 */
const startResponse = (part: number): FallResponse => ({
  id: 'start',
  lnTime: [Math.log(1 - Math.min(part, START_MOST)), Math.log(1 + part)],
  pitchRad: STILL,
  rollRad: STILL,
  glide: STILL,
})

/** What the model of the fall leaves out. @param times against the register's */
const modelResponse = (times: number): FallResponse => ({
  id: 'fallModel',
  lnTime: [-times * MODEL_LN, times * MODEL_LN],
  pitchRad: STILL,
  rollRad: STILL,
  glide: STILL,
})
const MODEL_LN = Math.log(PARAMETERS.fallModel.high)

/** The two strongest factors of a steady fall at both their high ends. */
function pairOf(
  responses: readonly FallResponse[],
  bodies: FallBodies,
  conditions: FallConditions,
  factors: FallFactors,
  base: Steady,
): FallPair | undefined {
  if (!base.trim) return undefined
  const [one, other] = responses
    .filter((r): r is FallResponse & { readonly id: keyof FallFactors } => r.id in FALL_FACTORS)
    .sort((a, b) => reach(b.lnTime) - reach(a.lnTime))
  if (!one || !other) return undefined
  const at = steady(
    bodies.typical,
    bodies.weight,
    conditions,
    {
      ...factors,
      [one.id]: endOf(one.id, 1, factors, conditions),
      [other.id]: endOf(other.id, 1, factors, conditions),
    },
    base.trim,
  )
  return (
    at && {
      ids: [one.id, other.id],
      lnTime: Math.log(base.sinkMS / at.sinkMS) - one.lnTime[1] - other.lnTime[1],
    }
  )
}

/** No start makes a fall faster by more than this part of its time. *Assumed.* */
const START_MOST = 0.5

/** Where nothing could be varied, part of the time that it may be off either way. *Assumed*, and told. */
const UNTRIED = 0.3

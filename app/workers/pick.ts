import { choose, drawRig, assembleRig, paretoSet, searchMemory, type Candidate, type Choice, type Day, type EvidenceBook, type FamilyId, type Finalist, type FactorId, type Goods, type RigDrawing, type SearchMemory } from '#core'
import type { Progress } from './cover'

/** A day to choose for, and what there is to choose from. */
export interface PickJob { readonly day: Day, readonly goods: Goods, readonly beyond: boolean, readonly family?: FamilyId, readonly book?: EvidenceBook }

/** A candidate as the cloud shows it. */
export interface CloudPoint { readonly bait: number, readonly rigging: number, readonly weight: number, readonly point: Candidate['point'], readonly score: number, readonly minutesLeft: number, readonly hookUp: number, readonly sinkMS: number, readonly near: boolean, /** nothing beats it in time, hook-up and time among the fish together */ readonly front: boolean }

export interface PickAnswer extends Omit<Choice, 'candidates' | 'picks'> {
  readonly picks: readonly (Finalist & { readonly drawing: RigDrawing })[]
  /** what can be fished, the best first; at most a few thousand */ readonly cloud: readonly CloudPoint[]
  readonly ms: number
}

/** Shares a factor leaves, for showing. */
export type Shares = Readonly<Record<FactorId, number>>

/** Points of the cloud that are sent. */
const MOST_POINTS = 4000
/** Time between two looks for a cancellation, ms. */
const SLICE_MS = 60

let memory: SearchMemory = searchMemory()
/** Things remembered at most, so that a long day does not fill the memory of a phone. */
const MOST_KEPT = 30_000

/** Chooses out of a box. @returns undefined when it was called off */
export async function pickFrom({ day, goods, beyond, family, book }: PickJob, { tell, pause }: Progress): Promise<PickAnswer | undefined> {
  const begun = performance.now()
  if (memory.bodies.size + memory.laid.size > MOST_KEPT) memory = searchMemory()
  const search = choose(day, goods, { beyond, memory, ...(family ? { family } : {}), ...(book ? { book } : {}) })
  let step = search.next()
  for (let last = performance.now(); !step.done; step = search.next()) {
    if (performance.now() - last < SLICE_MS) continue
    tell(step.value.part)
    if (!await pause()) return undefined
    last = performance.now()
  }
  const { candidates, picks, ...rest } = step.value
  const shown = candidates.filter(c => !c.limit && c.traits).sort((a, b) => b.score - a.score).slice(0, MOST_POINTS)
  const front = new Set(paretoSet(shown))
  const cloud = shown.map((c): CloudPoint => ({ bait: c.bait, rigging: c.rigging, weight: c.weight, point: c.point, score: c.score, minutesLeft: c.traits!.minutesLeft, hookUp: c.traits!.hookUp, sinkMS: c.traits!.sinkMS, near: c.near ?? false, front: front.has(c) }))
  return { ...rest, cloud, picks: picks.map(p => ({ ...p, drawing: drawRig(assembleRig(rest.baits[p.bait]!.spec, p.rig)) })), ms: performance.now() - begun }
}

import {
  account,
  assembleRig,
  type Candidate,
  type Choice,
  conclude,
  type Day,
  drawRig,
  elaborate,
  type EvidenceBook,
  type FamilyId,
  fieldOf,
  type Finalist,
  finalistsAfter,
  firstAmong,
  IN_FULL,
  type Goods,
  type OnTopPick,
  paretoSet,
  ranked,
  type RigDrawing,
  type RigSpec,
  ROUNDS,
  SCREENING,
  seenWith,
  sizeOf,
  UNITS,
  WORTH_A_LOOK,
} from '#core'
import type { EarlyProgress, FinishJob, Progress } from './progress'
import { memory } from './searchMemory'
import { closerPart, finishPart, lookThrough, shareOut, watching } from './share'

/** A day to choose for, and what there is to choose from. */
export interface PickJob {
  readonly day: Day
  readonly goods: Goods
  readonly beyond: boolean
  readonly family?: FamilyId
  readonly book?: EvidenceBook
}

/** A candidate as the cloud shows it. */
export interface CloudPoint {
  readonly bait: number
  readonly rigging: number
  readonly weight: number
  readonly point: Candidate['point']
  readonly score: number
  readonly minutesLeft: number
  readonly hookUp: number
  readonly sinkMS: number
  readonly near: boolean
  /** nothing beats it in time, hook-up and time among the fish together */ readonly front: boolean
}

export interface PickAnswer extends Omit<Choice, 'candidates' | 'picks' | 'onTop'> {
  /** the best that is fished on the surface, where it is worth a look */
  readonly onTop?: OnTopPick & { readonly drawing: RigDrawing }
  readonly picks: readonly (Finalist & { readonly drawing: RigDrawing })[]
  /** what can be fished, the best first; at most a few thousand, none yet with the first picks */
  readonly cloud: readonly CloudPoint[]
  readonly ms: number
}

/** Points of the cloud that are sent. */
const MOST_POINTS = 4000

/**
 * Chooses out of a box, as the core does it in one go; a second worker, where there is one, takes its part of
 * the baits, of the race and of the finalists. The picks among the first finalists are sent first, then those among all
 * of them, then what is told beside them.
 * @returns undefined when it was called off
 */
export async function pickFrom(
  { day, goods, beyond, family, book }: PickJob,
  progress: EarlyProgress<PickAnswer>,
): Promise<PickAnswer | undefined> {
  const begun = performance.now()
  const { tell } = progress
  const { watched, signal } = watching(progress)
  const field = fieldOf(day, goods, { beyond, ...(family ? { family } : {}) })
  const total = Math.max(1, sizeOf(field))
  const all = await lookThrough(day, field, progress, looked => tell((SCREENING * looked) / total))
  if (!all) return undefined
  const order = ranked(day, field, all)
  let cloud: readonly CloudPoint[] | undefined
  const shown = (chosen: Choice, clouded: boolean): PickAnswer =>
    asShown(chosen, clouded ? (cloud ??= cloudOf(all)) : [], !family, performance.now() - begun)
  let units = 0
  /** Work that is left, shared, in pieces of so many, each of which is worth so much. */
  async function inPieces<T>(
    ones: readonly Candidate[],
    [each, worth]: readonly [number, number],
    work: (job: FinishJob, mine: boolean) => Promise<readonly T[] | undefined>,
  ): Promise<T[] | undefined> {
    const pieces = Array.from({ length: Math.ceil(ones.length / each) }, (_, nth) =>
      ones.slice(nth * each, (nth + 1) * each),
    )
    const found = await shareOut(
      pieces.length,
      watched,
      (nth, mine) => work({ day, field, ones: pieces[nth]!, ...(book ? { book } : {}) }, mine),
      piece => tell(SCREENING + ((1 - SCREENING) * (units += worth * piece.length)) / UNITS),
    )
    return found?.flat()
  }
  const quietly: Progress = { ...watched, tell: () => undefined }
  const inFull = async (ones: readonly Candidate[]): Promise<Finalist[] | undefined> => {
    const found = await inPieces(ones, [1, IN_FULL], (job, mine) =>
      mine ? finishPart(job, quietly) : progress.helper!.finishPart(job, signal),
    )
    return found?.filter(f => f !== undefined)
  }
  const first = await inFull(firstAmong(field, order))
  if (!first) return undefined
  const early = conclude(day, field, all, first)
  if (early.picks.length > 0) progress.early?.(shown(early, false))
  let seen: Candidate[] = []
  for (const { rough, among } of ROUNDS) {
    if (!(await watched.pause())) return undefined
    const now = await inPieces(among(field, order, seen), [PIECE, 1], (job, mine) =>
      mine ? closerPart({ ...job, rough }, quietly) : progress.helper!.closerPart({ ...job, rough }, signal),
    )
    if (!now) return undefined
    seen = seenWith(seen, now)
  }
  const rest = await inFull(finalistsAfter(field, seen, first))
  if (!rest || !(await watched.pause())) return undefined
  const done = [...first, ...rest]
  // why a way is not among them cannot be said before
  const choice = account(day, field, conclude(day, field, all, done), done)
  progress.early?.(shown(choice, true))
  if (!(await watched.pause())) return undefined
  return shown(elaborate(day, field, choice, { memory: memory(), ...(book ? { book } : {}) }), true)
}

/** Candidates looked at closer in one go. */
const PIECE = 4

/** A choice with its drawings and the cloud it stands in. */
function asShown(
  { candidates: _, picks, onTop, ...rest }: Choice,
  cloud: readonly CloudPoint[],
  withTop: boolean,
  ms: number,
): PickAnswer {
  const drawn = <T extends { readonly bait: number; readonly rig: RigSpec }>(
    one: T,
  ): T & { readonly drawing: RigDrawing } => ({
    ...one,
    drawing: drawRig(assembleRig(rest.baits[one.bait]!.spec, one.rig)),
  })
  return {
    ...rest,
    cloud,
    picks: picks.map(drawn),
    ...(onTop && withTop && onTop.score >= WORTH_A_LOOK * (picks[0]?.score ?? 0)
      ? { onTop: drawn(onTop) }
      : {}),
    ms,
  }
}

function cloudOf(candidates: readonly Candidate[]): CloudPoint[] {
  const shown = candidates
    .filter(c => !c.limit && c.traits)
    .sort((a, b) => b.score - a.score)
    .slice(0, MOST_POINTS)
  const front = new Set(paretoSet(shown))
  return shown.map((c): CloudPoint => ({
    bait: c.bait,
    rigging: c.rigging,
    weight: c.weight,
    point: c.point,
    score: c.score,
    minutesLeft: c.traits!.minutesLeft,
    hookUp: c.traits!.hookUp,
    sinkMS: c.traits!.sinkMS,
    near: c.near ?? false,
    front: front.has(c),
  }))
}

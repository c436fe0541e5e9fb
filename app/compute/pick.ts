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
  finalistsAmong,
  IN_FULL,
  type Goods,
  type OnTopPick,
  paretoSet,
  ranked,
  type RigDrawing,
  type RigSpec,
  SCREENING,
  STEPS_BESIDE,
  sizeOf,
  WORTH_A_LOOK,
} from '#core'
import type { EarlyProgress } from './progress'
import { memory } from './searchMemory'
import { finishPart, lookThrough, shareOut, watching } from './share'

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
 * the baits and of the finalists. The picks among the first finalists are sent first, then those among all of them,
 * then what is told beside them.
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
  const short = finalistsAmong(field, order)
  const done: Finalist[] = []
  let cloud: readonly CloudPoint[] | undefined
  let ready = 0
  const shown = (chosen: Choice, clouded: boolean): PickAnswer =>
    asShown(chosen, clouded ? (cloud ??= cloudOf(all)) : [], !family, performance.now() - begun)
  let choice: Choice | undefined
  for (const among of [() => short.slice(0, FIRST), () => short.slice(FIRST), ...STEPS_BESIDE]) {
    const ones = among(field, order, done)
    const finished = await shareOut(
      ones.length,
      watched,
      (nth, mine) => {
        const job = { day, field, ones: [ones[nth]!], ...(book ? { book } : {}) }
        return mine
          ? finishPart(job, { ...watched, tell: () => undefined })
          : progress.helper!.finishPart(job, signal)
      },
      () => tell(SCREENING + ((1 - SCREENING) * ++ready) / IN_FULL),
    )
    if (!finished) return undefined
    done.push(...finished.flat().filter(f => f !== undefined))
    if (!choice) {
      choice = conclude(day, field, all, done)
      if (choice.picks.length > 0) progress.early?.(shown(choice, false))
    }
    if (!(await watched.pause())) return undefined
  }
  // why a way is not among them cannot be said before
  choice = account(day, field, conclude(day, field, all, done), done)
  progress.early?.(shown(choice, true))
  if (!(await watched.pause())) return undefined
  return shown(elaborate(day, field, choice, { memory: memory(), ...(book ? { book } : {}) }), true)
}

/** Finalists after which the picks are told for the first time. */
const FIRST = 2

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

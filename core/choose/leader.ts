import { obstaclesOf, type BottomId, type CoverId, type Placed } from '../snag/cover'
import { LINE_STOCKS, type Line, type LineKind } from '../tackle/lines'
import { mmToM } from '../units'
import { pullOutOf, type Day } from './day'
import { fishOf, type Teeth } from './fish'

/** Why a leader is tied, or not. */
export type LeaderReason =
  /** so many rubs on sharp things while a fish is played, and what they leave of the bare line's strength */
  | { readonly id: 'abrasion'; readonly rubs: number; readonly leftShare: number; readonly on: string }
  | {
      readonly id: 'teeth'
      readonly teeth: Exclude<Teeth, 'none'>
      readonly fish: string
    }
  | { readonly id: 'clarity' }
  | { readonly id: 'none' }

/** What is tied between line and hook. SI. */
export interface Leader {
  readonly material: LineKind | 'wire' | 'none'
  readonly diameterM: number
  readonly lengthM: number
  readonly strengthN: number
  /** the strongest first */ readonly reasons: readonly LeaderReason[]
  /** what is left of its strength after the rubs of one fish */ readonly leftShare: number
  /** side that its thickness adds to the line's, against the rig's own */ readonly dragShare: number
  /** the hook opens before the leader breaks */ readonly hookFirst: boolean
}

/** Metres of line that a fish drags along what stands there. *Assumed.* */
const PLAYED_M = 12
/** Taken off a line's diameter at each rub over a fresh sharp edge, m. *Assumed*: fibres fray, fluorocarbon is hard. */
const WEAR_M: Readonly<Record<LineKind, number>> = { braid: 6e-5, mono: 2.6e-5, fluorocarbon: 2e-5 }
/** How sharp things are beside a fresh shell edge. *Assumed.* */
const SHARP: Readonly<Partial<Record<Placed['look'], number>>> = { stone: 1, gap: 0.6, clump: 0.8, pile: 0.3 }
/** Rounding of an edge at which it cuts half as well, m. *Assumed.* */
const BLUNT_M = 0.006
/**
 * Fewer rubs than this on a fish are no reason for a leader; nor is a line that keeps so much of itself, and
 * holds with it what nine fish in ten pull.
 */
const RUBS = 0.25
const KEEPS = 0.5
/** Knots keep four fifths of a line. */
const KNOT = 0.8
/** Pull that nine in ten fish stay under, in standard deviations. */
const MOST_Z = 1.28
/** Leaders as they are sold, m. */
const LADDER_M = [0.25, 0.3, 0.35, 0.4, 0.45, 0.5, 0.6, 0.7, 0.8].map(mmToM)
/** Lengths by custom: past what a fish drags over an edge, past a mouth, out of sight, m. */
const LENGTH_M = { abrasion: 1, teeth: 0.35, clarity: 2 } as const
/** Knotable wire and what some tie in its place against teeth, m. By custom. */
const WIRE = { diameterM: 0.0004, strengthN: 110 } as const
/** Line out of sight: no thicker than the line itself needs to be, m. By custom. */
const CLEAR_M = 0.0003

const strengthOf = (kind: LineKind, diameterM: number): number =>
  (Math.PI / 4) * diameterM ** 2 * LINE_STOCKS[kind].stressPa

/** What rubs leave of a line's strength: it goes with the square of the diameter that is left. */
const left = (kind: LineKind, diameterM: number, rubs: number): number =>
  (Math.max(0, diameterM - WEAR_M[kind] * rubs) / diameterM) ** 2

/** Rubs of a line on sharp things while a fish is played, as so many of a fresh shell edge; and the worst thing. */
export function rubsOf(cover: CoverId, bottom: BottomId): { readonly rubs: number; readonly on: string } {
  const worn = obstaclesOf(cover, bottom).map(o => ({
    name: o.name,
    rubs:
      PLAYED_M *
      o.perM *
      (SHARP[o.look] ?? 0) *
      ('diameterM' in o && o.look === 'stone' ? 1 / (1 + o.diameterM / BLUNT_M) : 1),
  }))
  const worst = worn.reduce((a, b) => (b.rubs > a.rubs ? b : a), { name: '', rubs: 0 })
  return { rubs: worn.reduce((sum, w) => sum + w.rubs, 0), on: worst.name }
}

/** What the rig behind a leader is. SI. */
export interface Led {
  readonly sideM2: number
  readonly openingN: number
}

/**
 * What to tie between line and rig, and why: sharp things that wear the line through, teeth, clear water.
 * Thickness is the least that still holds nine fish in ten once it was rubbed along what stands there.
 */
export function leaderFor(day: Day, line: Line, rig: Led): Leader {
  const { rubs, on } = rubsOf(day.cover, day.bottom)
  const leftShare = left(line.kind, line.diameterM, rubs)
  const { name, teeth } = fishOf(day)
  const { medianN, gsd } = pullOutOf(day.cover, day.bottom)
  const mostN = medianN * gsd ** MOST_Z
  const worn = rubs > RUBS && (leftShare < KEEPS || KNOT * line.strengthN * leftShare < mostN)
  const reasons: LeaderReason[] = [
    ...(teeth === 'cutting' ? [{ id: 'teeth', teeth, fish: name } as const] : []),
    ...(worn ? [{ id: 'abrasion', rubs, leftShare, on } as const] : []),
    ...(teeth === 'rasping' ? [{ id: 'teeth', teeth, fish: name } as const] : []),
    ...(line.kind === 'braid' && day.clarity === 'clear' ? [{ id: 'clarity' } as const] : []),
  ]
  const made = (
    material: Leader['material'],
    diameterM: number,
    lengthM: number,
    strengthN: number,
  ): Leader => ({
    material,
    diameterM,
    lengthM,
    strengthN,
    reasons: reasons.length > 0 ? reasons : [{ id: 'none' }],
    leftShare: material === 'wire' || material === 'none' ? 1 : left(material, diameterM, rubs),
    dragShare: (Math.max(0, diameterM - line.diameterM) * lengthM) / rig.sideM2,
    hookFirst: rig.openingN < KNOT * strengthN,
  })
  if (reasons.length === 0) return { ...made('none', 0, 0, line.strengthN), leftShare }
  const lengthM = Math.max(...reasons.map(r => (r.id === 'none' ? 0 : LENGTH_M[r.id])))
  if (teeth === 'cutting') return made('wire', WIRE.diameterM, lengthM, WIRE.strengthN)
  const needN = Math.min(KNOT * line.strengthN, mostN)
  const holds = (d: number): boolean =>
    KNOT * strengthOf('fluorocarbon', d) * left('fluorocarbon', d, rubs) >= needN &&
    (teeth !== 'rasping' || d >= RASPED_M)
  // thinner than the line it would be the first to go
  const least = Math.max(line.diameterM, worn ? 0 : CLEAR_M)
  const diameterM = LADDER_M.find(d => d >= least && holds(d)) ?? LADDER_M[LADDER_M.length - 1]!
  return made('fluorocarbon', diameterM, lengthM, strengthOf('fluorocarbon', diameterM))
}

/** Thinner than this a leader is rasped through by small teeth, m. By custom. */
const RASPED_M = 0.00035

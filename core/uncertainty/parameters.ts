import { Z90 } from '../numerics/statistics'

/** Who shares one value of an uncertain number. */
export type Scope =
  | /** every rig */ 'physics'
    /** baits of a form and material, then the bait */
  | 'plastic'
  /** every rig fished there */
  | 'place'
  /** every rig these fish bite, and the hand that strikes */
  | 'fish'
  /** each rig anew: how it was laid this time */
  | 'hand'
  /** what the model leaves out: of a kind of rig, and of the rig itself */
  | 'model'
  /** what fish are assumed to like, when a rig is chosen for them */
  | 'taste'

/**
 * How an uncertain number varies: its middle and what nine in ten lie between. `factor`: log-normal on either
 * side of the middle; `value`: normal on either side, never below 0.
 */
interface Prior {
  readonly kind: 'factor' | 'value'
  readonly middle: number
  readonly low: number
  readonly high: number
}

export interface Parameter extends Prior {
  readonly scope: Scope
  /** what an angler calls it */ readonly words: string
  /** where the range comes from; `assumed` where nobody measured it */ readonly source: string
  readonly assumed: boolean
}

/** A factor on a median, as much either way. */
const either = (by: number): Prior => ({ kind: 'factor', middle: 1, low: 1 / by, high: by })
const factor = (middle: number, low: number, high: number): Prior => ({ kind: 'factor', middle, low, high })
/** A shift by standard scores: what it moves has its own range. */
const score: Prior = { kind: 'value', middle: 0, low: -Z90, high: Z90 }

/**
 * Every uncertain number of the model, once; nothing else puts a range on anything. The middle is what
 * figures are worked out with; low and high hold nine in ten.
 */
export const PARAMETERS = {
  crossDrag: {
    scope: 'physics',
    words: 'drag across the bait',
    ...factor(1, 0.85, 1.15),
    source: 'scatter of finite-cylinder data in Hoerner',
    assumed: false,
  },
  axialDrag: {
    scope: 'physics',
    words: 'drag along it',
    ...factor(1, 0.7, 1.3),
    source: 'tails are soft',
    assumed: true,
  },
  eta: {
    scope: 'physics',
    words: 'its turning moment',
    ...factor(0.6, 0.3, 1),
    source: 'separated flow delivers part of the ideal moment',
    assumed: true,
  },
  etaRoll: {
    scope: 'physics',
    words: 'its rolling moment',
    ...factor(0.1, 0.02, 0.4),
    source: 'less than of the turning moment: thick sections separate early',
    assumed: true,
  },
  tailLift: {
    scope: 'physics',
    words: 'lift of its tail',
    ...factor(0.5, 0.2, 1),
    source: "a soft fin keeps part of Jones's slender wing",
    assumed: true,
  },
  vortexSide: {
    scope: 'physics',
    words: 'sideways shedding',
    kind: 'value',
    middle: 0.6,
    low: 0,
    high: 1,
    source: 'Lamont & Hunt 1976 for rigid pointed bodies',
    assumed: true,
  },
  lineBow: {
    scope: 'physics',
    words: 'bow of a slack line',
    ...factor(0.03, 0.01, 0.06),
    source: 'a line in its own track would have none',
    assumed: true,
  },
  lineDrag: {
    scope: 'physics',
    words: 'drag of the line',
    ...factor(1, 0.8, 1.25),
    source: "White's smooth cylinder; braid is rough",
    assumed: true,
  },
  fingerPull: {
    scope: 'hand',
    words: 'pull of the finger',
    ...factor(0.2, 0.1, 0.35),
    source: 'line leaving the spool under a finger',
    assumed: true,
  },
  density: {
    scope: 'plastic',
    words: 'weight of the plastic',
    ...score,
    source: "range of the material's density",
    assumed: true,
  },
  modulus: {
    scope: 'plastic',
    words: 'softness of the plastic',
    ...either(1.35),
    source: 'stiffness read off a Shore hardness',
    assumed: true,
  },
  hookPlace: {
    scope: 'hand',
    words: 'where the hook was laid',
    ...score,
    source: 'a hand meets a mark within 2 mm',
    assumed: true,
  },
  start: {
    scope: 'hand',
    words: 'how it is let go',
    ...score,
    source: 'five starts of a hand, and the stir of still water',
    assumed: true,
  },
  bending: {
    scope: 'plastic',
    words: 'how far it bends',
    ...either(2),
    source: 'stiffness in bending over that in squeezing, which is read off a Shore hardness',
    assumed: true,
  },
  bendingLoss: {
    scope: 'plastic',
    words: 'how quickly its bending dies away',
    ...either(2),
    source: 'what soft plastic loses in bending, between rubber and gel',
    assumed: true,
  },
  standing: {
    scope: 'place',
    words: 'how much stands there',
    ...either(1.6),
    source: 'orders of magnitude from field descriptions',
    assumed: true,
  },
  coverSize: { scope: 'place', words: 'how thick it is', ...either(1.2), source: 'the same', assumed: true },
  press: { scope: 'place', words: 'how hard it presses', ...either(1.5), source: 'the same', assumed: true },
  coverStrength: {
    scope: 'place',
    words: 'how strong it is',
    ...either(1.5),
    source: 'the same',
    assumed: true,
  },
  freeing: {
    scope: 'place',
    words: 'the pull that frees',
    ...either(1.5),
    source: 'a firm lift with a medium rod',
    assumed: true,
  },
  wear: {
    scope: 'plastic',
    words: 'how fast a point works out',
    ...either(1.6),
    source: 'set after how often people lay it back',
    assumed: true,
  },
  biteForce: {
    scope: 'fish',
    words: 'how hard they bite',
    ...either(1.4),
    source: 'school-size sea bass and zander',
    assumed: true,
  },
  hold: {
    scope: 'fish',
    words: 'how long they hold on',
    ...either(1.4),
    source: 'what anglers see',
    assumed: true,
  },
  jawNeed: {
    scope: 'fish',
    words: 'bite of hook a jaw needs',
    ...either(1.15),
    source: 'thickness of jaw edges',
    assumed: true,
  },
  penetration: {
    scope: 'fish',
    words: 'what a jaw takes to go in',
    ...either(1.3),
    source: 'of the order of needles in gristle',
    assumed: true,
  },
  whereTaken: {
    scope: 'fish',
    words: 'where they take it',
    ...score,
    source: 'shares of head, middle and tail by feeding',
    assumed: true,
  },
  slack: {
    scope: 'fish',
    words: 'slack at the bite',
    ...either(1.3),
    source: 'bow of a usual line',
    assumed: true,
  },
  sweep: {
    scope: 'fish',
    words: 'how far the rod is swept',
    ...either(1.2),
    source: 'a firm sweep',
    assumed: true,
  },
  fallModel: {
    scope: 'model',
    words: 'what the fall leaves out',
    ...either(1.06),
    source: 'drops timed in still water against the model',
    assumed: true,
  },
  snagKind: {
    scope: 'model',
    words: 'what the cover leaves out',
    ...either(1.35),
    source: 'for covered points and for open ones',
    assumed: true,
  },
  snagOwn: {
    scope: 'model',
    words: "what is this rig's own",
    ...either(1.3),
    source: 'beyond its kind',
    assumed: true,
  },
  snagDrawnOwn: {
    scope: 'model',
    words: 'what few meetings leave unsure',
    ...score,
    source: 'standard error of the members, from the meetings themselves',
    assumed: false,
  },
  hookKind: {
    scope: 'model',
    words: 'what the strike leaves out',
    ...either(1.3),
    source: 'for covered points and for open ones, on the odds',
    assumed: true,
  },
  hookOwn: {
    scope: 'model',
    words: "what is this rig's own",
    ...either(1.2),
    source: 'beyond its kind, on the odds',
    assumed: true,
  },
  followed: {
    scope: 'taste',
    words: 'the fall they follow',
    ...either(1.4),
    source: 'what anglers say of active and slow fish',
    assumed: true,
  },
  patience: {
    scope: 'taste',
    words: 'how much a still, level bait counts',
    ...either(1.5),
    source: 'the same',
    assumed: true,
  },
  splash: {
    scope: 'taste',
    words: 'how much a splash costs',
    ...either(1.8),
    source: 'anglers differ',
    assumed: true,
  },
  suction: {
    scope: 'taste',
    words: 'what they can suck in',
    ...either(1.6),
    source: 'fish eject what is heavy',
    assumed: true,
  },
  likeness: {
    scope: 'taste',
    words: 'how much likeness to their food counts',
    ...either(1.6),
    source: 'anglers differ most in this',
    assumed: true,
  },
} as const satisfies Record<string, Parameter>

export type ParameterId = keyof typeof PARAMETERS
export const PARAMETER_IDS = Object.keys(PARAMETERS) as ParameterId[]

/**
 * The number at a standard score: 0 is the middle, ±1.645 the ends of its range.
 * @returns for a `factor` the value, above 0; for a `value` it too, never below 0 where it is a share
 */
export function parameterAt(id: ParameterId, z: number): number {
  const { kind, middle, low, high } = PARAMETERS[id] as Prior
  const part = Math.abs(z) / Z90
  const end = z < 0 ? low : high
  if (kind === 'factor') return middle * (end / middle) ** part
  const value = middle + (end - middle) * part
  return low >= 0 ? Math.max(0, value) : value
}

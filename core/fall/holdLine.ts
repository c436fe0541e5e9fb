import type { Line } from '../tackle/lines'
import type { Water } from '../water/water'
import type { FallFactors } from './factors'
import { heldLine, type HeldLine, type LineEnd } from './heldLine'
import { lineEnd } from './lineEnd'
import { ROD_TIP_M, type LineHold } from './lineHold'

/**
 * A held line and its rig tell each other where they are this often, s; a body that needs shorter steps takes
 * several meanwhile.
 */
export const LINE_STEP_S = 0.01

/** Places of a held line that are recorded, from the rod tip to the tie point. */
export const LINE_MARKS = 13

/** Reads the end of the line off a state and its rate of change without the line. */
export type ReadEnd = (y: Float64Array, dy: Float64Array, flow: Float64Array, end: LineEnd) => void

export interface HoldLineOptions {
  readonly hold: Exclude<LineHold, { readonly mode: 'slack' }>
  readonly line: Line
  readonly water: Water
  readonly factors: FallFactors
  /** weight of the whole rig in water, N */ readonly sinkingN: number
  readonly stream?: (z: number, out: Float64Array) => void
  /** place of the tie point at the start, world, m */ readonly from: ArrayLike<number>
  /** pieces of the line and longest part of its steps, s, where others than usual are wanted */
  readonly pieces?: number
  readonly partS?: number
}

/** A held line beside a motion: before a step it works out the pull that stands through it. */
export interface HeldBeside {
  /** pull at the tie point, world axes, N (3), or nothing while the motion without the line is asked for */
  readonly pull: Float64Array
  readonly line: HeldLine
  /** depth that no tie point goes below on the line that is out, m; Infinity where line is given */
  readonly deepestM: number
  /** @param y state; @param stepS until the next call */
  readonly before: (y: Float64Array, stepS: number) => void
  /** places of LINE_MARKS points of the line, x y z, m */ readonly marks: () => Float64Array
}

/**
 * @param rate of the motion's state, reading `pull`;
 * @param size numbers of the state;
 * @param read the line's end off it
 * @param atZ which number of it is the height of what is tied to the line
 */
export function holdLine(
  options: HoldLineOptions,
  pull: Float64Array,
  rate: (y: Float64Array, dy: Float64Array) => void,
  size: number,
  read: ReadEnd,
  atZ = 2,
): HeldBeside {
  const { hold, stream, factors, sinkingN } = options
  const line = heldLine({
    ...options,
    runsAtN: factors.fingerPull * Math.max(0, sinkingN),
    dragFactor: factors.lineDrag,
  })
  const end = lineEnd()
  const dy = new Float64Array(size)
  const flow = new Float64Array(2)
  const fixed = hold.mode === 'tight' && hold.lift === undefined
  return {
    pull,
    line,
    deepestM: fixed ? line.outM() - ROD_TIP_M : Infinity,
    before(y, stepS) {
      pull.fill(0)
      rate(y, dy)
      flow.fill(0)
      stream?.(y[atZ]!, flow)
      read(y, dy, flow, end)
      line.step(stepS, end)
      pull.set(line.force)
    },
    marks: () => marksOf(line),
  }
}

/** Points at equal parts of the line's number of pieces: it is finest where it bends most. */
function marksOf(line: HeldLine): Float64Array {
  const marks = new Float64Array(3 * LINE_MARKS)
  const pieces = line.count() - 1
  for (let m = 0; m < LINE_MARKS; m++) {
    const at = (m * pieces) / (LINE_MARKS - 1)
    const i = Math.min(pieces - 1, Math.floor(at))
    for (let k = 0; k < 3; k++)
      marks[3 * m + k] =
        line.places[3 * i + k]! + (at - i) * (line.places[3 * i + 3 + k]! - line.places[3 * i + k]!)
  }
  return marks
}

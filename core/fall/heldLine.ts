import { GRAVITY_MS2 } from '../constants'
import { blockTridiagonal } from '../numerics/blockTridiagonal'
import type { Line } from '../tackle/lines'
import type { Water } from '../water/water'
import { cylinderCd } from './dragCurves'
import { shearPerSpeed } from './lineDrag'
import { tipAt, type LineHold } from './lineHold'

/**
 * A fishing line from the rod tip through air and water to the rig, as masses joined by springs that only
 * pull (lumped mass; Choo & Casarella, J. Hydronautics 5 (1971) 125; Ablow & Schechter, Ocean Engng 10 (1983)
 * 443). Each piece has its weight in air or water, drag across and along itself by its own speed through
 * water, current or air, and the stiffness of its stretch; bending stiffness, surface tension and wind are
 * left out. It is stepped by backward Euler, linearised once, with the rig's own inertia at the tie point in
 * the same system, so that no step is too long for a stiff line.
 */
export interface HeldLine {
  /** pull on the tie point, world axes, N (3), overwritten by every step */ readonly force: Float64Array
  /**
   * places of the line's points from the rod tip to the tie point, world, m, packed by three; `count` of them
   * are in use
   */
  readonly places: Float64Array
  readonly count: () => number
  /** how much line is out, m */ readonly outM: () => number
  /**
   * From now on slack is taken in at the rod, so that it pulls there as hard as a light pull: as one does
   * once a weight is down.
   */
  readonly takeIn: () => void
  /** Moves the line over a step and leaves in `force` the pull that belongs to it. */ readonly step: (
    stepS: number,
    end: LineEnd,
  ) => void
}

/** The end of the line at the rig, at the start of a step. World axes. */
export interface LineEnd {
  readonly place: Float64Array
  readonly velocity: Float64Array
  /** acceleration it would have without the line, m/s² */ readonly acceleration: Float64Array
  /** inertia that the line feels there, 3×3 row-major, kg */ readonly massKg: Float64Array
}

export interface HeldLineOptions {
  readonly hold: Exclude<LineHold, { readonly mode: 'slack' }>
  readonly line: Line
  readonly water: Water
  /** tension at which a light pull lets line go, N */ readonly runsAtN: number
  /** multiplies the drag of the line across itself */ readonly dragFactor?: number
  readonly stream?: (z: number, out: Float64Array) => void
  /** place of the tie point at the start, world, m */ readonly from: ArrayLike<number>
  /** pieces at the start; more make it finer */ readonly pieces?: number
  /** longest part of a step, s */ readonly partS?: number
}

/**
 * Pieces of a line at the start, and each of sixteen longer than the next toward the rig by so much: fine
 * where it bends most. A line that is given bends sharply where it enters the water, and has more.
 */
const PIECES = { controlled: 24, tight: 16 } as const
const GROWN_IN = 16
const GROWTH = 1.25
/** Room for pieces that come off the spool. */
const MOST_PIECES = 160
/** A piece at the rod longer than this many of its first length is cut in two. */
const CUT_AT = 2
/** Least stretch of line between rod and rig, m. */
const LEAST_OUT_M = 0.3
/**
 * Longest part of a step that the line takes at once, s; shorter while the rig gets going and the line speeds
 * up from rest.
 */
const PART_S = 0.01
const EARLY = { untilS: 0.5, partS: 0.0025 } as const
/**
 * Tries at which pieces are slack; most steps need one. After the first few, pieces may only go taut, so that
 * the search ends.
 */
const TRIES = 24
const FREE_TRIES = 4
/** Air at 15 °C, sea level (ICAO standard atmosphere): kg/m³ and Pa·s. */
const AIR: Water = { densityKgM3: 1.225, viscosityPaS: 1.81e-5 }
/**
 * Speed below which the shear along a line is taken as at this speed, m/s: it only keeps the logarithm
 * finite.
 */
const LEAST_MS = 1e-3

type PieceState = 0 | 1 | 2
const SLACK: PieceState = 0
const TAUT: PieceState = 1
/** at the rod: running out under the finger */
const RUNNING: PieceState = 2

/** @throws RangeError when pieces is less than 2 or more than 80 */
export function heldLine({
  hold,
  line,
  water,
  runsAtN: fingerN,
  dragFactor = 1,
  stream,
  from,
  pieces = PIECES[hold.mode],
  partS = PART_S,
}: HeldLineOptions): HeldLine {
  if (!(pieces >= 2 && pieces <= MOST_PIECES / 2))
    throw new RangeError(`heldLine: pieces must lie in 2..${MOST_PIECES / 2}, got ${pieces}`)
  const tip = Float64Array.of(-hold.rodDistanceM, 0, tipAt(hold.lift, 0)[0])
  let runsAtN = hold.mode === 'controlled' ? fingerN : Infinity
  /**
   * pull in the middle of the piece at the rod while it runs: the upper half of it hangs below the finger, N
   */
  let pullsAtN = runsAtN
  let takesIn = false
  const size = 3 * (MOST_PIECES + 1)
  const places = new Float64Array(size)
  const velocities = new Float64Array(size)
  const rest = new Float64Array(MOST_PIECES)
  const tension = new Float64Array(MOST_PIECES)
  const lengths = new Float64Array(MOST_PIECES)
  const directions = new Float64Array(size)
  const stretches = new Float64Array(MOST_PIECES)
  const states = new Uint8Array(MOST_PIECES)
  const own = new Float64Array(9 * MOST_PIECES)
  const ownLoad = new Float64Array(size)
  const diagonal = new Float64Array(9 * MOST_PIECES)
  const coupling = new Float64Array(9 * MOST_PIECES)
  const shift = new Float64Array(size)
  const expected = new Float64Array(size)
  const expectedV = new Float64Array(size)
  const dragNow = new Float64Array(2)
  const piece = new Float64Array(9)
  const force = new Float64Array(3)
  const flow = new Float64Array(3)
  const { solve } = blockTridiagonal(MOST_PIECES)
  const section = (Math.PI / 4) * line.diameterM ** 2
  const earlyS = (partS * EARLY.partS) / PART_S
  let n = pieces
  let t = 0
  let cutM = 0

  lay()

  /** Straight from the rod tip to the tie point, at rest. */
  function lay(): void {
    const span = [0, 1, 2].map(k => from[k]! - tip[k]!)
    const out = Math.max(LEAST_OUT_M, Math.hypot(...span))
    const parts = Array.from({ length: n }, (_, i) => GROWTH ** (((n - 1 - i) * GROWN_IN) / n))
    const whole = parts.reduce((sum, p) => sum + p, 0)
    let along = 0
    for (let i = 0; i <= n; i++) {
      for (let k = 0; k < 3; k++) places[3 * i + k] = tip[k]! + span[k]! * along
      if (i === n) break
      rest[i] = (out * parts[i]!) / whole
      along += parts[i]! / whole
    }
    cutM = CUT_AT * rest[0]!
    states.fill(TAUT, 0, n)
  }

  /**
   * Where every point is expected at the end of the step, with what speed: the points of the line go on as
   * they went, the rig as it would without the line.
   */
  function predict(stepS: number, end: Pick<LineEnd, 'acceleration'>, tipZ: number): void {
    for (let i = 3; i < 3 * n; i++) {
      expected[i] = places[i]! + stepS * velocities[i]!
      expectedV[i] = velocities[i]!
    }
    for (let k = 0; k < 3; k++) {
      const e = 3 * n + k
      expectedV[e] = velocities[e]! + stepS * end.acceleration[k]!
      expected[e] = places[e]! + stepS * expectedV[e]!
      expected[k] = places[k]!
    }
    expected[2] = tipZ
    for (let i = 0; i < n; i++) {
      const a = 3 * i
      const dx = expected[a + 3]! - expected[a]!
      const dy = expected[a + 4]! - expected[a + 1]!
      const dz = expected[a + 5]! - expected[a + 2]!
      const length = Math.max(1e-6, Math.sqrt(dx * dx + dy * dy + dz * dz))
      lengths[i] = length
      directions[a] = dx / length
      directions[a + 1] = dy / length
      directions[a + 2] = dz / length
      stretches[i] = length - rest[i]!
    }
  }

  const stiffnessOf = (i: number): number => line.stiffnessN / rest[i]!

  /** How much of a piece is under water, reckoned from its lower end. */
  function wetPart(i: number): number {
    const za = expected[3 * i + 2]!
    const zb = expected[3 * i + 5]!
    const low = Math.min(za, zb)
    const high = Math.max(za, zb)
    return high <= 0 ? 1 : low >= 0 ? 0 : -low / (high - low)
  }

  /** Inertia, drag and weight of every point, without the pull of its neighbours, about what is expected. */
  function ownParts(stepS: number, end: LineEnd): void {
    own.fill(0, 0, 9 * n)
    ownLoad.fill(0, 0, 3 * (n + 1))
    let wetM = 0
    for (let i = 0; i < n; i++) wetM += wetPart(i) * rest[i]!
    const q = 3 * n - 3
    const slide = Math.max(
      LEAST_MS,
      Math.abs(
        directions[q]! * velocities[q + 3]! +
          directions[q + 1]! * velocities[q + 4]! +
          directions[q + 2]! * velocities[q + 5]!,
      ),
    )
    pullsAtN = Math.max(0, runsAtN + weightOf(rest[0]! / 2, Math.max(0, 2 * wetPart(0) - 1)) * directions[2]!)
    const shear = wetM > 0 ? shearPerSpeed(line, water, wetM, slide) / wetM : 0
    for (let i = 0; i < n; i++) {
      const half = rest[i]! / 2
      const wet = wetPart(i)
      const lower = Math.min(1, 2 * wet)
      const upper = Math.max(0, 2 * wet - 1)
      const falls = expected[3 * i + 5]! <= expected[3 * i + 2]!
      if (i > 0) halfPiece(i, i, half, falls ? upper : lower, shear, stepS)
      halfPiece(i + 1, i, half, falls ? lower : upper, shear, stepS)
    }
    endInertia(stepS, end)
  }

  /**
   * Adds half a piece to a point: its mass with that of the water it moves, its weight, and drag linear in
   * the point's next speed.
   */
  function halfPiece(
    point: number,
    along: number,
    lengthM: number,
    wet: number,
    shear: number,
    stepS: number,
  ): void {
    const p = 3 * point
    const d = 9 * (point - 1)
    const q = 3 * along
    const volume = section * lengthM
    const massKg = volume * (line.densityKgM3 + wet * water.densityKgM3)
    if (wet > 0 && stream) stream(expected[p + 2]!, flow)
    const flowX = wet > 0 ? flow[0]! : 0
    const flowY = wet > 0 ? flow[1]! : 0
    const nx = directions[q]!
    const ny = directions[q + 1]!
    const nz = directions[q + 2]!
    const ux = velocities[p]! - flowX
    const uy = velocities[p + 1]! - flowY
    const uz = velocities[p + 2]!
    const slide = ux * nx + uy * ny + uz * nz
    // across the piece, with the speed at the start of the step
    const vx = ux - slide * nx
    const vy = uy - slide * ny
    const vz = uz - slide * nz
    const across = Math.sqrt(vx * vx + vy * vy + vz * vz)
    acrossOf(wet, across, lengthM)
    const normal = dragNow[0]!
    // Newton: what the drag grows by with speed in its own direction, over the secant's
    const grows = across > 1e-9 ? dragNow[1]! / (across * across) : 0
    const lengthwise = wet * shear * lengthM - normal
    // by so much does a shift in place change the speed, per metre
    const perM = 1 / stepS
    const c0 = perM * lengthwise * nx
    const c1 = perM * lengthwise * ny
    const c2 = perM * lengthwise * nz
    const g0 = perM * grows * vx
    const g1 = perM * grows * vy
    const g2 = perM * grows * vz
    const straight = perM * (perM * massKg + normal)
    own[d]! += straight + c0 * nx + g0 * vx
    own[d + 1]! += c0 * ny + g0 * vy
    own[d + 2]! += c0 * nz + g0 * vz
    own[d + 4]! += straight + c1 * ny + g1 * vy
    own[d + 5]! += c1 * nz + g1 * vz
    own[d + 8]! += straight + c2 * nz + g2 * vz
    const ex = expectedV[p]! - flowX
    const ey = expectedV[p + 1]! - flowY
    const ez = expectedV[p + 2]!
    const sheared = lengthwise * (ex * nx + ey * ny + ez * nz)
    const more = grows * ((ex - ux) * vx + (ey - uy) * vy + (ez - uz) * vz)
    ownLoad[p]! -=
      normal * ex + sheared * nx + more * vx + (massKg * (expectedV[p]! - velocities[p]!)) / stepS
    ownLoad[p + 1]! -=
      normal * ey + sheared * ny + more * vy + (massKg * (expectedV[p + 1]! - velocities[p + 1]!)) / stepS
    ownLoad[p + 2]! -=
      normal * ez +
      sheared * nz +
      more * vz +
      (massKg * (expectedV[p + 2]! - velocities[p + 2]!)) / stepS +
      weightOf(lengthM, wet)
  }

  /** Weight of so much line in air and water, N. */
  const weightOf = (lengthM: number, wet: number): number =>
    section * lengthM * GRAVITY_MS2 * (line.densityKgM3 - wet * water.densityKgM3)

  /**
   * Drag across so much line over its speed, N·s/m, and how much that grows with speed, times the speed, into
   * `dragNow`.
   */
  function acrossOf(wet: number, speedMS: number, lengthM: number): void {
    dragNow[0] = 0
    dragNow[1] = 0
    if (wet > 0) addDrag(water, wet * lengthM, speedMS)
    if (wet < 1) addDrag(AIR, (1 - wet) * lengthM, speedMS)
  }
  function addDrag(fluid: Water, lengthM: number, speedMS: number): void {
    if (!(speedMS > 0)) return
    const cd = cylinderCd((fluid.densityKgM3 * speedMS * line.diameterM) / fluid.viscosityPaS)
    const drag = 0.5 * fluid.densityKgM3 * cd * line.diameterM * speedMS * dragFactor * lengthM
    dragNow[0]! += drag
    // d ln(Cd·U)/d ln U of 1 + 10 Re^(-2/3)
    dragNow[1]! += drag * (1 - (2 / 3) * (1 - 1 / cd))
  }

  /** The rig's inertia at the end of the line: without a pull it does as expected. */
  function endInertia(stepS: number, end: LineEnd): void {
    const last = 9 * (n - 1)
    const m = end.massKg
    const per = 1 / (stepS * stepS)
    own[last]! += per * m[0]!
    own[last + 1]! += per * m[1]!
    own[last + 2]! += per * m[2]!
    own[last + 4]! += per * m[4]!
    own[last + 5]! += per * m[5]!
    own[last + 8]! += per * m[8]!
  }

  /**
   * Puts the system together for the present guess of which pieces pull, and solves it for how far every
   * point comes from where it was expected.
   */
  function solveShift(): void {
    for (let i = 0; i < n; i++) {
      const d = 9 * i
      diagonal[d] = own[d]!
      diagonal[d + 1] = diagonal[d + 3] = own[d + 1]!
      diagonal[d + 2] = diagonal[d + 6] = own[d + 2]!
      diagonal[d + 4] = own[d + 4]!
      diagonal[d + 5] = diagonal[d + 7] = own[d + 5]!
      diagonal[d + 8] = own[d + 8]!
      for (let k = 0; k < 3; k++) shift[3 * i + k] = ownLoad[3 * i + 3 + k]!
    }
    for (let i = 0; i < n; i++) addPiece(i)
    solve(n, diagonal, coupling, shift)
  }

  function addPiece(i: number): void {
    const c = 9 * (i - 1)
    const state = states[i]!
    if (state === SLACK) {
      if (i > 0) coupling.fill(0, c, c + 9)
      return
    }
    const pull = state === RUNNING ? pullsAtN : stiffnessOf(i) * stretches[i]!
    const sideways = tension[i]! / lengths[i]!
    const lengthwise = (state === RUNNING ? 0 : stiffnessOf(i)) - sideways
    const q = 3 * i
    const nx = directions[q]!
    const ny = directions[q + 1]!
    const nz = directions[q + 2]!
    piece[0] = lengthwise * nx * nx + sideways
    piece[1] = piece[3] = lengthwise * nx * ny
    piece[2] = piece[6] = lengthwise * nx * nz
    piece[4] = lengthwise * ny * ny + sideways
    piece[5] = piece[7] = lengthwise * ny * nz
    piece[8] = lengthwise * nz * nz + sideways
    const d = 9 * i
    for (let k = 0; k < 9; k++) diagonal[d + k]! += piece[k]!
    shift[q]! -= pull * nx
    shift[q + 1]! -= pull * ny
    shift[q + 2]! -= pull * nz
    if (i === 0) return
    for (let k = 0; k < 9; k++) {
      diagonal[c + k]! += piece[k]!
      coupling[c + k] = piece[k]!
    }
    shift[q - 3]! += pull * nx
    shift[q - 2]! += pull * ny
    shift[q - 1]! += pull * nz
  }

  /** Whether the hand takes line in: it stops where the piece at the rod is all in. */
  const reeling = (): boolean => takesIn && rest[0]! > LEAST_OUT_M / 2

  function takeIn(): void {
    takesIn = true
    runsAtN = fingerN
  }

  /** Which pieces pull after the shift; true where that is what was taken. @param free pieces may go slack */
  function settle(free: boolean): boolean {
    let same = true
    for (let i = 0; i < n; i++) {
      const a = 3 * i
      let opens =
        directions[a]! * shift[a]! + directions[a + 1]! * shift[a + 1]! + directions[a + 2]! * shift[a + 2]!
      if (i > 0)
        opens -=
          directions[a]! * shift[a - 3]! +
          directions[a + 1]! * shift[a - 2]! +
          directions[a + 2]! * shift[a - 1]!
      const pull = stiffnessOf(i) * (stretches[i]! + opens)
      const state =
        i === 0 && (pull > pullsAtN || reeling())
          ? RUNNING
          : pull <= 0 && (free || states[i] === SLACK)
            ? SLACK
            : TAUT
      if (state !== states[i]) same = false
      states[i] = state
      tension[i] = state === RUNNING ? pullsAtN : Math.max(0, pull)
    }
    return same
  }

  /** One part of a step; `force` gathers the pull, of which this part has its share. */
  function part(stepS: number, end: LineEnd, share: number): void {
    const [tipZ, tipSpeed] = tipAt(hold.lift, t + stepS)
    predict(stepS, end, tipZ)
    ownParts(stepS, end)
    for (let tries = 0; tries < TRIES; tries++) {
      solveShift()
      if (settle(tries < FREE_TRIES)) break
    }
    pullOnEnd(stepS, end, share)
    for (let i = 3; i < 3 * (n + 1); i++) {
      places[i] = expected[i]! + shift[i - 3]!
      velocities[i] = expectedV[i]! + shift[i - 3]! / stepS
    }
    places[2] = tipZ
    velocities[2] = tipSpeed
    t += stepS
    runOut()
  }

  function step(stepS: number, end: LineEnd): void {
    places.set(end.place, 3 * n)
    velocities.set(end.velocity, 3 * n)
    force.fill(0)
    const parts = Math.ceil(stepS / (t < EARLY.untilS ? earlyS : partS) - 1e-9)
    for (let i = 0; i < parts; i++) part(stepS / parts, end, 1 / parts)
  }

  /** What the end's inertia feels of the line. */
  function pullOnEnd(stepS: number, { massKg }: LineEnd, share: number): void {
    const e = 3 * (n - 1)
    for (let a = 0; a < 3; a++)
      force[a]! +=
        (share *
          (massKg[3 * a]! * shift[e]! +
            massKg[3 * a + 1]! * shift[e + 1]! +
            massKg[3 * a + 2]! * shift[e + 2]!)) /
        (stepS * stepS)
  }

  /**
   * Line that ran out under the finger lengthens the piece at the rod, which is cut in two once it is long.
   */
  function runOut(): void {
    if (states[0] !== RUNNING) return
    const length = Math.hypot(places[3]! - places[0]!, places[4]! - places[1]!, places[5]! - places[2]!)
    const unstretched = length / (1 + pullsAtN / line.stiffnessN)
    rest[0] = reeling() ? Math.max(LEAST_OUT_M / 2, unstretched) : Math.max(rest[0]!, unstretched)
    if (rest[0]! < cutM || n >= MOST_PIECES) return
    for (const list of [places, velocities]) {
      list.copyWithin(3, 0, 3 * n + 3)
      for (let k = 0; k < 3; k++) list[3 + k] = (list[k]! + list[6 + k]!) / 2
    }
    for (const list of [rest, tension, states]) list.copyWithin(1, 0, n)
    rest[0]! /= 2
    rest[1] = rest[0]!
    states[1] = TAUT
    n++
  }

  return {
    force,
    places,
    count: () => n + 1,
    outM: () => rest.subarray(0, n).reduce((sum, l) => sum + l, 0),
    takeIn,
    step,
  }
}

import { fromHeadingPitchRoll, ROD_TIP_M, rotate, SAMPLE_STRIDE } from '#core'
import type { Letter } from '#schemas/ranges'
import { bentParts } from './bend'
import { bendAt, heldLineAt, momentAt, reachOf, weightAt, type Moment } from './dropPath'
import type { Diver, Floater, TankFrame, Zone } from './diver'
import { laneColour, PATTERNS, token } from './identity'
import { sideView, type SideView } from './projection'

/**
 * Where things stand on the canvas: pixels per metre of water, the surface, and how much larger than that the
 * rigs are drawn.
 */
export interface TankScale {
  readonly perM: number
  readonly top: number
  readonly floor: number
  readonly magnified: number
  /** canvas x of each diver's splash */ readonly starts: readonly number[]
  /** and of those that float */ readonly floats: readonly number[]
}

const LEFT = 44
const RIGHT = 26
const TOP = 16
const BOTTOM = 18
/** Least thickness of the bed, px. */
export const BED_PX = 14

/** Fits depth and drift into the canvas at one scale for both, so that the slope of every path is true. */
export function tankScale({ width, height, depthM, divers, floaters = [] }: TankFrame): TankScale {
  const deep = height - TOP - BOTTOM
  const reaches = divers.map(d => reachOf(d.drop))
  // away from the rod is drawn to the left, nose leading, as in the sketches
  const furthest = Math.max(0, ...reaches.map(([, high]) => high))
  const widest = Math.max(0.05, furthest - Math.min(0, ...reaches.map(([low]) => low)))
  const room = width - LEFT - RIGHT
  const perM = Math.min(deep / depthM, (0.82 * room) / widest)
  const all = [...divers, ...floaters]
  const column = (room - widest * perM) / Math.max(1, all.length)
  const longest = Math.max(0.05, ...all.map(d => d.solid.lengthM))
  const starts = all.map((_, i) => LEFT + column * (i + 0.5) + furthest * perM)
  const magnified = Math.max(1, Math.min(56 / (longest * perM), 12))
  return {
    perM,
    top: TOP,
    floor: TOP + depthM * perM,
    magnified,
    starts: starts.slice(0, divers.length),
    floats: starts.slice(divers.length),
  }
}

/** Draws the tank at a time. */
export function drawTank(ctx: CanvasRenderingContext2D, frame: TankFrame, scale: TankScale, t: number): void {
  const { width, height } = frame
  const water = ctx.createLinearGradient(0, scale.top, 0, scale.floor)
  water.addColorStop(0, token('water-top'))
  water.addColorStop(1, mix(token('water-deep'), 0.45))
  ctx.fillStyle = water
  ctx.fillRect(0, scale.top, width, scale.floor - scale.top)
  ctx.fillStyle = token('bed')
  ctx.fillRect(0, scale.floor, width, height - scale.floor)
  if (frame.zone) feedingZone(ctx, frame.zone, scale, width, frame.bare === true)
  ruler(ctx, frame, scale)
  for (const ghost of frame.ghosts ?? []) {
    const i = frame.divers.findIndex(d => d.letter === ghost.letter)
    if (i >= 0) ghostPath(ctx, ghost, scale, scale.starts[i]!)
  }
  frame.divers.forEach((diver, i) => path(ctx, diver, scale, scale.starts[i]!, t))
  frame.divers.forEach((diver, i) => rig(ctx, diver, scale, scale.starts[i]!, t, frame.rodDistanceM))
  frame.floaters?.forEach((floater, i) => floating(ctx, floater, scale, scale.floats[i]!))
}

/** The band the fish feed in: lighter water between two dashed lines, and a bar along the ruler. */
function feedingZone(
  ctx: CanvasRenderingContext2D,
  { fromM, toM }: Zone,
  { perM, top }: TankScale,
  width: number,
  named: boolean,
): void {
  const [y, high] = [top + fromM * perM, (toM - fromM) * perM]
  ctx.fillStyle = mix(token('raised'), 0.3)
  ctx.fillRect(0, y, width, high)
  ctx.fillStyle = ctx.strokeStyle = token('float')
  ctx.fillRect(0, y, 4, high)
  ctx.lineWidth = 1
  ctx.setLineDash([6, 5])
  line(ctx, 0, y, width, y)
  line(ctx, 0, y + high, width, y + high)
  ctx.setLineDash([])
  if (!named) return
  ctx.font = '12px "Archivo Variable", sans-serif'
  ctx.textAlign = 'right'
  ctx.fillText('fish here', width - 6, y + 13)
  ctx.textAlign = 'left'
}

const mix = (hex: string, alpha: number): string =>
  hex.startsWith('#')
    ? `${hex}${Math.round(alpha * 255)
        .toString(16)
        .padStart(2, '0')}`
    : hex

/** Depths along the left, in the angler's unit. */
function ruler(
  ctx: CanvasRenderingContext2D,
  { depthM, unit }: TankFrame,
  { perM, top, floor }: TankScale,
): void {
  const step = [0.1, 0.25, 0.5, 1, 2, 5, 10, 20, 50].find(s => unit.to(s) * perM >= 26) ?? 50
  ctx.strokeStyle = ctx.fillStyle = token('ink')
  ctx.lineWidth = 1
  ctx.font = '12px "Archivo Variable", sans-serif'
  for (let n = 0; unit.to((n * step) / 5) <= depthM + 1e-9; n++) {
    const y = Math.round(top + unit.to((n * step) / 5) * perM) + 0.5
    const major = n % 5 === 0
    line(ctx, 0, y, major ? 9 : 4, y)
    if (major && n > 0 && y < floor - 8) ctx.fillText(String(Number(((n * step) / 5).toFixed(2))), 12, y + 4)
  }
  line(ctx, 0, top, ctx.canvas.width, top)
  line(ctx, 0, floor, ctx.canvas.width, floor)
}

function line(ctx: CanvasRenderingContext2D, x1: number, y1: number, x2: number, y2: number): void {
  ctx.beginPath()
  ctx.moveTo(x1, y1)
  ctx.lineTo(x2, y2)
  ctx.stroke()
}

/** An older drop of a rig, to compare with. */
function ghostPath(
  ctx: CanvasRenderingContext2D,
  { drop: { samples: s } }: Diver,
  scale: TankScale,
  start: number,
): void {
  ctx.strokeStyle = token('ink-soft')
  ctx.lineWidth = 1.2
  ctx.setLineDash([1, 4])
  ctx.beginPath()
  for (let i = 0; i < s.length; i += SAMPLE_STRIDE)
    ctx.lineTo(start - s[i + 1]! * scale.perM, scale.top - s[i + 3]! * scale.perM)
  ctx.stroke()
  ctx.setLineDash([])
}

/**
 * The way still to fall faintly, the way fallen in the rig's colour and pattern, a tick for every second
 * counted.
 */
function path(
  ctx: CanvasRenderingContext2D,
  { letter, drop }: Diver,
  scale: TankScale,
  start: number,
  t: number,
): void {
  const s = drop.samples
  const at = (i: number): [number, number] => [
    start - s[i + 1]! * scale.perM,
    scale.top - s[i + 3]! * scale.perM,
  ]
  const stroke = (until: number): void => {
    ctx.beginPath()
    let [px, py] = at(0)
    ctx.moveTo(px, py)
    for (let i = SAMPLE_STRIDE; i < s.length && s[i]! <= until; i += SAMPLE_STRIDE) {
      const [x, y] = at(i)
      if (Math.abs(x - px) + Math.abs(y - py) < 1.5) continue
      ctx.lineTo((px = x), (py = y))
    }
    ctx.stroke()
  }
  ctx.strokeStyle = laneColour(letter)
  ctx.lineWidth = 1
  ctx.globalAlpha = 0.3
  stroke(Infinity)
  ctx.globalAlpha = 1
  ctx.lineWidth = 2
  ctx.setLineDash([...PATTERNS[letter]])
  stroke(t)
  ctx.setLineDash([])
  ctx.fillStyle = laneColour(letter)
  const every = drop.timeS > 30 ? 10 : drop.timeS > 12 ? 5 : 1
  for (let second = every; second <= Math.min(t, drop.timeS); second += every) {
    const m = momentAt(drop, second)
    ctx.fillRect(start - m.x * scale.perM - 5, scale.top - m.z * scale.perM - 0.75, 10, 1.5)
  }
}

function rig(
  ctx: CanvasRenderingContext2D,
  { letter, drop, solid, rest, links }: Diver,
  scale: TankScale,
  start: number,
  t: number,
  rodDistanceM?: number,
): void {
  const m = momentAt(drop, t, rest)
  const view = sideView(solid, m.q, links && bentParts(links, bendAt(drop, t, rest)))
  const k = scale.perM * scale.magnified
  const x = start - m.x * scale.perM
  const y = Math.min(scale.top - m.z * scale.perM, scale.floor + (view.lowest + m.sunkM) * k)
  ctx.lineJoin = 'round'
  lineAndWeight(ctx, { letter, drop, solid }, scale, {
    x,
    y,
    k,
    start,
    m,
    t,
    ...(rodDistanceM === undefined ? {} : { rodDistanceM }),
  })
  silhouette(ctx, letter, view, { x, y, k })
  badge(ctx, letter, x, Math.max(scale.top + 2, y - 20))
}

/** One that floats, as it sits in the surface; the water that covers it is laid over it. */
function floating(
  ctx: CanvasRenderingContext2D,
  { letter, solid, sits }: Floater,
  scale: TankScale,
  x: number,
): void {
  const view = sideView(solid, fromHeadingPitchRoll(0, sits.pitchRad, sits.rollRad))
  const k = scale.perM * scale.magnified
  const y = scale.top + sits.surfaceM * k
  silhouette(ctx, letter, view, { x, y, k })
  const half = (solid.lengthM / 2) * k + 8
  ctx.fillStyle = mix(token('water-top'), 0.55)
  ctx.fillRect(x - half, scale.top, 2 * half, Math.max(0, y - view.lowest * k - scale.top) + 2)
  ctx.strokeStyle = token('ink')
  ctx.lineWidth = 1
  line(ctx, x - half, scale.top, x + half, scale.top)
  badge(ctx, letter, x, y - view.lowest * k + 20)
}

/** A rig as it is seen from the side, its centre of gravity at a place of the canvas. */
function silhouette(
  ctx: CanvasRenderingContext2D,
  letter: Letter,
  view: SideView,
  { x, y, k }: { readonly x: number; readonly y: number; readonly k: number },
): void {
  const trace = (points: readonly number[], close: boolean): void => {
    ctx.beginPath()
    for (let i = 0; i < points.length; i += 2) ctx.lineTo(x - points[i]! * k, y - points[i + 1]! * k)
    if (close) ctx.closePath()
  }
  ctx.fillStyle = token('plastic')
  ctx.strokeStyle = laneColour(letter)
  ctx.lineWidth = 1.6
  for (const points of view.body) {
    trace(points, true)
    ctx.stroke()
  }
  for (const points of view.body) {
    trace(points, true)
    ctx.fill()
  }
  for (const { kind, points } of view.lumps) {
    trace(points, true)
    ctx.fillStyle =
      kind === 'paddle' || kind === 'fork' || kind === 'skirt' ? token('plastic') : token('lead')
    ctx.fill()
    ctx.stroke()
  }
  trace(view.wire, false)
  ctx.strokeStyle = token('steel')
  ctx.lineWidth = 1.1
  ctx.stroke()
}

interface Drawn {
  readonly x: number
  readonly y: number
  readonly k: number
  readonly start: number
  readonly m: Moment
  readonly t: number
  readonly rodDistanceM?: number
}

/** A tether this long or longer is drawn to the scale of the water, a shorter one to that of the rig, m. */
const LONG_TETHER_M = 0.05

/** The line up to the surface, and the weight that hangs on its own with its tether. */
function lineAndWeight(
  ctx: CanvasRenderingContext2D,
  { letter, drop, solid }: Diver,
  scale: TankScale,
  { x, y, k, start, m, t, rodDistanceM }: Drawn,
): void {
  const knot = rotate(m.q, solid.tie)
  const tie = [x - knot[0] * k, y - knot[2] * k] as const
  const weight = weightAt(drop, t)
  let end = tie
  ctx.strokeStyle = token('ink')
  ctx.lineWidth = 0.8
  if (weight && solid.second) {
    const apart = [weight[0] - m.x - knot[0], weight[2] - m.z - knot[2]] as const
    const near = Math.hypot(...apart) < LONG_TETHER_M
    const radius = (solid.second.diameterM / 2) * k
    const at = near
      ? ([tie[0] - apart[0] * k, Math.min(tie[1] - apart[1] * k, scale.floor - radius)] as const)
      : ([
          start - weight[0] * scale.perM,
          Math.min(scale.top - weight[2] * scale.perM, scale.floor - radius),
        ] as const)
    line(ctx, ...tie, ...at)
    ctx.beginPath()
    ctx.arc(...at, radius, 0, 2 * Math.PI)
    ctx.fillStyle = token('lead')
    ctx.fill()
    ctx.strokeStyle = laneColour(letter)
    ctx.lineWidth = 1.4
    ctx.stroke()
    if (solid.second.lineOnWeight) end = at
  }
  ctx.strokeStyle = token('ink')
  ctx.lineWidth = 0.8
  ctx.globalAlpha = 0.5
  const held = heldLineAt(drop, t)
  if (held) heldLine(ctx, held, scale, start, end)
  else if (rodDistanceM === undefined) line(ctx, ...end, start, scale.top)
  else line(ctx, ...end, start + rodDistanceM * scale.perM, scale.top - ROD_TIP_M * scale.perM)
  ctx.globalAlpha = 1
}

/** A held line as it bows, from the rod tip down; its end at the rig is where the rig is drawn. */
function heldLine(
  ctx: CanvasRenderingContext2D,
  marks: Float64Array,
  scale: TankScale,
  start: number,
  end: readonly [number, number],
): void {
  ctx.beginPath()
  const at = (i: number): readonly [number, number] =>
    i < marks.length - 3 ? [start - marks[i]! * scale.perM, scale.top - marks[i + 2]! * scale.perM] : end
  ctx.moveTo(...at(0))
  // smooth through the middles between its points, as the line itself is
  for (let i = 3; i < marks.length - 3; i += 3) {
    const [x, y] = at(i)
    const [nextX, nextY] = at(i + 3)
    const last = i + 6 >= marks.length
    ctx.quadraticCurveTo(x, y, last ? nextX : (x + nextX) / 2, last ? nextY : (y + nextY) / 2)
  }
  ctx.stroke()
}

function badge(ctx: CanvasRenderingContext2D, letter: Letter, x: number, y: number): void {
  ctx.fillStyle = laneColour(letter)
  ctx.fillRect(x - 7, y - 14, 14, 14)
  ctx.fillStyle = token('lane-ink')
  ctx.font = '600 11px "Archivo Variable", sans-serif'
  ctx.textAlign = 'center'
  ctx.fillText(letter, x, y - 3)
  ctx.textAlign = 'left'
}

import type { Picture } from '../../compute/trace/picture'

/**
 * What the made-up photograph shows, for those who want to check the tracing: shares of length as in the
 * catalogue.
 */
export const SAMPLE_TRUTH = {
  lengthMm: 92,
  at: [0, 0.03, 0.1, 0.2, 0.3, 0.42, 0.54, 0.66, 0.78, 0.88, 0.94, 1],
  height: [0.06, 0.1, 0.15, 0.185, 0.19, 0.178, 0.15, 0.115, 0.08, 0.06, 0.09, 0.075],
} as const

type Rgb = readonly [number, number, number]

/** A table with a scale and baits on it, and the camera over it. Lengths in mm, from the middle of the picture. */
export interface PhotoOf {
  readonly ground: 'paper' | 'wood' | 'cloth'
  readonly scale: 'plainCard' | 'printedCard' | 'coin'
  /** the bait's length; its heights are the sample's shares of it */ readonly baitMm: number
  readonly bait?: Rgb
  /** camera aside from plumb, rad, and toward which side of the table */ readonly tiltRad?: number
  readonly towardRad?: number
  /** a soft shadow beside every thing */ readonly shadow?: boolean
  /** a second, shorter bait */ readonly second?: boolean
  /** the table ends in a corner of the picture */ readonly corner?: boolean
  /** the baits' edges stand so far above the table, mm */ readonly standsMm?: number
  readonly pxPerMm?: number
  readonly width?: number
  readonly height?: number
}

/** Diameter of the made-up coin, mm. */
export const COIN_MM = 25
const CARD = { x: -42, y: -26, turn: -0.05, width: 85.6, height: 53.98, corner: 3.18 } as const
const PLAIN_CARD: Rgb = [64, 92, 120]
/** Where the table ends, sum of both places. */
const CORNER_MM = 118
const COIN = { x: -52, y: -26 } as const
const BAIT = { x: 6, y: 30, turn: 0.14, rgb: [176, 124, 84] } as const
const SECOND = { x: 48, y: -22, turn: 1.3, mm: 48, rgb: [96, 140, 60] } as const
/** How a shadow falls, mm aside, its softness, and what it leaves of the light. */
const SHADOW = { x: 2.5, y: 3.5, softMm: 5, left: 0.62 } as const
/** Focal length over the longer side of the picture. */
const FOCAL = 26 / 36

/** Somewhere on the table that lies turned: along and across it, mm. */
interface Laid {
  readonly x: number
  readonly y: number
  readonly turn: number
}
function local(x: number, y: number, { x: x0, y: y0, turn }: Laid): readonly [number, number] {
  const [cos, sin] = [Math.cos(turn), Math.sin(turn)]
  return [(x - x0) * cos + (y - y0) * sin, (y - y0) * cos - (x - x0) * sin]
}

/** How far inside a rounded card, mm; negative outside. */
function insideCard(x: number, y: number): number {
  const [u, v] = local(x, y, CARD)
  const [du, dv] = [Math.abs(u) - CARD.width / 2 + CARD.corner, Math.abs(v) - CARD.height / 2 + CARD.corner]
  return CARD.corner - (du > 0 && dv > 0 ? Math.hypot(du, dv) : Math.max(du, dv))
}
const insideCoin = (x: number, y: number): number => COIN_MM / 2 - Math.hypot(x - COIN.x, y - COIN.y)
function insideBait(x: number, y: number, at: Laid, mm: number): number {
  const [u, v] = local(x, y, at)
  const share = u / mm + 0.5
  return Math.min((mm * trueHeight(share)) / 2 - Math.abs(v), share * mm, (1 - share) * mm)
}

/** Colour of a printed card: a band, a mark, a field and numbers. */
function printOf(x: number, y: number): Rgb {
  const [u, v] = local(x, y, CARD)
  if (Math.abs(v + 16) < 4.5) return [30, 30, 34]
  if (Math.hypot(u - 28, v - 14) < 8) return [214, 160, 40]
  if (Math.abs(u + 26) < 7 && Math.abs(v - 2) < 5) return [198, 190, 150]
  if (Math.abs(v - 12) < 1.6 && u < 12 && Math.sin(2.4 * u) > 0) return [236, 231, 219]
  return [150 + u, 60, 74]
}

/** Wood with its grain along the table, cloth with its weave, or paper. */
function groundOf(kind: PhotoOf['ground'], x: number, y: number): Rgb {
  if (kind === 'paper') return [236, 231, 219]
  if (kind === 'cloth') {
    const weave = 1 + 0.06 * Math.sin(5 * x) * Math.sin(5 * y)
    return [72 * weave, 88 * weave, 104 * weave]
  }
  const bent = y + 3 * Math.sin(x / 31) + 0.8 * Math.sin(x / 7)
  const grain = 1 + 0.09 * Math.sin(bent / 1.7) + 0.05 * Math.sin(bent * 1.9) + 0.04 * Math.sin(x / 40 + bent)
  return [178 * grain, 132 * grain, 88 * grain]
}

/** Half the thickness of the sample's bait, as thick over high as the form it is most like, mm. */
const STANDS_MM = (0.19 * SAMPLE_TRUTH.lengthMm * (0.128 / 0.168)) / 2

/** The table's colours, and how far a place is from the nearest edge on it, mm. */
function tableOf(of: PhotoOf, raised: (x: number, y: number) => readonly [number, number]) {
  const scale = of.scale === 'coin' ? insideCoin : insideCard
  const baits: readonly { readonly at: Laid; readonly mm: number; readonly rgb: Rgb }[] = [
    { at: BAIT, mm: of.baitMm, rgb: of.bait ?? BAIT.rgb },
    ...(of.second ? [{ at: SECOND, mm: SECOND.mm, rgb: SECOND.rgb }] : []),
  ]
  const depthOf = (x: number, y: number): number => {
    const [bx, by] = raised(x, y)
    return baits.reduce((most, b) => Math.max(most, insideBait(bx, by, b.at, b.mm)), scale(x, y))
  }
  function colourAt(x: number, y: number): Rgb {
    if (scale(x, y) >= 0)
      return of.scale === 'coin' ? [150, 140, 104] : of.scale === 'printedCard' ? printOf(x, y) : PLAIN_CARD
    const [bx, by] = raised(x, y)
    for (const { at, mm, rgb } of baits) if (insideBait(bx, by, at, mm) >= 0) return rgb
    if (of.corner && x + y > CORNER_MM) return [34, 30, 28]
    const ground = groundOf(of.ground, x, y)
    if (!of.shadow) return ground
    const part = Math.max(0, Math.min(1, 0.5 + depthOf(x - SHADOW.x, y - SHADOW.y) / SHADOW.softMm))
    const light = 1 - (1 - SHADOW.left) * part * part * (3 - 2 * part)
    return [ground[0] * light, ground[1] * light, ground[2] * light]
  }
  return { colourAt, toEdge: (x: number, y: number) => Math.abs(depthOf(x, y)) }
}

/** Height of the made-up bait at a share of its length, as a share of it; straight between stations. */
export function trueHeight(share: number): number {
  const { at, height } = SAMPLE_TRUTH
  const s = Math.max(0, Math.min(1, share))
  const i = Math.max(
    1,
    at.findIndex(a => a >= s),
  )
  const part = (s - at[i - 1]!) / (at[i]! - at[i - 1]!)
  return height[i - 1]! + part * (height[i]! - height[i - 1]!)
}

/**
 * Where on the table a pixel looks, mm, for a pinhole camera that looks at the table's middle; and over which place of
 * the table the way there passes at a height.
 */
function looker({
  tiltRad = 0,
  towardRad = 0.6,
  pxPerMm = 6.4,
  width = 1120,
  height = 760,
  standsMm = 0,
}: PhotoOf) {
  const f = FOCAL * Math.max(width, height)
  const distance = f / pxPerMm
  const axis = [Math.cos(towardRad), Math.sin(towardRad)] as const
  const [cos, sin] = [Math.cos(tiltRad), Math.sin(tiltRad)]
  const foot = [-distance * sin * axis[0], -distance * sin * axis[1]] as const
  const at = (px: number, py: number): readonly [number, number] => {
    const [a, b] = [(px - width / 2) / f, (py - height / 2) / f]
    // turned so that the tilt is about the second axis
    const along = a * axis[0] + b * axis[1]
    const across = -a * axis[1] + b * axis[0]
    const down = cos - along * sin
    const reach = (distance * cos) / down
    const u = reach * (along * cos + sin) - distance * sin
    const v = reach * across
    return [u * axis[0] - v * axis[1], u * axis[1] + v * axis[0]]
  }
  const part = 1 - standsMm / (distance * cos)
  const raised = (x: number, y: number): readonly [number, number] => [
    foot[0] + part * (x - foot[0]),
    foot[1] + part * (y - foot[1]),
  ]
  return { at, raised }
}

/** A made-up photograph, unevenly lit and grainy, the same every time. */
export function photograph(of: PhotoOf): Picture {
  const { width = 1120, height = 760 } = of
  const rgba = new Uint8ClampedArray(4 * width * height)
  const { pxPerMm = 6.4 } = of
  const { at, raised } = looker(of)
  const { colourAt, toEdge } = tableOf(of, raised)
  const QUARTERS = [-0.25, 0.25].flatMap(dy => [-0.25, 0.25].map(dx => [dx, dy] as const))
  let seed = 20261
  const grain = (): number => {
    seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0
    return seed / 2 ** 32 - 0.5
  }
  for (let y = 0; y < height; y++) {
    for (let x = 0; x < width; x++) {
      const middle = at(x, y)
      // a pixel on an edge is a mixture
      const colours =
        toEdge(...middle) * pxPerMm < 3
          ? QUARTERS.map(([dx, dy]) => colourAt(...at(x + dx, y + dy)))
          : [colourAt(...middle)]
      const light = 1 + 0.05 * (x / width - 0.5) - 0.04 * (y / height - 0.5)
      const i = 4 * (y * width + x)
      for (let k = 0; k < 3; k++)
        rgba[i + k] = (colours.reduce((sum, c) => sum + c[k]!, 0) / colours.length) * light + 9 * grain()
      rgba[i + 3] = 255
    }
  }
  return { width, height, rgba }
}

/** The photograph to try tracing with: a kitchen table, a printed card, two baits, soft shadows, a camera held askew. */
export const samplePhoto = (): Picture =>
  photograph({
    ground: 'wood',
    scale: 'printedCard',
    baitMm: SAMPLE_TRUTH.lengthMm,
    bait: [120, 168, 64],
    tiltRad: 0.16,
    shadow: true,
    second: true,
    pxPerMm: 5,
    standsMm: STANDS_MM,
  })

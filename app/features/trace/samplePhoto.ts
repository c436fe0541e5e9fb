import type { Picture } from '../../compute/trace'

/**
 * What the made-up photograph shows, for those who want to check the tracing: shares of length as in the
 * catalogue.
 */
export const SAMPLE_TRUTH = {
  lengthMm: 92,
  at: [0, 0.03, 0.1, 0.2, 0.3, 0.42, 0.54, 0.66, 0.78, 0.88, 0.94, 1],
  height: [0.06, 0.1, 0.15, 0.185, 0.19, 0.178, 0.15, 0.115, 0.08, 0.06, 0.09, 0.075],
} as const

const WIDTH = 1120
const HEIGHT = 760
const PX_PER_MM = 6.4
/** Where card and bait lie, px, and how they are turned, rad. */
const CARD = {
  x: 330,
  y: 240,
  turn: -0.05,
  width: 85.6,
  height: 53.98,
  corner: 3.18,
  rgb: [64, 92, 120],
} as const
const BAIT = { x: 600, y: 560, turn: 0.14, rgb: [176, 124, 84] } as const
const PAPER = [236, 231, 219] as const

/** A picture of a made-up bait beside a card on paper, unevenly lit and grainy, the same every time. */
export function samplePhoto(): Picture {
  const rgba = new Uint8ClampedArray(4 * WIDTH * HEIGHT)
  let seed = 20261
  const grain = (): number => {
    seed = (Math.imul(seed, 1664525) + 1013904223) >>> 0
    return seed / 2 ** 32 - 0.5
  }
  for (let y = 0; y < HEIGHT; y++) {
    for (let x = 0; x < WIDTH; x++) {
      const colour = onCard(x, y) ? CARD.rgb : onBait(x, y) ? BAIT.rgb : PAPER
      const light = 1 + 0.05 * (x / WIDTH - 0.5) - 0.04 * (y / HEIGHT - 0.5)
      const i = 4 * (y * WIDTH + x)
      for (let k = 0; k < 3; k++) rgba[i + k] = colour[k]! * light + 9 * grain()
      rgba[i + 3] = 255
    }
  }
  return { width: WIDTH, height: HEIGHT, rgba }
}

/** Millimetres along and across a thing that lies turned on the paper. */
function local(
  x: number,
  y: number,
  at: { readonly x: number; readonly y: number; readonly turn: number },
): readonly [number, number] {
  const [dx, dy] = [(x - at.x) / PX_PER_MM, (y - at.y) / PX_PER_MM]
  return [dx * Math.cos(at.turn) + dy * Math.sin(at.turn), -dx * Math.sin(at.turn) + dy * Math.cos(at.turn)]
}

function onCard(x: number, y: number): boolean {
  const [u, v] = local(x, y, CARD)
  const du = Math.max(0, Math.abs(u) - CARD.width / 2 + CARD.corner)
  const dv = Math.max(0, Math.abs(v) - CARD.height / 2 + CARD.corner)
  return Math.hypot(du, dv) <= CARD.corner && Math.abs(u) <= CARD.width / 2 && Math.abs(v) <= CARD.height / 2
}

function onBait(x: number, y: number): boolean {
  const { lengthMm } = SAMPLE_TRUTH
  const [u, v] = local(x, y, BAIT)
  const share = u / lengthMm + 0.5
  return share >= 0 && share <= 1 && Math.abs(v) <= (lengthMm * trueHeight(share)) / 2
}

/** Height of the made-up bait at a share of its length, as a share of it; straight between stations. */
export function trueHeight(share: number): number {
  const { at, height } = SAMPLE_TRUTH
  const i = Math.max(
    1,
    at.findIndex(a => a >= share),
  )
  const part = (share - at[i - 1]!) / (at[i]! - at[i - 1]!)
  return height[i - 1]! + part * (height[i]! - height[i - 1]!)
}

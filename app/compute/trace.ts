/** A picture as a canvas gives it: RGBA, four bytes a pixel. */
export interface Picture {
  readonly width: number
  readonly height: number
  readonly rgba: Uint8ClampedArray
}

export type Point = readonly [x: number, y: number]

/**
 * A station across the traced bait, pixels: where along its axis (share of length from the first end), and
 * how far the outline stands off to either side.
 */
export interface TracedStation {
  readonly at: number
  readonly over: number
  readonly under: number
}

export interface Trace {
  readonly pxPerMm: number
  readonly card: readonly Point[]
  /** first end of the axis and unit direction along it */ readonly from: Point
  readonly along: Point
  readonly lengthPx: number
  readonly stations: readonly TracedStation[]
}

/** What to look for besides the card: a bait, or nothing, where only the scale is wanted. */
export interface TraceJob {
  readonly picture: Picture
  readonly want: 'bait' | 'scale'
}

export type TraceAnswer =
  { readonly ok: true; readonly trace: Trace } | { readonly ok: false; readonly message: string }

/** A bank card (ISO/IEC 7810, ID-1): sides and corner radius, mm. */
const CARD = { width: 85.6, height: 53.98, corner: 3.18 } as const
const CARD_MM2 = CARD.width * CARD.height - (4 - Math.PI) * CARD.corner ** 2
const CARD_RATIO = CARD.width / CARD.height

/** Stations proposed along a bait. */
const STATIONS = 21

/** Things smaller than this share of the picture are specks. */
const SPECK = 0.002

interface Blob {
  readonly pixels: Uint32Array
  readonly mean: Point
  readonly along: Point
  readonly long: readonly [number, number]
  readonly across: readonly [number, number]
}

/**
 * Finds a card of known size and the bait beside it on plain paper, photographed from straight above;
 * proposes length and outline. The paper's colour is that of the picture's rim; what differs from it by more
 * than Otsu's threshold (IEEE Trans. SMC 9, 1979) is a thing; the card is the thing that fills a rectangle of
 * its proportions, the bait the largest of the others. Axes by principal components.
 */
export function tracePicture({ picture: { width, height, rgba }, want }: TraceJob): TraceAnswer {
  const apart = distances(width, height, rgba)
  const threshold = otsu(apart)
  const blobs = blobsOf(apart, threshold, width, height)
  const card = blobs.filter(isCard).sort((a, b) => b.pixels.length - a.pixels.length)[0]
  if (!card)
    return {
      ok: false,
      message:
        'No card was found. Lay a bank card flat beside the bait, both wholly on plain paper of another colour, and photograph from straight above.',
    }
  const scale = { pxPerMm: Math.sqrt(card.pixels.length / CARD_MM2), card: corners(card) }
  if (want === 'scale')
    return { ok: true, trace: { ...scale, from: [0, 0], along: [1, 0], lengthPx: 0, stations: [] } }
  const bait = blobs.filter(b => b !== card).sort((a, b) => b.pixels.length - a.pixels.length)[0]
  if (!bait)
    return {
      ok: false,
      message:
        'A card was found, but no bait beside it. It must lie apart from the card and differ from the paper.',
    }
  const [l0, l1] = bait.long
  const lengthPx = l1 - l0
  if (lengthPx < 60) return { ok: false, message: 'The bait is too small in the picture: go nearer.' }
  return {
    ok: true,
    trace: {
      ...scale,
      from: [bait.mean[0] + l0 * bait.along[0], bait.mean[1] + l0 * bait.along[1]],
      along: bait.along,
      lengthPx,
      stations: stationsOf(bait, width),
    },
  }
}

/** Colour distance of every pixel from the paper, 0..441. */
function distances(width: number, height: number, rgba: Uint8ClampedArray): Float32Array {
  const rim: number[][] = [[], [], []]
  const note = (x: number, y: number): void => {
    for (let k = 0; k < 3; k++) rim[k]!.push(rgba[4 * (y * width + x) + k]!)
  }
  for (let x = 0; x < width; x += 4) for (const y of [1, height - 2]) note(x, y)
  for (let y = 0; y < height; y += 4) for (const x of [1, width - 2]) note(x, y)
  const paper = rim.map(values => values.sort((a, b) => a - b)[values.length >> 1]!)
  const apart = new Float32Array(width * height)
  for (let i = 0; i < apart.length; i++)
    apart[i] = Math.hypot(
      rgba[4 * i]! - paper[0]!,
      rgba[4 * i + 1]! - paper[1]!,
      rgba[4 * i + 2]! - paper[2]!,
    )
  return apart
}

/** Threshold that parts a histogram into the two classes furthest apart. */
function otsu(values: Float32Array): number {
  const bins = new Float64Array(442)
  for (const v of values) bins[Math.min(441, Math.floor(v))]!++
  const total = values.length
  let sum = 0
  bins.forEach((n, i) => (sum += n * i))
  let below = 0
  let sumBelow = 0
  let best = 0
  let at = 30
  for (let i = 0; i < 441; i++) {
    below += bins[i]!
    sumBelow += bins[i]! * i
    if (below === 0 || below === total) continue
    const gap = sumBelow / below - (sum - sumBelow) / (total - below)
    const spread = below * (total - below) * gap * gap
    if (spread > best) {
      best = spread
      at = i + 1
    }
  }
  // half-way to the paper's own noise keeps pale edges of things that are lighter than others
  return Math.max(18, at * 0.6)
}

/** Connected things above the threshold, specks left out, by flood fill. */
function blobsOf(apart: Float32Array, threshold: number, width: number, height: number): Blob[] {
  const seen = new Uint8Array(apart.length)
  const stack = new Uint32Array(apart.length)
  const blobs: Blob[] = []
  for (let start = 0; start < apart.length; start++) {
    if (seen[start] || apart[start]! <= threshold) continue
    let top = 0
    let count = 0
    const pixels: number[] = []
    stack[top++] = start
    seen[start] = 1
    while (top > 0) {
      const i = stack[--top]!
      pixels.push(i)
      count++
      const x = i % width
      for (const j of [x > 0 ? i - 1 : -1, x < width - 1 ? i + 1 : -1, i - width, i + width]) {
        if (j >= 0 && j < width * height && !seen[j] && apart[j]! > threshold) {
          seen[j] = 1
          stack[top++] = j
        }
      }
    }
    if (count > SPECK * apart.length) blobs.push(measured(Uint32Array.from(pixels), width))
  }
  return blobs
}

function measured(pixels: Uint32Array, width: number): Blob {
  let mx = 0
  let my = 0
  for (const i of pixels) {
    mx += i % width
    my += Math.floor(i / width)
  }
  mx /= pixels.length
  my /= pixels.length
  let xx = 0
  let yy = 0
  let xy = 0
  for (const i of pixels) {
    const dx = (i % width) - mx
    const dy = Math.floor(i / width) - my
    xx += dx * dx
    yy += dy * dy
    xy += dx * dy
  }
  const angle = 0.5 * Math.atan2(2 * xy, xx - yy)
  const along: Point = [Math.cos(angle), Math.sin(angle)]
  const long: [number, number] = [Infinity, -Infinity]
  const across: [number, number] = [Infinity, -Infinity]
  for (const i of pixels) {
    const dx = (i % width) - mx
    const dy = Math.floor(i / width) - my
    const l = dx * along[0] + dy * along[1]
    const a = -dx * along[1] + dy * along[0]
    long[0] = Math.min(long[0], l - 0.5)
    long[1] = Math.max(long[1], l + 0.5)
    across[0] = Math.min(across[0], a - 0.5)
    across[1] = Math.max(across[1], a + 0.5)
  }
  return { pixels, mean: [mx, my], along, long, across }
}

function isCard({ pixels, long, across }: Blob): boolean {
  const [l, a] = [long[1] - long[0], across[1] - across[0]]
  return Math.abs(l / a / CARD_RATIO - 1) < 0.12 && pixels.length / (l * a) > 0.93
}

function corners({ mean, along, long, across }: Blob): Point[] {
  return (
    [
      [0, 0],
      [1, 0],
      [1, 1],
      [0, 1],
    ] as const
  ).map(
    ([i, j]) =>
      [
        mean[0] + long[i] * along[0] - across[j] * along[1],
        mean[1] + long[i] * along[1] + across[j] * along[0],
      ] as const,
  )
}

/** Outline to either side of the axis at even stations: at each the outermost pixels of a band around it. */
function stationsOf({ pixels, mean, along, long }: Blob, width: number): TracedStation[] {
  const length = long[1] - long[0]
  const bins = Math.max(40, Math.floor(length / 2))
  const over = new Float64Array(bins).fill(-Infinity)
  const under = new Float64Array(bins).fill(Infinity)
  for (const i of pixels) {
    const dx = (i % width) - mean[0]
    const dy = Math.floor(i / width) - mean[1]
    const bin = Math.min(
      bins - 1,
      Math.max(0, Math.floor(((dx * along[0] + dy * along[1] - long[0]) / length) * bins)),
    )
    const across = -dx * along[1] + dy * along[0]
    over[bin] = Math.max(over[bin]!, across + 0.5)
    under[bin] = Math.min(under[bin]!, across - 0.5)
  }
  return Array.from({ length: STATIONS }, (_, k) => {
    const at = k / (STATIONS - 1)
    const bin = Math.min(bins - 1, Math.max(0, Math.round(at * bins - 0.5)))
    return { at, over: over[bin]!, under: under[bin]! }
  })
}

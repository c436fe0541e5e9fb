import { gaussianBlur, Image, Mask } from 'image-js'
import { Matrix, solve } from 'ml-matrix'
import type { Picture } from './picture'

/** A picture smoothed against grain: RGB, three bytes a pixel. */
export interface Smoothed {
  readonly width: number
  readonly height: number
  readonly rgb: Uint8Array
}

/** Smoothing, px: below the width of anything that is measured, above the grain of a sensor. */
const SMOOTH_PX = 1.2

/** Smooths a picture. */
export function smoothed({ width, height, rgba }: Picture): Smoothed {
  const rgb = new Uint8Array(3 * width * height)
  for (let i = 0, k = 0; i < rgba.length; i += 4) {
    rgb[k++] = rgba[i]!
    rgb[k++] = rgba[i + 1]!
    rgb[k++] = rgba[i + 2]!
  }
  const soft = gaussianBlur(new Image(width, height, { data: rgb, colorModel: 'RGB' }), { sigma: SMOOTH_PX })
  return { width, height, rgb: soft.getRawImage().data as Uint8Array }
}

/** Lightness (logarithm) and two ratios of colours, which a shadow leaves as they are. */
type Feature = readonly [light: number, red: number, blue: number]
/** Added to every channel, of 255, so that the ratios of dark pixels are not noise. */
const DARK = 8

function featureOf(rgb: Uint8Array, i: number): Feature {
  const [r, g, b] = [rgb[3 * i]! + DARK, rgb[3 * i + 1]! + DARK, rgb[3 * i + 2]! + DARK]
  return [Math.log((r + g + b) / 3), Math.log(r / g), Math.log(b / g)]
}

/** A plane through one feature of the ground, and how far the ground scatters about it. */
interface Level {
  readonly at: (x: number, y: number) => number
  readonly sigma: number
}
/** Least scatter of a feature: what the eye and an even print vary by. *Assumed.* */
const LEAST_SIGMA: Feature = [0.03, 0.012, 0.012]
/** Rim of the picture that is taken to be ground, share of its sides. */
const RIM = 0.03
/** Passes in which what does not go with the plane is left out. */
const PASSES = 4

/** Planes through the rim's features, by least squares on what lies within 2.5 scatters of them. */
function groundOf({ width, height, rgb }: Smoothed): readonly Level[] {
  const band = Math.max(3, Math.round(RIM * Math.min(width, height)))
  const rim: { readonly x: number; readonly y: number; readonly f: Feature }[] = []
  for (let y = 1; y < height - 1; y += 3)
    for (let x = 1; x < width - 1; x += 3) {
      if (x >= band && x < width - band && y >= band && y < height - band) continue
      rim.push({ x: x / width, y: y / height, f: featureOf(rgb, y * width + x) })
    }
  return LEAST_SIGMA.map((least, k): Level => {
    let [a, b, c] = [median(rim.map(p => p.f[k]!)), 0, 0]
    let sigma = Infinity
    for (let pass = 0; pass < PASSES; pass++) {
      const away = rim.map(p => Math.abs(p.f[k]! - a - b * p.x - c * p.y))
      sigma = Math.max(least, 1.4826 * median(away))
      const kept = rim.filter((_, i) => away[i]! < 2.5 * sigma)
      if (kept.length < 50) break
      const rows = new Matrix(kept.map(p => [1, p.x, p.y]))
      ;[a, b, c] = solve(
        rows.transpose().mmul(rows),
        rows.transpose().mmul(Matrix.columnVector(kept.map(p => p.f[k]!))),
      ).to1DArray() as [number, number, number]
    }
    return { at: (x, y) => a + (b * x) / width + (c * y) / height, sigma }
  })
}

function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b)
  return sorted[sorted.length >> 1]!
}

/** So many scatters off the ground is something else. */
const APART = 4.5
/** Darker than this part of the ground is no soft shadow. *Assumed.* */
const SHADOW = 0.45

/** What is not ground: things, and what is only darker than it. */
export interface Apart {
  readonly width: number
  readonly height: number
  readonly things: Mask
  readonly shade: Mask
  /** how much darker than the ground every pixel is, logarithm */ readonly darker: Float32Array
}
/** Gaps of up to twice so many pixels are closed within a card. */
export const APART_STEPS = 6

/**
 * Tells things from the ground they lie on, of whatever colour and grain: the ground's colours are those of the
 * picture's rim, with a plane through its light. What has other colours, is lighter, or is darker than a soft shadow
 * is a thing; what is a little darker and of the same colours may be shadow, and is told apart.
 */
export function apartFrom(picture: Smoothed): Apart {
  const { width, height, rgb } = picture
  const [light, red, blue] = groundOf(picture) as [Level, Level, Level]
  const things = new Mask(width, height)
  const shade = new Mask(width, height)
  const darker = new Float32Array(width * height)
  const least = Math.log(SHADOW)
  for (let y = 0; y < height; y++)
    for (let x = 0; x < width; x++) {
      const i = y * width + x
      const [l, r, b] = featureOf(rgb, i)
      const dl = l - light.at(x, y)
      darker[i] = -dl
      const colour = Math.hypot((r - red.at(x, y)) / red.sigma, (b - blue.at(x, y)) / blue.sigma)
      if (colour > APART || dl > APART * light.sigma || dl < Math.min(least, -APART * light.sigma))
        things.setBitByIndex(i, true)
      else if (dl < -APART * light.sigma) shade.setBitByIndex(i, true)
    }
  return { width, height, things, shade, darker }
}

import { fromMask, type Mask } from 'image-js'
import { APART_STEPS, type Apart } from './ground'
import type { Point } from './homography'

/** Something that lies on the ground, whole in the picture. */
export interface Thing {
  /** its outer edge in order, px */ readonly contour: readonly Point[]
  /** pixels within its outer edge */ readonly areaPx: number
  /** calls for every pixel within its outer edge */ readonly each: (
    visit: (x: number, y: number) => void,
  ) => void
}

/** Things smaller than this share of the picture are specks. */
const SPECK = 0.0015
/** A step of light within so many pixels of an edge makes it sharp: a soft shadow's is ten times as wide. */
const SHARP_PX = 2
/** Part of a thing's contrast that a sharp edge spans within that, and of its edge that must be sharp. *Assumed.* */
const SHARP_STEP = 0.65
const SHARP_EDGE = 0.6

/**
 * The things of a picture, the largest first. What runs off the picture (a table's corner, another thing) is none;
 * what is only darker than the ground is one where its edge is sharp, else a shadow.
 */
export function thingsOf(apart: Apart): Thing[] {
  let mask = apart.things
  const least = SPECK * mask.size
  for (const roi of fromMask(apart.shade.open()).getRois({ minSurface: least })) {
    const { row, column } = roi.origin
    const part = roi.getMask()
    if (!isSharp(apart, part, column, row)) continue
    mask = mask.clone()
    for (let y = 0; y < part.height; y++)
      for (let x = 0; x < part.width; x++) if (part.getBit(x, y)) mask.setBit(column + x, row + y, true)
  }
  return within(mask.close().open(), least)
}

/** The same with gaps closed: a printed card may have fields of the ground's own colour. */
export const coarseThingsOf = ({ things }: Apart): Thing[] =>
  within(things.close({ iterations: APART_STEPS }), SPECK * things.size)

function within(mask: Mask, least: number): Thing[] {
  return fromMask(mask.clearBorder())
    .getRois({ minSurface: least })
    .map((roi): Thing => {
      const { row, column } = roi.origin
      const filled = roi.getMask().solidFill()
      return {
        contour: filled.getExternalContour().map((p): Point => [column + p.column, row + p.row]),
        areaPx: filled.getNbNonZeroPixels(),
        each: visit => {
          for (let y = 0; y < filled.height; y++)
            for (let x = 0; x < filled.width; x++) if (filled.getBit(x, y)) visit(column + x, row + y)
        },
      }
    })
    .sort((a, b) => b.areaPx - a.areaPx)
}

/** Whether what is a little darker than the ground ends in a step; where it ends at a thing tells nothing. */
function isSharp({ things, darker, width, height }: Apart, part: Mask, x0: number, y0: number): boolean {
  const inside: number[] = []
  for (let y = 0; y < part.height; y += 2)
    for (let x = 0; x < part.width; x += 2)
      if (part.getBit(x, y)) inside.push(darker[(y0 + y) * width + x0 + x]!)
  const contrast = inside.sort((a, b) => a - b)[Math.floor(0.9 * inside.length)]!
  let edge = 0
  let sharp = 0
  const border = part.getExternalContour()
  for (const { column, row } of border) {
    let [least, most] = [Infinity, -Infinity]
    let atThing = false
    for (let dy = -SHARP_PX; dy <= SHARP_PX; dy++)
      for (let dx = -SHARP_PX; dx <= SHARP_PX; dx++) {
        const [x, y] = [x0 + column + dx, y0 + row + dy]
        if (x < 0 || y < 0 || x >= width || y >= height) continue
        if (things.getBit(x, y)) atThing = true
        const d = darker[y * width + x]!
        least = Math.min(least, d)
        most = Math.max(most, d)
      }
    if (atThing) continue
    edge++
    if (most - least > SHARP_STEP * contrast) sharp++
  }
  return edge > border.length / 4 && sharp > SHARP_EDGE * edge
}

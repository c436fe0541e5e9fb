import type { Letter } from '#schemas/ranges'

/**
 * A rig keeps its letter, colour and line pattern in every drawing and chart. Dashes in pixels; empty for a
 * full line.
 */
export const PATTERNS: Readonly<Record<Letter, readonly number[]>> = {
  A: [],
  B: [9, 4],
  C: [2, 3],
  D: [10, 3, 2, 3],
  E: [16, 5],
}

/**
 * Values asked for since the theme last changed: reading a style makes the browser work out the whole page,
 * which no frame can afford.
 */
const known = new Map<string, string>()
let theme: string | undefined

/** A colour token as it stands in the theme of the page. */
export function token(name: string): string {
  const root = document.documentElement
  if (root.dataset.theme !== theme) {
    known.clear()
    theme = root.dataset.theme
  }
  let value = known.get(name)
  if (value === undefined) {
    value = getComputedStyle(root).getPropertyValue(`--${name}`).trim()
    if (value !== '') known.set(name, value)
  }
  return value
}

/** The lane's colour in the theme of the page. */
export const laneColour = (letter: string): string => token(`lane-${letter.toLowerCase()}`)

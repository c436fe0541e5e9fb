import type { Letter } from '#schemas/spread'

/** A rig keeps its letter, colour and line pattern in every drawing and chart. Dashes in pixels; empty for a full line. */
export const PATTERNS: Readonly<Record<Letter, readonly number[]>> = {
  A: [], B: [9, 4], C: [2, 3], D: [10, 3, 2, 3], E: [16, 5],
}

/** The lane's colour as it stands in the theme of the page. */
export const laneColour = (letter: string): string =>
  getComputedStyle(document.documentElement).getPropertyValue(`--lane-${letter.toLowerCase()}`).trim()

export const token = (name: string): string => getComputedStyle(document.documentElement).getPropertyValue(`--${name}`).trim()

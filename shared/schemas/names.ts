/** How text on one line is taken, by views and schemas alike. */

/** Line breaks and the like become spaces, and there are none round it. */
export const asLine = (text: string): string => text.replace(/\p{Cc}+/gu, ' ').trim()
export const tooLong = (what: string, most: number): string => `${what}: ${most} characters at most.`

/** Longest name of a spread, and what is said where it has none. */
export const NAME_MOST = 80
export const NO_NAME = 'Give the spread a name.'
/** Why a text, as one line, is no name of a spread. */
export const nameProblem = (line: string): string | undefined =>
  line === '' ? NO_NAME : line.length > NAME_MOST ? tooLong('Name', NAME_MOST) : undefined

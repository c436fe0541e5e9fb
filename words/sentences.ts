/** Sentences put together. */
export const lowerFirst = (s: string): string => s.charAt(0).toLowerCase() + s.slice(1)
export const upperFirst = (s: string): string => s.charAt(0).toUpperCase() + s.slice(1)

/** "A", "A or B", "A, B or C". */
export const orList = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} or ${words.at(-1)}`

/** "an edge", "a twig". */
export const articled = (noun: string): string => `${/^[aeiou]/i.test(noun) ? 'an' : 'a'} ${noun}`

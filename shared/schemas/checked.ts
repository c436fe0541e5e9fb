import type { z } from 'zod'
import { fieldErrors, pathText } from './problems'
import type { FieldError } from './spread'

/** Deepest that data may lie in data; what is kept here lies eight deep at most. */
const DEEPEST = 32
/** Errors that are listed one by one; the rest are counted. */
const MOST_ERRORS = 50
const SURROGATE = /\p{Surrogate}/u

/** What no store of text takes, or undefined. */
function unfit(text: string): string | undefined {
  if (text.includes('\0')) return 'This text holds a character that cannot be kept (number 0).'
  if (SURROGATE.test(text)) return 'This text holds half a character, which cannot be kept.'
  return undefined
}

/**
 * Finds what no store takes, wherever it lies: text with a NUL or half a character, numbers that are none,
 * data nested beyond all measure. Without recursion, so that no nesting breaks it.
 */
export function unstorable(value: unknown): FieldError | undefined {
  const open: { readonly value: unknown; readonly path: readonly PropertyKey[] }[] = [{ value, path: [] }]
  const say = (path: readonly PropertyKey[], message: string): FieldError => ({
    path: shortPath(path),
    message,
  })
  for (let next = open.pop(); next; next = open.pop()) {
    const { value: at, path } = next
    if (path.length > DEEPEST) return say(path.slice(0, 4), `This is nested more than ${DEEPEST} deep.`)
    if (typeof at === 'string') {
      const why = unfit(at)
      if (why) return say(path, why)
    } else if (typeof at === 'number' && !Number.isFinite(at))
      return say(path, 'Expected a number that is finite.')
    else if (Array.isArray(at))
      at.forEach((inner: unknown, i) => open.push({ value: inner, path: [...path, i] }))
    else if (at !== null && typeof at === 'object') {
      for (const [key, inner] of Object.entries(at)) {
        if (unfit(key)) return say(path, 'A field here has a name that cannot be kept.')
        open.push({ value: inner, path: [...path, key] })
      }
    }
  }
  return undefined
}

/** A path as it may be told: what someone sent as a name is not sent back at length. */
function shortPath(path: readonly PropertyKey[]): string {
  const text = pathText(path)
  return text.length > 120 ? `${text.slice(0, 117)}…` : text
}

export type Checked<T> =
  { readonly ok: true; readonly data: T } | { readonly ok: false; readonly errors: readonly FieldError[] }

/** Checks a value as everything that is kept is checked, on the page and on the server alike. */
export function checked<T>(schema: z.ZodType<T>, value: unknown): Checked<T> {
  const bad = unstorable(value)
  if (bad) return { ok: false, errors: [bad] }
  const result = schema.safeParse(value)
  if (result.success) return { ok: true, data: result.data }
  const all = fieldErrors(result.error)
  const told = all.slice(0, MOST_ERRORS).map(({ path, message }) => ({ path: path.slice(0, 160), message }))
  const rest = all.length - told.length
  return { ok: false, errors: rest > 0 ? [...told, { path: '(top)', message: `And ${rest} more.` }] : told }
}

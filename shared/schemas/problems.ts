import type { z } from 'zod'
import type { FieldError } from './spread'

/** Writes a path as `lanes[1].hookSize`; `(top)` for the document itself. */
export function pathText(path: readonly PropertyKey[]): string {
  const text = path.map(key => (typeof key === 'number' ? `[${key}]` : `.${String(key)}`)).join('')
  return text === '' ? '(top)' : text.replace(/^\./, '')
}

/**
 * Unknown fields that are named; the rest are counted, so that an answer is never larger than what it
 * answers.
 */
const NAMED = 3
const LONGEST_NAME = 40

function unknownFields(path: readonly PropertyKey[], keys: readonly string[]): FieldError[] {
  const named = keys
    .slice(0, NAMED)
    .map(key => (key.length > LONGEST_NAME ? `${key.slice(0, LONGEST_NAME)}…` : key))
  const errors = named.map(key => ({
    path: pathText([...path, key]),
    message: 'This field is not known here.',
  }))
  if (keys.length > NAMED) {
    errors.push({ path: pathText(path), message: `${keys.length - NAMED} more fields here are not known.` })
  }
  return errors
}

/** Zod's findings as plain field errors, unknown keys each under their own path. */
export function fieldErrors(error: z.ZodError): FieldError[] {
  return error.issues.flatMap(issue =>
    issue.code === 'unrecognized_keys'
      ? unknownFields(issue.path, issue.keys)
      : [{ path: pathText(issue.path), message: issue.message }],
  )
}

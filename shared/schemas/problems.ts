import type { z } from 'zod'
import type { FieldError } from './spread'

/** Writes a path as `lanes[1].hookSize`; `(top)` for the document itself. */
export function pathText(path: readonly PropertyKey[]): string {
  const text = path.map(key => typeof key === 'number' ? `[${key}]` : `.${String(key)}`).join('')
  return text === '' ? '(top)' : text.replace(/^\./, '')
}

/** Zod's findings as plain field errors, unknown keys each under their own path. */
export function fieldErrors(error: z.ZodError): FieldError[] {
  return error.issues.flatMap((issue) => {
    if (issue.code === 'unrecognized_keys') {
      return issue.keys.map(key => ({ path: pathText([...issue.path, key]), message: 'This field is not known here.' }))
    }
    return [{ path: pathText(issue.path), message: issue.message }]
  })
}

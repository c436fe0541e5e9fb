import type { FieldError } from '#schemas/spread'

/** A refusal that a route turns into a status and a sentence, with the fields it is about. */
export class Refused extends Error {
  constructor(
    readonly status: 403 | 404 | 409 | 413 | 422,
    message: string,
    readonly fields: readonly FieldError[] = [],
  ) {
    super(message)
    this.name = 'Refused'
  }
}

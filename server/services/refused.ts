/** A refusal that a route turns into a status and a sentence. */
export class Refused extends Error {
  constructor(readonly status: 404 | 409 | 422, message: string) {
    super(message)
    this.name = 'Refused'
  }
}

/** Runs a stepwise piece of work to its end, without a look at its steps. @returns what it comes to */
export function toTheEnd<Result>(work: Iterator<unknown, Result>): Result {
  let step = work.next()
  while (!step.done) step = work.next()
  return step.value
}

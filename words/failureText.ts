/** What went wrong, in the words it was thrown with: refusals of the server and of the worker are sentences. */
export const failureText = (failure: unknown): string =>
  failure instanceof Error ? failure.message : String(failure)

import { ofetch } from 'ofetch'
import type { FieldError } from '#schemas/spread'

/** A refusal of the server in words, with the fields it names. */
export class ServerRefusal extends Error {
  constructor(
    readonly status: number,
    message: string,
    readonly fields: readonly FieldError[],
  ) {
    super(message)
    this.name = 'ServerRefusal'
  }
}

export type Method = 'GET' | 'POST' | 'PUT' | 'DELETE'
/** Longest wait for an answer, ms; heavy work says more. */
const ANSWER_MS = 30_000

/**
 * Asks the server. What changes something always brings JSON: nothing else is taken.
 * @throws ServerRefusal with a sentence for the person; status 0 where there is no answer, or none in time
 */
export async function ask<T>(
  path: string,
  method: Method = 'GET',
  body?: object,
  { timeoutMs = ANSWER_MS }: { readonly timeoutMs?: number } = {},
): Promise<T> {
  const sends = method === 'POST' || method === 'PUT'
  try {
    return (await ofetch(path, {
      method,
      ...(sends ? { body: body ?? {} } : {}),
      retry: 0,
      signal: AbortSignal.timeout(timeoutMs),
    })) as T
  } catch (error) {
    throw refusalOf(error)
  }
}

/** Sends a file as it is, however large. @throws ServerRefusal */
export async function sendFile<T>(path: string, file: Blob): Promise<T> {
  try {
    return (await ofetch(path, {
      method: 'POST',
      body: file,
      headers: { 'content-type': 'application/json' },
      retry: 0,
    })) as T
  } catch (error) {
    throw refusalOf(error)
  }
}

function refusalOf(error: unknown): ServerRefusal {
  const { statusCode = 0, data } = error as {
    statusCode?: number
    data?: { message?: string; data?: { fields?: FieldError[] } }
  }
  if (statusCode === 0)
    return new ServerRefusal(
      0,
      'The server does not answer. What is on the sheet is kept on this device.',
      [],
    )
  return new ServerRefusal(
    statusCode,
    data?.message ?? `The server refused (${statusCode}).`,
    data?.data?.fields ?? [],
  )
}

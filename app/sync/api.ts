import { ofetch } from 'ofetch'
import type { FieldError } from '#schemas/spread'
import { isKept, keepAnswer, keptAnswer, shownFrom } from './copies'

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

/** What is shown from this device's own copy after so long without an answer, ms. */
const PATIENCE_MS = 2500
/** After none came, what is kept here is shown at once for so long, ms. */
const AWAY_MS = 15_000
let silentAt = -Infinity
const isAway = (): boolean => !navigator.onLine || performance.now() - silentAt < AWAY_MS

interface AskOptions<T> {
  readonly timeoutMs?: number
  /** the server's own answer, or none */ readonly fresh?: boolean
  /** takes the server's answer where it came after what this device keeps was shown */
  readonly later?: (answer: T) => void
}

/**
 * Asks the server. What changes something always brings JSON: nothing else is taken. Where the server does not
 * answer, or not soon, the last answer that this device keeps stands for it.
 * @throws ServerRefusal with a sentence for the person; status 0 where there is no answer, or none in time
 */
export async function ask<T>(
  path: string,
  method: Method = 'GET',
  body?: object,
  options: AskOptions<T> = {},
): Promise<T> {
  const asked = askServer<T>(path, method, body, options.timeoutMs)
  if (method !== 'GET' || !isKept(path)) return asked
  return options.fresh ? andKept(path, asked) : orKept(path, asked, options.later)
}

/** The server's answer, which is kept. */
async function andKept<T>(path: string, asked: Promise<T>): Promise<T> {
  const answer = await asked
  shownFrom.value = undefined
  await keepAnswer(path, answer)
  return answer
}

/** The server's answer, or the one that is kept where none comes, or not soon. */
async function orKept<T>(path: string, asked: Promise<T>, later?: (answer: T) => void): Promise<T> {
  let shown = false
  // what is shown does not wait until it is kept
  const answered = asked.then(answer => {
    shownFrom.value = undefined
    void keepAnswer(path, answer)
    if (shown) later?.(answer)
    return answer
  })
  const fallback = async (): Promise<T | undefined> => {
    const found = await keptAnswer<T>(path)
    if (!found) return undefined
    shown = true
    shownFrom.value = Math.min(found.at, shownFrom.value ?? Infinity)
    return found.answer
  }
  const late = Symbol('late')
  const waited = new Promise<typeof late>(done => setTimeout(() => done(late), isAway() ? 0 : PATIENCE_MS))
  try {
    const first = await Promise.race([answered, waited])
    if (first !== late) return first
  } catch (error) {
    if (!(error instanceof ServerRefusal) || error.status !== 0) throw error
  }
  const found = await fallback()
  if (found === undefined) return answered
  answered.catch(() => undefined)
  return found
}

async function askServer<T>(
  path: string,
  method: Method,
  body: object | undefined,
  timeoutMs = ANSWER_MS,
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
  if (statusCode === 0) {
    silentAt = performance.now()
    return new ServerRefusal(
      0,
      'The server does not answer. What is on the sheet is kept on this device.',
      [],
    )
  }
  return new ServerRefusal(
    statusCode,
    data?.message ?? `The server refused (${statusCode}).`,
    data?.data?.fields ?? [],
  )
}

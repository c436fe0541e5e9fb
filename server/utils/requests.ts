import {
  createError,
  defineEventHandler,
  getRouterParam,
  isError,
  setResponseStatus,
  type EventHandlerRequest,
  type H3Error,
  type H3Event,
} from 'h3'
import type { IncomingMessage } from 'node:http'
import { z } from 'zod'
import { checked } from '#schemas/checked'
import * as field from '#schemas/fields'
import { fieldErrors } from '#schemas/problems'
import type { FieldError } from '#schemas/spread'
import { roomToWrite } from '../db/client'
import { EngineDown } from '../db/remoteEngine'
import { NoRoom } from '../db/room'
import { causes, sqlState } from '../db/transaction'
import { Refused } from '../services/refused'

/** Largest body taken, bytes: a hundred times the largest spread. */
const MOST_BYTES = 256 * 1024
/** The same for the box: ten thousand things. */
export const BOX_BYTES = 16 * 1024 * 1024
/** Longest line that goes with a status. */
const STATUS_CHARS = 120

/** A refusal as h3 knows it. */
export const refuse = (statusCode: number, message: string, fields: readonly FieldError[] = []) =>
  createError({
    statusCode,
    message,
    data: { fields },
    statusMessage: message.slice(0, STATUS_CHARS).replace(/[^\x20-\x7e]/g, ' '),
  })

/**
 * Reads and checks a JSON body.
 * @throws 413 above `mostBytes`, 400 when it is not JSON, 422 with one entry a field when it does not fit the
 * schema
 */
export async function readValid<T>(event: H3Event, schema: z.ZodType<T>, mostBytes = MOST_BYTES): Promise<T> {
  const text = await readText(event.node.req, mostBytes)
  let body: unknown
  try {
    body = JSON.parse(text)
  } catch {
    throw refuse(400, 'The request is not valid JSON.')
  }
  const result = checked(schema, body)
  if (result.ok) return result.data
  throw refuse(422, result.errors[0]?.message ?? 'The request does not fit.', result.errors)
}

/** Reads a body to its end. */
async function readText(request: IncomingMessage, mostBytes: number): Promise<string> {
  const chunks: Buffer[] = []
  for await (const chunk of readPieces(request, mostBytes)) chunks.push(chunk)
  return Buffer.concat(chunks).toString('utf8')
}

/**
 * A body piece by piece. Of one that is too large, or that nobody reads on, the rest is let go by, so that
 * the refusal is heard.
 * @throws 413 above `mostBytes`, 400 where it breaks off
 */
export async function* readPieces(request: IncomingMessage, mostBytes: number): AsyncGenerator<Buffer> {
  let size = 0
  try {
    for await (const chunk of request.iterator({ destroyOnReturn: false }) as AsyncIterable<Buffer>) {
      size += chunk.length
      if (size > mostBytes) throw refuse(413, 'The request is too large.')
      yield chunk
    }
  } catch (error) {
    throw request.errored ? refuse(400, 'The request broke off.') : error
  } finally {
    request.resume()
  }
}

/** The id in the address, of a spread or something else. @throws 404 when it cannot be one */
export function routeId(event: H3Event, what = 'spread'): string {
  const id = field.id.safeParse(getRouterParam(event, 'id'))
  if (!id.success) throw refuse(404, `There is no ${what} at this address.`)
  return id.data
}

/** What devices worked out goes by the name of the program's making. @throws 404 when it cannot be one */
export function workedName(event: H3Event): string {
  const name = getRouterParam(event, 'name') ?? ''
  if (!/^[\w.-]{1,120}$/.test(name)) throw refuse(404, 'There is nothing of this name.')
  return name
}

/** PostgreSQL's words for a disk that is full, or that will not be written. */
const DISK: ReadonlySet<string | undefined> = new Set(['53100', '58030', 'ENOSPC', 'EROFS', 'EDQUOT'])
/** And for a transaction that others were in the way of, however often it was begun again. */
const BUSY: ReadonlySet<string | undefined> = new Set(['40001', '40P01'])

/** What went wrong as a refusal in words; what nobody foresaw stays what it is. */
function refusalOf(error: unknown): unknown {
  for (const cause of causes(error)) {
    if (cause instanceof Refused) return refuse(cause.status, cause.message, cause.fields)
    if (cause instanceof NoRoom) return refuse(507, cause.message)
    if (cause instanceof EngineDown) return refuse(503, cause.message)
  }
  const code = sqlState(error)
  if (DISK.has(code)) return refuse(507, new NoRoom().message)
  if (BUSY.has(code))
    return refuse(503, 'Too much is being written at once. Nothing of this was written; try again.')
  return error
}

/** A refusal as it is sent: the status, a sentence, and the fields it is about. */
function sayRefusal(event: H3Event, error: H3Error): Record<string, unknown> {
  setResponseStatus(event, error.statusCode, error.statusMessage)
  const { statusCode, statusMessage, message, data } = error
  return { error: true, statusCode, statusMessage, message, data: data as unknown }
}

/**
 * A handler whose refusals become statuses with a sentence. What changes something is not begun without room
 * for it.
 */
export const answering = <T>(handler: (event: H3Event<EventHandlerRequest>) => Promise<T>) =>
  defineEventHandler(async event => {
    try {
      if (event.method !== 'GET' && event.method !== 'HEAD') await roomToWrite()
      return await handler(event)
    } catch (error) {
      const refusal = refusalOf(error)
      if (isError(refusal)) return sayRefusal(event, refusal)
      throw refusal
    }
  })

/** Rows of a page, and the most that are given at once. */
const PAGE_ROWS = 50
const MOST_ROWS = 500
const rows = z.coerce.number().int().min(0).max(1_000_000_000)

/**
 * Which page of a list is asked for; the first fifty rows where nothing is said.
 * @throws 422 when it is no number
 */
export function pageOf(query: Record<string, unknown>): { readonly limit: number; readonly offset: number } {
  const parsed = z
    .object({ limit: rows.min(1).max(MOST_ROWS).default(PAGE_ROWS), offset: rows.default(0) })
    .safeParse(query)
  if (!parsed.success)
    throw refuse(422, 'A page is asked for by limit (1 to 500) and offset.', fieldErrors(parsed.error))
  return parsed.data
}

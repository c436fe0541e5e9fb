import { createError, defineEventHandler, getRequestHeader, getRouterParam, type EventHandlerRequest, type H3Event } from 'h3'
import { z } from 'zod'
import { fieldErrors } from '#schemas/problems'
import type { FieldError } from '#schemas/spread'
import { Refused } from '../services/refused'

/** Largest body taken, bytes: a hundred times the largest spread. */
const MOST_BYTES = 256 * 1024
/** The same for the box: ten thousand things. */
export const BOX_BYTES = 16 * 1024 * 1024

const refuse = (statusCode: number, message: string, fields: readonly FieldError[] = []) =>
  createError({ statusCode, statusMessage: message.replace(/[^\x20-\x7e]/g, ' '), message, data: { fields } })

/**
 * Reads and checks a JSON body.
 * @throws 413 above `mostBytes`, 400 when it is not JSON, 422 with one entry a field when it does not fit the schema
 */
export async function readValid<T>(event: H3Event, schema: z.ZodType<T>, mostBytes = MOST_BYTES): Promise<T> {
  const text = await readText(event, mostBytes)
  let body: unknown
  try {
    body = JSON.parse(text)
  }
  catch {
    throw refuse(400, 'The request is not valid JSON.')
  }
  const result = schema.safeParse(body)
  if (result.success) return result.data
  const fields = fieldErrors(result.error)
  throw refuse(422, fields[0]?.message ?? 'The request does not fit.', fields)
}

async function readText(event: H3Event, mostBytes: number): Promise<string> {
  const tooBig = refuse(413, 'The request is too large.')
  if (Number(getRequestHeader(event, 'content-length') ?? 0) > mostBytes) throw tooBig
  const chunks: Buffer[] = []
  let size = 0
  for await (const chunk of event.node.req as AsyncIterable<Buffer>) {
    size += chunk.length
    if (size > mostBytes) throw tooBig
    chunks.push(chunk)
  }
  return Buffer.concat(chunks).toString('utf8')
}

const idSchema = z.uuid()

/** The id in the address, of a spread or something else. @throws 404 when it cannot be one */
export function routeId(event: H3Event, what = 'spread'): string {
  const id = idSchema.safeParse(getRouterParam(event, 'id'))
  if (!id.success) throw refuse(404, `There is no ${what} at this address.`)
  return id.data
}

/** A handler whose refusals become statuses with a sentence. */
export const answering = <T>(handler: (event: H3Event<EventHandlerRequest>) => Promise<T>) => defineEventHandler(async (event) => {
  try {
    return await handler(event)
  }
  catch (error) {
    if (error instanceof Refused) throw refuse(error.status, error.message)
    throw error
  }
})

/** Rows of a page, and the most that are given at once. */
const PAGE_ROWS = 50
const MOST_ROWS = 500
const rows = z.coerce.number().int().min(0)

/** Which page of a list is asked for; the first fifty rows where nothing is said. @throws 422 when it is no number */
export function pageOf(query: Record<string, unknown>): { readonly limit: number, readonly offset: number } {
  const parsed = z.object({ limit: rows.min(1).max(MOST_ROWS).default(PAGE_ROWS), offset: rows.default(0) }).safeParse(query)
  if (!parsed.success) throw refuse(422, 'A page is asked for by limit (1 to 500) and offset.', fieldErrors(parsed.error))
  return parsed.data
}

import { randomBytes } from 'node:crypto'
import type { IncomingMessage, ServerResponse } from 'node:http'
import { z } from 'zod'
import { readPieces } from '../utils/requests'
import { bareName } from '../utils/sameOrigin'
import { fingerprintOf } from './authority'
import { wayOf } from './listener'
import { authorityCertificate, knownDevices, networkNames, pairing } from './network'
import { pairPage } from './pairPage'

/** Where a device is paired, and where it gets the authority to trust. */
const PAIR = '/pair'
const AUTHORITY = '/pair/authority.crt'
/** What a paired device proves itself by: for this address alone, out of reach of any script. */
const COOKIE = '__Host-dunecrest'
const YEAR_S = 365 * 86_400
const MOST_BYTES = 4096
const claimSchema = z.strictObject({ code: z.string().max(40), name: z.string().max(200) })

const SAYS = {
  wrong: 'This code is not right. Look at the page on the other machine.',
  expired: 'This code has run out. Ask for a new one on the other machine.',
  locked: 'Too many wrong codes: pairing is locked for a quarter of an hour.',
  malformed: 'A code and a name are expected.',
} as const
const STATUS = { wrong: 403, expired: 410, locked: 429, malformed: 422 } as const

const tokenIn = (request: IncomingMessage): string | undefined =>
  (request.headers.cookie ?? '')
    .split(';')
    .map(part => part.trim())
    .find(part => part.startsWith(`${COOKIE}=`))
    ?.slice(COOKIE.length + 1)

function json(
  response: ServerResponse,
  status: number,
  body: object,
  more: Record<string, string> = {},
): void {
  response.writeHead(status, { 'content-type': 'application/json', 'cache-control': 'no-store', ...more })
  response.end(JSON.stringify(body))
}
const refuse = (response: ServerResponse, status: number, message: string): void =>
  json(response, status, { error: true, statusCode: status, message })

/**
 * Answers what comes in over the network and may not go on: over plain http only the page that leads to trust, and
 * from a device that is not paired only the page that pairs it.
 * @returns whether it was answered here; what was not goes on as it would on this machine
 */
export async function heldAtTheGate(request: IncomingMessage, response: ServerResponse): Promise<boolean> {
  const way = wayOf(request)
  if (!way) return false
  const path = (request.url ?? '/').split('?')[0]!
  const method = request.method ?? 'GET'
  const reads = method === 'GET' || method === 'HEAD'
  if (!networkNames().has(bareName(request.headers.host ?? ''))) {
    refuse(response, 421, 'Dunecrest is not known by this name here.')
    return true
  }
  if (path === AUTHORITY && reads) return sendAuthority(response)
  const device = way === 'secure' ? knownDevices().of(tokenIn(request)) : undefined
  if (device) return false
  if (way === 'secure' && path === PAIR && method === 'POST') return pairUp(request, response)
  const page = reads && (path === PAIR || (request.headers.accept ?? '').includes('text/html'))
  if (page) return sendPage(request, response, way === 'plain' || path === PAIR ? 200 : 401)
  refuse(response, 401, 'This device is not paired, or was turned away. Open its address to pair it.')
  request.resume()
  return true
}

function sendAuthority(response: ServerResponse): true {
  const cert = authorityCertificate()
  if (cert === undefined)
    refuse(response, 404, 'A certificate of its own is in use: nothing is to be trusted.')
  else {
    response.writeHead(200, {
      'content-type': 'application/x-x509-ca-cert',
      'content-disposition': 'attachment; filename="dunecrest-authority.crt"',
      'cache-control': 'no-store',
    })
    response.end(cert)
  }
  return true
}

function sendPage(request: IncomingMessage, response: ServerResponse, status: number): true {
  const nonce = randomBytes(16).toString('base64')
  const cert = authorityCertificate()
  response.writeHead(status, {
    'content-type': 'text/html; charset=utf-8',
    // the same page over plain http looks whether this one can be reached: there is nothing in it to read
    'cross-origin-resource-policy': 'cross-origin',
    'cache-control': 'no-store',
    'content-security-policy': `default-src 'none'; script-src 'nonce-${nonce}'; style-src 'nonce-${nonce}'; connect-src 'self' https://${request.headers.host}; base-uri 'none'; form-action 'none'; frame-ancestors 'none'`,
  })
  response.end(
    request.method === 'HEAD'
      ? undefined
      : pairPage({
          nonce,
          secure: wayOf(request) === 'secure',
          address: `https://${request.headers.host}${PAIR}`,
          ...(cert === undefined ? {} : { fingerprint: fingerprintOf(cert) }),
        }),
  )
  return true
}

async function pairUp(request: IncomingMessage, response: ServerResponse): Promise<true> {
  const asked = claimSchema.safeParse(await bodyOf(request))
  const claim = asked.success ? pairing.claim(asked.data.code) : 'malformed'
  if (claim !== 'paired') {
    refuse(response, STATUS[claim], SAYS[claim])
    return true
  }
  const { token, device } = knownDevices().add(asked.data!.name)
  json(
    response,
    201,
    { name: device.name },
    {
      'set-cookie': `${COOKIE}=${token}; Path=/; Max-Age=${YEAR_S}; Secure; HttpOnly; SameSite=Strict`,
    },
  )
  return true
}

async function bodyOf(request: IncomingMessage): Promise<unknown> {
  const chunks: Buffer[] = []
  try {
    for await (const chunk of readPieces(request, MOST_BYTES)) chunks.push(chunk)
    return JSON.parse(Buffer.concat(chunks).toString('utf8'))
  } catch {
    return undefined
  }
}

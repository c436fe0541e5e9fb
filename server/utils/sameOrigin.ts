import type { IncomingMessage } from 'node:http'

/** Names that this machine answers to by itself. */
const LOOPBACK: ReadonlySet<string> = new Set(['localhost', '127.0.0.1', '[::1]'])
/** Methods that change nothing. */
const SAFE: ReadonlySet<string> = new Set(['GET', 'HEAD', 'OPTIONS'])
/** What a body may be: both make a browser ask first when another site sends them. */
const BODIES: ReadonlySet<string> = new Set(['application/json', 'application/gzip'])

/** Why a request is not answered. */
export interface Turned {
  readonly status: 403 | 415 | 421
  readonly message: string
}

/** Whether an address is one of data, however it is spelt; one that cannot be read counts as such. */
export function isData(url: string): boolean {
  try {
    return /^\/+api(?:[/?]|$)/i.test(decodeURIComponent(url.split('?')[0]!))
  } catch {
    return true
  }
}

/** The name of a host without its port, in small letters. */
export const bareName = (host: string): string => host.toLowerCase().replace(/:\d*$/, '')

/**
 * Whether a request may come to an answer at all. Only names that this server goes by are answered, so that
 * no foreign name can be pointed here; what changes something must come from a page of this very origin, or
 * from no page, and bring JSON. Data is not given to pages of other origins either.
 * @param names further names that this server goes by, as on the network at home
 */
export function turnedAway(
  request: Pick<IncomingMessage, 'headers' | 'method' | 'url'>,
  names: ReadonlySet<string>,
): Turned | undefined {
  const { headers, method = 'GET', url = '/' } = request
  const host = headers.host ?? ''
  const name = bareName(host)
  if (!LOOPBACK.has(name) && !names.has(name))
    return { status: 421, message: 'Dunecrest is not known by this name here.' }
  const site = headers['sec-fetch-site']
  const data = isData(url)
  const foreign: Turned = { status: 403, message: "Only Dunecrest's own pages may do this." }
  if (SAFE.has(method))
    return data && site !== undefined && site !== 'same-origin' && site !== 'none' ? foreign : undefined
  if (site !== undefined && site !== 'same-origin') return foreign
  if (headers.origin !== undefined && !isOwn(headers.origin, host)) return foreign
  if (method === 'DELETE' && headers['content-type'] === undefined) return undefined
  const type = (headers['content-type'] ?? '').split(';')[0]!.trim().toLowerCase()
  return BODIES.has(type)
    ? undefined
    : { status: 415, message: 'Expected JSON: content-type application/json.' }
}

function isOwn(origin: string, host: string): boolean {
  return (
    origin.toLowerCase() === `http://${host.toLowerCase()}` ||
    origin.toLowerCase() === `https://${host.toLowerCase()}`
  )
}

/** Names from a list with commas, as `DUNECREST_NAMES` holds them. */
export const namesIn = (list: string | undefined): ReadonlySet<string> =>
  new Set(
    (list ?? '')
      .split(',')
      .map(name => bareName(name.trim()))
      .filter(name => name !== ''),
  )

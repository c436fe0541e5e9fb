import { Agent, request } from 'node:http'
import { DEMO_BATHS } from '../../demo/baths'
import { DEMO_FISHES } from '../../demo/fishes'
import { DEMO_BOX } from '../../demo/box'
import { DEMO_SPOTS } from '../../demo/spots'
import { DEMO_SPREADS } from '../../demo/spreads'
import { seeded } from './random'
import { allRoutes, filled, type Route } from './routes'

/**
 * Asks a server what no page would ever ask, by chance that can be repeated, and tells what it could not
 * answer.
 */
export interface Fuzzed {
  readonly requests: number
  /** how often each status was answered */ readonly statuses: Readonly<Record<number, number>>
  /** what was answered with a 5xx, or not in time */ readonly failures: readonly {
    readonly asked: string
    readonly status: number
    readonly said: string
  }[]
  /** longest answer to a refusal, characters */ readonly longestRefusal: number
  /** the server's memory after a warm-up, and at the end, bytes */ readonly memory: readonly [number, number]
}

/** Longest wait for an answer, ms. */
const ANSWER_MS = 30_000
const UUID = '7d5e3b1a-4c2d-4f6e-8a90-b1c2d3e4f506'

type Json = unknown
/** Texts that have broken programs before. */
const TEXTS = [
  '',
  ' ',
  '\0',
  'a\0b',
  '\ud800',
  'x\udfff',
  '🐟',
  'İ',
  '\u202e',
  '\n',
  '\r\nBEGIN:VEVENT',
  '=1+1',
  '__proto__',
  'constructor',
  'toString',
  'hasOwnProperty',
  'valueOf',
  '../../etc/passwd',
  '%00',
  '%',
  "'; drop table spreads; --",
  '<script>alert(1)</script>',
  'NaN',
  'null',
  'x'.repeat(201),
  'x'.repeat(20_000),
  UUID,
  UUID.toUpperCase(),
  `{${UUID}}`,
  UUID.replaceAll('-', ''),
  '0000-01-01T00:00:00Z',
  '-000001-01-01T00:00:00Z',
  '9999-12-31T23:59:59Z',
  '2026-02-30T00:00:00Z',
  '1969-12-31T23:59:59Z',
  '2026-05-01T24:00:00Z',
  '2026-05-01T08:00:00+25:00',
  '2026-05-01',
  '0001-01-01',
  '2026-13-45',
]
const NUMBERS = [
  0,
  -0,
  -1,
  0.5,
  1e-320,
  1e308,
  -1e308,
  2 ** 31 - 1,
  2 ** 31,
  2 ** 32,
  2 ** 53,
  2 ** 63,
  2_000_000_001,
  1e21,
  0.1 + 0.2,
  -273.15,
]
/** JSON that `JSON.stringify` would not write. */
const RAW = [
  '1e999',
  '-1e999',
  '{"__proto__":{"admin":true}}',
  '{"constructor":{"prototype":{}}}',
  '"\\ud800"',
  '"\\u0000"',
  '[[[[[[[[[[[[]]]]]]]]]]]]',
  '1E400',
  '-0',
  '{"a":1,"a":2}',
]
const MARK = '\u0001raw:'

class Chance {
  readonly #next: () => number
  constructor(seed: number) {
    this.#next = seeded(seed)
  }

  share(p: number): boolean {
    return this.#next() < p
  }
  below(n: number): number {
    return Math.floor(this.#next() * n)
  }
  of<T>(list: readonly T[]): T {
    return list[this.below(list.length)]!
  }
  /** Anything at all. */
  anything(): Json {
    switch (this.below(8)) {
      case 0:
        return null
      case 1:
        return this.share(0.5)
      case 2:
        return this.of(NUMBERS)
      case 3:
        return Array.from({ length: this.below(4) }, () => this.anything())
      case 4:
        return Object.fromEntries(
          Array.from({ length: this.below(4) }, () => [
            this.of(['id', 'name', 'kind', 'content', 'x', ...TEXTS.slice(12, 17)]),
            this.anything(),
          ]),
        )
      case 5:
        return `${MARK}${this.of(RAW)}`
      default:
        return this.of(TEXTS)
    }
  }
}

/** Every place in a value where something stands. */
function places(value: Json, path: readonly (string | number)[] = []): (string | number)[][] {
  const here = path.length > 0 ? [[...path]] : []
  if (value === null || typeof value !== 'object') return here
  return [
    ...here,
    ...Object.keys(value).flatMap(key =>
      places((value as Record<string, Json>)[key], [...path, Array.isArray(value) ? Number(key) : key]),
    ),
  ]
}

/** A value with one thing in it changed, taken away or put in. */
function mutated(value: Json, chance: Chance): Json {
  const copy = structuredClone(value)
  const all = places(copy)
  if (all.length === 0 || chance.share(0.03)) return chance.anything()
  const path = chance.of(all)
  let at = copy as Record<string | number, Json>
  for (const key of path.slice(0, -1)) {
    const inner = at[key]
    // a name such as __proto__ may have gone another way in the copy
    if (inner === null || typeof inner !== 'object') return copy
    at = inner as Record<string | number, Json>
  }
  const key = path.at(-1)!
  const what = chance.below(7)
  if (what === 0) Reflect.deleteProperty(at, key)
  else if (what === 1) at[chance.of(TEXTS)] = chance.anything()
  else at[key] = chance.anything()
  return copy
}

const written = (value: Json): string =>
  JSON.stringify(value).replace(
    /"\\u0001raw:((?:[^"\\]|\\.)*)"/g,
    (_, raw: string) => JSON.parse(`"${raw}"`) as string,
  )

const [spread] = DEMO_SPREADS
const { letter: _, ...rig } = spread!.content.lanes[0]!
const entry = {
  id: UUID,
  session: UUID,
  at: '2026-05-01T08:00:00.000Z',
  kind: 'cast',
  rod: 'A',
  rigKey: 'stick|O1',
  placeKey: 'open/sand',
  data: { text: 'x', of: UUID, place: 'Pier', depthM: 2, weightKg: 0.01, bait: spread!.content.bait, rig },
}
const drop = {
  ...entry,
  kind: 'drop',
  data: {
    drop: {
      bait: spread!.content.bait,
      rig,
      depthM: 2,
      temperatureC: 12,
      salinityGKg: 0,
      seconds: 3,
      from: 'taps',
      model: {
        seconds: 3,
        byDrag: 0.4,
        byEta: 0.1,
        pitchRad: -0.2,
        pitchByDrag: 0,
        pitchByEta: 0,
        speedMS: 0.4,
      },
    },
  },
}
const own = {
  at: [0, 0.2, 0.5, 0.8, 1],
  width: [0.05, 0.1, 0.12, 0.1, 0.03],
  height: [0.05, 0.1, 0.12, 0.1, 0.03],
}
const trip = {
  name: 'Saturday',
  content: { date: '2026-12-05', stops: [{ spotId: UUID, fromH: 7, toH: 11 }], rods: 3, rules: '' },
}

/** A body that a route takes, by the route; for those that take none, an empty one. */
function bodyFor({ method, path }: Route, kind: string, chance: Chance): Json {
  const document =
    kind === 'trip'
      ? trip
      : kind === 'bath'
        ? DEMO_BATHS[0]!
        : kind === 'fish'
          ? DEMO_FISHES[0]!
          : DEMO_SPOTS[0]!
  const item = chance.of(DEMO_BOX)
  const change = { id: UUID, revision: 1 }
  const bodies: Readonly<Record<string, Json>> = {
    'POST /api/spreads': { id: crypto.randomUUID(), ...spread },
    'PUT /api/spreads/[id]': { ...spread, revision: 1 },
    'POST /api/box': { items: [item, chance.of(DEMO_BOX)] },
    'PUT /api/box': { changes: [{ ...change, item }] },
    'POST /api/box/delete': { ids: [UUID] },
    'POST /api/box/restore': { ids: [UUID] },
    'PUT /api/box/[id]/photo': { photo: 'data:image/jpeg;base64,/9j/4AAQSkZJRgABAQEASABIAAD/2Q==' },
    'POST /api/documents/[kind]': document,
    'PUT /api/documents/[kind]/[id]': { ...document, revision: 1 },
    'POST /api/log/entries': {
      entries: chance.share(0.3)
        ? [drop]
        : [
            { ...entry, id: crypto.randomUUID() },
            { ...entry, kind: 'void', id: crypto.randomUUID() },
          ],
    },
    'PUT /api/log/[id]/exclude': { excluded: true },
    'PUT /api/log/sessions/[id]/exclude': { excluded: true },
    'PUT /api/instruments/[id]': { on: true },
    'POST /api/instruments/drop': { seconds: 3 },
    'POST /api/instruments/weigh': {
      bait: chance.share(0.5) ? { ...spread!.content.bait, own } : spread!.content.bait,
      fluidKgM3: 998,
    },
    'POST /api/backups/upload': {
      format: 'dunecrest-backup',
      version: chance.of([1, 2, 3]),
      madeAt: '2026-05-01T08:00:00Z',
      hash: '',
      spreads: [],
      items: [],
      documents: [],
      leftOut: [],
      entries: [{ entry, voided: false, excluded: false }],
    },
  }
  return bodies[`${method} ${path}`] ?? {}
}

interface Asked {
  readonly method: string
  readonly path: string
  readonly headers: Readonly<Record<string, string>>
  readonly body: string | undefined
}

/** The next thing that is asked. */
function nextRequest(routes: readonly Route[], known: readonly string[], chance: Chance): Asked {
  const route = chance.of(routes)
  const kind = chance.of(['spot', 'trip', 'bath', 'fish'])
  const part = (name: string): string => {
    if (chance.share(0.15))
      return encodeURIComponent(
        chance.of(TEXTS.filter(t => !/[\ud800-\udfff]/.test(t) || t === '🐟')).slice(0, 300),
      )
    if (name === 'kind') return kind
    if (name === 'name')
      return chance.of(['2026-01-01T00-00-00-000Z-daily', 'rig', 'backup', 'log', ...known])
    return chance.share(0.5) && known.length > 0
      ? chance.of(known)
      : chance.of([UUID, UUID.toUpperCase(), 'sounder', 'tank'])
  }
  const query = chance.share(0.15)
    ? `?limit=${encodeURIComponent(String(chance.of<string | number>([...NUMBERS, 'x', '', '%00'])))}&offset=${encodeURIComponent(String(chance.of(NUMBERS)))}`
    : ''
  const path =
    (chance.share(0.02)
      ? `/api/${encodeURIComponent(chance.of(TEXTS.slice(0, 3)))}x`
      : filled(route.path, part)) + query
  const method = chance.share(0.03)
    ? chance.of(['GET', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS', 'HEAD'])
    : route.method
  const sends = method === 'POST' || method === 'PUT' || method === 'PATCH' || chance.share(0.02)
  const headers: Record<string, string> = sends ? { 'content-type': 'application/json' } : {}
  if (chance.share(0.04))
    headers['content-type'] = chance.of([
      'text/plain',
      'application/json; charset=utf-16',
      'multipart/form-data',
      'application/gzip',
      '',
    ])
  if (chance.share(0.04))
    headers.origin = chance.of(['http://evil.example', 'null', 'file://', 'http://localhost'])
  if (chance.share(0.02))
    headers.host = chance.of(['evil.example', 'localhost', '127.0.0.1:1', '[::1]', 'x'.repeat(300)])
  if (chance.share(0.03))
    headers['sec-fetch-site'] = chance.of(['cross-site', 'same-site', 'none', 'same-origin', 'odd'])
  return { method, path, headers, body: sends ? bodyText(route, kind, chance) : undefined }
}

function bodyText(route: Route, kind: string, chance: Chance): string {
  let body = bodyFor(route, kind, chance)
  for (let n = chance.below(3); n > 0; n--) body = mutated(body, chance)
  let text = written(body)
  if (chance.share(0.03)) text = text.slice(0, chance.below(text.length + 1))
  if (chance.share(0.01)) text = chance.of(['[', '{']).repeat(50_000)
  if (chance.share(0.01)) text = `{"a":${'['.repeat(20_000)}${']'.repeat(20_000)}}`
  if (chance.share(0.004))
    text = `{${Array.from({ length: 20_000 }, (_, i) => `"unknown field number ${i} of very many":${i}`).join(',')}}`
  return text
}

/** Sends one request. Status 0 where there is no answer in time. */
function send(
  base: URL,
  agent: Agent,
  { method, path, headers, body }: Asked,
): Promise<{ readonly status: number; readonly text: string }> {
  return new Promise(resolve => {
    const framed =
      body === undefined ? headers : { ...headers, 'content-length': String(Buffer.byteLength(body)) }
    const asked = request(
      { hostname: base.hostname, port: base.port, agent, method, path, headers: framed, timeout: ANSWER_MS },
      response => {
        const pieces: Buffer[] = []
        response.on('data', (piece: Buffer) => void pieces.push(piece))
        response.on('end', () =>
          resolve({ status: response.statusCode!, text: Buffer.concat(pieces).toString('utf8') }),
        )
        response.on('error', error => resolve({ status: 0, text: error.message }))
      },
    )
    asked.on('timeout', () => asked.destroy(new Error('no answer in time')))
    asked.on('error', error => resolve({ status: 0, text: error.message }))
    asked.end(body)
  })
}

/**
 * @param url address of the server
 * @param memoryNow reads the server's memory, bytes
 */
export async function fuzz(
  url: string,
  {
    requests,
    seed,
    clients,
    memoryNow,
  }: {
    readonly requests: number
    readonly seed: number
    readonly clients: number
    readonly memoryNow: () => number
  },
): Promise<Fuzzed> {
  const base = new URL(url)
  const agent = new Agent({ keepAlive: true, maxSockets: clients })
  const chance = new Chance(seed)
  const routes = allRoutes()
  const known: string[] = []
  const statuses: Record<number, number> = {}
  const failures: { asked: string; status: number; said: string }[] = []
  let longestRefusal = 0
  let asked = 0
  let atFirst = 0
  const client = async (): Promise<void> => {
    while (asked < requests) {
      if (asked++ === Math.floor(requests / 4)) atFirst = memoryNow()
      const what = nextRequest(routes, known, chance)
      const { status, text } = await send(base, agent, what)
      statuses[status] = (statuses[status] ?? 0) + 1
      if (status === 0 || status >= 500)
        failures.push({
          asked: `${what.method} ${what.path} ${JSON.stringify(what.headers)} ${what.body?.slice(0, 2000) ?? ''}`,
          status,
          said: text.slice(0, 500),
        })
      if (status >= 400) longestRefusal = Math.max(longestRefusal, text.length)
      const id = /"(?:id|name)":"([\w-]{20,60})"/.exec(text)?.[1]
      if (id !== undefined && known.length < 200) known.push(id)
    }
  }
  await Promise.all(Array.from({ length: clients }, client))
  agent.destroy()
  return { requests, statuses, failures, longestRefusal, memory: [atFirst, memoryNow()] }
}

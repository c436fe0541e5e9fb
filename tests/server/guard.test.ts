import { spawn } from 'node:child_process'
import { networkInterfaces } from 'node:os'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { ROOT } from '../../scripts/prepare.mjs'
import { freePort } from '../../scripts/serve.mjs'
import { namesIn, turnedAway } from '../../server/utils/sameOrigin'
import { begun } from '../made'
import { allRoutes, filled } from './routes'
import { call, content, dataFolder, ownServer, raw } from './support'

const NONE = namesIn(undefined)
const ID = '11111111-1111-4111-8111-111111111111'
const JSON_TYPE = { 'content-type': 'application/json' }

describe('what may come to an answer', () => {
  const ask = (
    method: string,
    url: string,
    headers: Record<string, string>,
    names = NONE,
  ): number | undefined =>
    turnedAway({ method, url, headers: { host: 'localhost:3000', ...headers } }, names)?.status

  it.each(['localhost', 'localhost:3000', '127.0.0.1:8', '[::1]:3000', 'LOCALHOST:3000'])(
    'this machine by the name %s',
    host => expect(ask('GET', '/', { host })).toBeUndefined(),
  )
  it.each([
    'evil.example',
    'evil.example:3000',
    'localhost.evil.example',
    '127.0.0.1.evil.example',
    '',
    '192.168.1.4:3000',
    'localhost@evil.example',
  ])('not the name %s', host => expect(ask('GET', '/', { host })).toBe(421))
  it('a further name where it was given', () => {
    const names = namesIn(' Perch.local:3000 , 192.168.1.4')
    expect([
      ask('GET', '/', { host: 'perch.local:3000' }, names),
      ask('GET', '/', { host: '192.168.1.4' }, names),
    ]).toEqual([undefined, undefined])
    expect(ask('GET', '/', { host: 'pike.local' }, names)).toBe(421)
  })
  it.each([
    ['its own page', { 'sec-fetch-site': 'same-origin', origin: 'http://localhost:3000' }, undefined],
    ['a program that is no browser', {}, undefined],
    ['another page', { 'sec-fetch-site': 'cross-site', origin: 'http://evil.example' }, 403],
    [
      'a page on another port of this machine',
      { 'sec-fetch-site': 'same-site', origin: 'http://localhost:8080' },
      403,
    ],
    ['a page that hides where it is from', { origin: 'null' }, 403],
    ["an older browser's other page", { origin: 'http://evil.example' }, 403],
    ['a page that claims to be typed', { 'sec-fetch-site': 'none', origin: 'http://localhost:3000' }, 403],
  ])('a change asked for by %s', (_, headers, status) => {
    for (const method of ['POST', 'PUT', 'DELETE', 'PATCH'])
      expect(ask(method, '/api/spreads', { ...JSON_TYPE, ...(headers as Record<string, string>) })).toBe(
        status,
      )
  })
  it.each([
    'text/plain',
    'application/x-www-form-urlencoded',
    'multipart/form-data',
    'text/json',
    '',
    'application/jsonx',
  ])('no body of the type "%s"', type => {
    expect(ask('POST', '/api/spreads', { 'content-type': type })).toBe(415)
    expect(ask('PUT', '/api/spreads', { 'content-type': type })).toBe(415)
  })
  it('data for no other origin, pages for all', () => {
    const foreign = { 'sec-fetch-site': 'cross-site' }
    expect(
      ['/api/spreads', '/api', '//api/spreads', '/API/spreads', '/api?x', '/%61pi/box', '/%zz'].map(url =>
        ask('GET', url, foreign),
      ),
    ).toEqual([403, 403, 403, 403, 403, 403, 403])
    expect(['/', '/log', '/apiary', '/_nuxt/x.js'].map(url => ask('GET', url, foreign))).toEqual([
      undefined,
      undefined,
      undefined,
      undefined,
    ])
    expect(ask('GET', '/api/spreads', { 'sec-fetch-site': 'none' })).toBeUndefined()
  })
})

describe('the server', () => {
  const server = ownServer(true)
  const entries = async (): Promise<number> =>
    ((await call(`${server.now.url}/api/backups`, 'GET')).body.here as { entries: number }).entries
  const address = (path: string): string =>
    server.now.url + filled(path, name => (name === 'kind' ? 'spot' : ID))

  it('turns other names and other origins away from every route, and other types from every one that changes something', async () => {
    const routes = allRoutes()
    expect(routes.length).toBeGreaterThan(35)
    for (const { method, path } of routes) {
      const at = address(path)
      const own = new URL(at).host
      expect([
        path,
        (await raw(at, method, { ...JSON_TYPE, host: 'evil.example' }, method === 'GET' ? undefined : '{}'))
          .status,
      ]).toEqual([path, 421])
      expect([
        path,
        (
          await raw(
            at,
            method,
            { ...JSON_TYPE, host: own, origin: 'http://evil.example', 'sec-fetch-site': 'cross-site' },
            method === 'GET' ? undefined : '{}',
          )
        ).status,
      ]).toEqual([path, 403])
      if (method === 'POST' || method === 'PUT')
        expect([
          path,
          (await raw(at, method, { host: own, 'content-type': 'text/plain' }, '{}')).status,
        ]).toEqual([path, 415])
    }
  })
  it('wipes nothing for a page of another origin: an empty backup as text, as a form would send it', async () => {
    const before = await entries()
    expect(before).toBeGreaterThan(1000)
    const empty = JSON.stringify({
      format: 'dunecrest-backup',
      version: 3,
      madeAt: '2026-01-01T00:00:00Z',
      spreads: [],
      items: [],
      documents: [],
      leftOut: [],
      entries: [],
      hash: '',
    })
    for (const headers of [
      { 'content-type': 'text/plain;charset=UTF-8' },
      { ...JSON_TYPE, origin: 'http://evil.example' },
      { ...JSON_TYPE, 'sec-fetch-site': 'same-site' },
    ]) {
      for (const path of ['/api/restore', '/api/backups/upload', '/api/backups']) {
        expect([403, 404, 415]).toContain(
          (await raw(server.now.url + path, 'POST', headers as Record<string, string>, empty)).status,
        )
      }
    }
    expect(await entries()).toBe(before)
    expect((await call(`${server.now.url}/api/backups`, 'GET')).body.backups).toEqual([])
  })
  it('says with every answer that no other origin may hold it, and what its pages may load', async () => {
    const page = await raw(`${server.now.url}/`, 'GET')
    const data = await raw(`${server.now.url}/api/spreads`, 'GET')
    const none = await raw(`${server.now.url}/api/nothing`, 'GET')
    const file = await raw(`${server.now.url}/favicon.svg`, 'GET')
    for (const { headers } of [page, data, none, file]) {
      expect(headers).toMatchObject({
        'cross-origin-resource-policy': 'same-origin',
        'x-content-type-options': 'nosniff',
        'x-frame-options': 'DENY',
      })
      expect(headers['access-control-allow-origin']).toBeUndefined()
    }
    expect(page.headers['content-security-policy']).toMatch(/default-src 'self'/)
    expect(page.headers['content-security-policy']).toMatch(/frame-ancestors 'none'/)
    for (const { headers } of [data, none])
      expect(headers['content-security-policy']).toMatch(/^default-src 'none'/)
  })
  it('tells an address that is not there in JSON, whatever is asked of it', async () => {
    for (const method of ['GET', 'POST', 'PUT', 'DELETE']) {
      const { status, headers, text } = await raw(
        `${server.now.url}/api/nothing/here?x=${'y'.repeat(3000)}`,
        method,
        JSON_TYPE,
        method === 'GET' ? undefined : '{}',
      )
      expect(status).toBe(404)
      expect(headers['content-type']).toMatch(/^application\/json/)
      expect(text.length).toBeLessThan(400)
    }
  })
  it("answers a request for no other origin's permission", async () => {
    const { headers } = await raw(`${server.now.url}/api/spreads`, 'OPTIONS', {
      origin: 'http://evil.example',
      'access-control-request-method': 'POST',
      'access-control-request-headers': 'content-type',
    })
    expect(Object.keys(headers).filter(h => h.startsWith('access-control'))).toEqual([])
  })
  it("still serves its own pages' way of asking", async () => {
    const { host, origin } = new URL(server.now.url)
    const body = JSON.stringify({ name: 'mine', content: content() })
    expect(
      (
        await raw(
          `${server.now.url}/api/spreads`,
          'POST',
          { ...JSON_TYPE, host, origin, 'sec-fetch-site': 'same-origin' },
          body,
        )
      ).status,
    ).toBe(201)
  })
})

describe('started by hand', () => {
  it('listens on this machine alone, whatever was set for other programs', async () => {
    const data = dataFolder()
    const port = await freePort(4990)
    const env = {
      ...process.env,
      NODE_ENV: 'production',
      PORT: String(port),
      DUNECREST_DATA: begun(data.path, false),
      HOST: '0.0.0.0',
      NITRO_HOST: '0.0.0.0',
    }
    const child = spawn(process.execPath, [join(ROOT, '.output', 'server', 'index.mjs')], {
      env,
      stdio: 'ignore',
    })
    try {
      await expect
        .poll(
          () =>
            fetch(`http://127.0.0.1:${port}/api/health`).then(
              r => r.status,
              () => 0,
            ),
          { timeout: 60_000 },
        )
        .toBe(200)
      const others = Object.values(networkInterfaces())
        .flatMap(list => list ?? [])
        .filter(i => !i.internal && i.family === 'IPv4')
        .map(i => i.address)
      for (const address of [...others, '127.0.0.2'])
        await expect(fetch(`http://${address}:${port}/api/health`)).rejects.toThrow()
    } finally {
      child.kill()
      await new Promise(resolve => child.once('exit', resolve))
      data.clear()
    }
  })
})

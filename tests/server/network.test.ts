import { X509Certificate } from 'node:crypto'
import { existsSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { createServer, get } from 'node:https'
import { connect, type AddressInfo } from 'node:net'
import { join } from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { freePort } from '../../scripts/serve.mjs'
import { authorityIn, certificateFor, fingerprintOf, isAtHome } from '../../server/network/authority'
import { devicesIn } from '../../server/network/devices'
import { CODE_MS, LOCKED_MS, makePairing, MOST_WRONG } from '../../server/network/pairing'
import { allRoutes, filled } from './routes'
import { call, dataFolder, dataFolders, raw, runServer, type RawAnswer, type Running } from './support'

const ID = '11111111-1111-4111-8111-111111111111'
const JSON_TYPE = { 'content-type': 'application/json' }
const folders = dataFolders()
afterAll(() => folders.clear())

describe('an authority of one’s own', () => {
  it('is made once, its private key for its owner alone', async () => {
    const folder = folders.fresh()
    const first = await authorityIn(folder)
    expect(await authorityIn(folder)).toEqual(first)
    for (const file of readdirSync(folder)) expect(statSync(join(folder, file)).mode & 0o077).toBe(0)
    expect(readdirSync(folder).sort()).toEqual(['authority.crt', 'authority.key'])
    expect(fingerprintOf(first.cert)).toMatch(/^([0-9A-F]{4} ){7}[0-9A-F]{4}$/)
    const { ca, fingerprint256 } = new X509Certificate(first.cert)
    expect(ca).toBe(true)
    expect(fingerprint256.replaceAll(':', '')).toContain(fingerprintOf(first.cert).replaceAll(' ', ''))
  })
  it.each([
    ['192.168.1.20', true],
    ['10.255.0.1', true],
    ['172.31.9.9', true],
    ['172.32.0.1', false],
    ['93.184.216.34', false],
    ['fishing-box.local', true],
    ['local', false],
    ['bank.example', false],
    ['notlocal', false],
  ])('vouches for %s: %s', (name, at) => expect(isAtHome(name)).toBe(at))

  it('vouches for names at home, and cannot be made to vouch for any other place', async () => {
    const authority = await authorityIn(folders.fresh())
    const reach = async (names: readonly string[], may?: (name: string) => boolean): Promise<string> => {
      const server = createServer({ ...(await certificateFor(authority, names, may)) }, (_, response) =>
        response.end('in'),
      )
      await new Promise<void>(ready => server.listen(0, '127.0.0.2', ready))
      try {
        const { port } = server.address() as AddressInfo
        return await new Promise(done => {
          get({ host: '127.0.0.2', port, ca: authority.cert, agent: false }, response => {
            response.resume()
            done('in')
          }).on('error', ({ message }) => done(message))
        })
      } finally {
        server.closeAllConnections()
        server.close()
      }
    }
    expect(await reach(['127.0.0.2', 'fishing-box.local', 'bank.example'])).toBe('in')
    // a certificate that names another place too, as whoever has the key could make it
    expect(await reach(['127.0.0.2', 'bank.example'], () => true)).toMatch(/permitted subtree/)
  })
})

describe('a pairing code', () => {
  let now = 1_000_000
  const pairing = () => makePairing(() => now)
  it('pairs once, however its letters are typed', () => {
    const one = pairing()
    const { code } = one.issue()!
    expect(code).toMatch(/^[2-9A-HJ-NP-Z]{4} [2-9A-HJ-NP-Z]{4}$/)
    expect(one.claim(code.toLowerCase().replace(' ', '-'))).toBe('paired')
    expect(one.claim(code)).toBe('wrong')
  })
  it('runs out, and a new one ends the one before', () => {
    const one = pairing()
    const first = one.issue()!.code
    const second = one.issue()!.code
    expect(one.claim(first)).toBe('wrong')
    now += CODE_MS + 1
    expect(one.claim(second)).toBe('expired')
  })
  it('is locked after so many wrong ones, for a while, the right one too', () => {
    const one = pairing()
    const { code } = one.issue()!
    const claims = Array.from({ length: MOST_WRONG }, () => one.claim('AAAA AAAA'))
    expect(claims.slice(0, -1).every(c => c === 'wrong')).toBe(true)
    expect(claims.at(-1)).toBe('locked')
    expect(one.claim(code)).toBe('locked')
    expect(one.issue()).toBeUndefined()
    now += LOCKED_MS + 1
    expect(one.claim(one.issue()!.code)).toBe('paired')
  })
})

describe('paired devices', () => {
  it('prove themselves by a token of which only a hash is kept, until they are turned away', () => {
    const folder = folders.fresh()
    const devices = devicesIn(folder)
    const { token, device } = devices.add('  my phone ')
    expect(device.name).toBe('my phone')
    expect(token.length).toBeGreaterThanOrEqual(43)
    const kept = readFileSync(join(folder, 'devices.json'), 'utf8')
    expect(kept).not.toContain(token)
    const again = devicesIn(folder)
    expect(again.of(token)).toEqual(device)
    expect([again.of(undefined), again.of(''), again.of(`${token}x`)]).toEqual([
      undefined,
      undefined,
      undefined,
    ])
    expect(again.rename(device.id, 'the other')?.name).toBe('the other')
    expect(again.remove(device.id)).toBe(true)
    expect(again.remove(device.id)).toBe(false)
    expect(devicesIn(folder).of(token)).toBeUndefined()
  })
})

describe('over the network', () => {
  const HOST = '127.0.0.2'
  const data = dataFolder()
  let running: Running
  let port: number
  let ca: string
  beforeAll(async () => {
    port = await freePort(5300)
    running = await runServer(data.path, true, {
      DUNECREST_LAN: '1',
      DUNECREST_LAN_PORT: String(port),
      DUNECREST_NETWORK_HOST: HOST,
    })
    ca = (await raw(`http://${HOST}:${port}/pair/authority.crt`, 'GET')).text
  })
  afterAll(async () => {
    await running.stop()
    data.clear()
  })
  const secure = (
    path: string,
    method = 'GET',
    headers: Record<string, string> = {},
    body?: string,
  ): Promise<RawAnswer> => raw(`https://${HOST}:${port}${path}`, method, headers, body, ca)
  const code = async (): Promise<string> =>
    (await call(`${running.url}/api/network/code`, 'POST')).body.code as string
  const pair = async (name = 'phone'): Promise<{ cookie: string; header: string }> => {
    const answer = await secure('/pair', 'POST', JSON_TYPE, JSON.stringify({ code: await code(), name }))
    expect(answer.status).toBe(201)
    const [header] = answer.headers['set-cookie']!
    return { cookie: header!.split(';')[0]!, header: header! }
  }
  const devices = async () =>
    (await call(`${running.url}/api/network`, 'GET')).body.devices as unknown as {
      id: string
      name: string
    }[]

  it('gives over plain http the page that leads to trust, and the certificate, and nothing else', async () => {
    const at = `http://${HOST}:${port}`
    for (const path of ['/', '/pair', '/bank', '/api', '/anything']) {
      const { status, text, headers } = await raw(at + path, 'GET', { accept: 'text/html' })
      expect([path, status]).toEqual([path, 200])
      expect(text).toContain('Take Dunecrest to the bank')
      expect(headers['content-security-policy']).toMatch(/^default-src 'none'.*frame-ancestors 'none'$/)
    }
    expect(ca).toMatch(/^-----BEGIN CERTIFICATE-----/)
    const state = (await call(`${running.url}/api/network`, 'GET')).body
    expect(state.fingerprint).toBe(fingerprintOf(ca))
    for (const { method, path } of allRoutes())
      expect([
        path,
        (await raw(at + filled(path, () => ID), method, JSON_TYPE, method === 'GET' ? undefined : '{}'))
          .status,
      ]).toEqual([path, 401])
    const paired = await raw(
      `${at}/pair`,
      'POST',
      JSON_TYPE,
      JSON.stringify({ code: await code(), name: 'x' }),
    )
    expect(paired.status).toBe(401)
  })

  it('refuses every route, page and file over https without pairing, but the page that pairs', async () => {
    const routes = allRoutes()
    expect(routes.length).toBeGreaterThan(40)
    for (const { method, path } of routes) {
      const at = filled(path, name => (name === 'kind' ? 'spot' : ID))
      const answer = await secure(at, method, JSON_TYPE, method === 'GET' ? undefined : '{}')
      expect([path, method, answer.status]).toEqual([path, method, 401])
      expect(answer.text).not.toContain('Marrowgrass')
    }
    const shell = (await raw(running.url, 'GET')).text
    const files = [...shell.matchAll(/\/_nuxt\/[\w.-]+/g)].map(m => m[0])
    expect(files.length).toBeGreaterThan(0)
    for (const file of [...files, '/sw.js', '/favicon.svg', '/manifest.webmanifest', '/_nuxt/../api/box'])
      expect([file, (await secure(file)).status]).toEqual([file, 401])
    for (const page of ['/', '/bank', '/log', '/box']) {
      const { status, text } = await secure(page, 'GET', { accept: 'text/html' })
      expect([page, status]).toEqual([page, 401])
      expect(text).toContain('Pair this device')
      expect(text).not.toContain('/_nuxt/')
    }
    expect((await secure('/pair')).status).toBe(200)
    for (const cookie of ['__Host-dunecrest=', '__Host-dunecrest=x', '__Host-dunecrest=undefined'])
      expect((await secure('/api/box', 'GET', { cookie })).status).toBe(401)
  })

  it('pairs by a code once, with a cookie no script and no other site can use, and lets in', async () => {
    const { cookie, header } = await pair('kitchen phone')
    expect(header).toMatch(
      /^__Host-dunecrest=[\w-]{43}; Path=\/; Max-Age=\d+; Secure; HttpOnly; SameSite=Strict$/,
    )
    const box = await secure('/api/box', 'GET', { cookie })
    expect(box.status).toBe(200)
    expect(box.text).toContain('items')
    expect((await secure('/', 'GET', { cookie, accept: 'text/html' })).text).toContain('/_nuxt/')
    expect((await devices()).map(d => d.name)).toContain('kitchen phone')
    const kept = readFileSync(join(`${data.path}.network`, 'devices.json'), 'utf8')
    expect(kept).not.toContain(cookie.split('=')[1])
    const backup = await raw(`${running.url}/api/backup`, 'GET')
    expect(backup.text).not.toContain('kitchen phone')
    expect(backup.text).not.toContain(cookie.split('=')[1]!)
  })

  it('lets a paired device do what this machine may, but let others in or turn them away', async () => {
    const { cookie } = await pair()
    const spread = await secure('/api/spreads', 'GET', { cookie })
    expect(spread.status).toBe(200)
    for (const { method, path } of allRoutes().filter(r => r.path.startsWith('/api/network')))
      expect([
        path,
        (
          await secure(
            filled(path, () => ID),
            method,
            { ...JSON_TYPE, cookie },
            method === 'GET' ? undefined : '{}',
          )
        ).status,
      ]).toEqual([path, 403])
    // nor by another spelling of the address
    for (const path of [
      '/api/%6eetwork',
      '/api/network/',
      '//api/network',
      '/api/network?x',
      '/api/%6Eetwork/code',
    ])
      for (const method of ['GET', 'POST', 'PUT']) {
        const answer = await secure(
          path,
          method,
          { ...JSON_TYPE, cookie },
          method === 'GET' ? undefined : '{"open":false}',
        )
        expect([path, method, answer.text]).toEqual([
          path,
          method,
          expect.not.stringMatching(/fingerprint|"code"|pairedAt/),
        ])
      }
    expect((await secure('/pair')).status).toBe(200)
    // another site's page cannot use it
    const foreign = await secure(
      '/api/spreads',
      'POST',
      { ...JSON_TYPE, cookie, origin: 'https://evil.example', 'sec-fetch-site': 'cross-site' },
      '{}',
    )
    expect(foreign.status).toBe(403)
    expect((await secure('/api/box', 'GET', { cookie, host: 'evil.example' })).status).toBe(421)
    expect((await secure('/api/box', 'GET', { cookie, host: 'localhost' })).status).toBe(421)
  })

  it('gives a device that was turned away nothing more', async () => {
    const { cookie } = await pair('lost phone')
    const { id } = (await devices()).find(d => d.name === 'lost phone')!
    expect((await call(`${running.url}/api/network/devices/${id}`, 'PUT', { name: 'lost' })).body.name).toBe(
      'lost',
    )
    expect((await call(`${running.url}/api/network/devices/${id}`, 'DELETE')).status).toBe(200)
    expect((await secure('/api/box', 'GET', { cookie })).status).toBe(401)
    expect((await secure('/', 'GET', { cookie, accept: 'text/html' })).status).toBe(401)
    expect((await call(`${running.url}/api/network/devices/${id}`, 'DELETE')).status).toBe(404)
  })

  it('takes what is no claim for none, and lets a caller that says nothing go', async () => {
    for (const body of [
      '',
      '{',
      '{}',
      '{"code":5,"name":"x"}',
      JSON.stringify({ code: 'x'.repeat(9000), name: '' }),
    ])
      expect((await secure('/pair', 'POST', JSON_TYPE, body)).status).toBe(422)
    await new Promise<void>(closed => {
      const socket = connect(port, HOST, () => socket.end())
      socket.on('close', () => closed())
    })
    expect((await secure('/pair')).status).toBe(200)
  })

  it('is shut at once where it is switched off, and open again with the devices it knew', async () => {
    const { cookie } = await pair()
    await call(`${running.url}/api/network`, 'PUT', { open: false })
    await expect(secure('/pair')).rejects.toThrow()
    expect((await call(`${running.url}/api/network/code`, 'POST')).status).toBe(409)
    await call(`${running.url}/api/network`, 'PUT', { open: true })
    expect((await secure('/api/box', 'GET', { cookie })).status).toBe(200)
    expect(existsSync(join(`${data.path}.network`, 'open'))).toBe(true)
  })

  it('locks pairing after ten wrong codes, and says so on this machine', async () => {
    await code()
    const wrong = JSON.stringify({ code: 'AAAA AAAA', name: 'x' })
    const statuses: number[] = []
    for (let i = 0; i < 11; i++) statuses.push((await secure('/pair', 'POST', JSON_TYPE, wrong)).status)
    expect(statuses).toEqual([...Array<number>(9).fill(403), 429, 429])
    expect((await call(`${running.url}/api/network/code`, 'POST')).status).toBe(409)
    expect((await call(`${running.url}/api/network`, 'GET')).body.lockedUntil).toBeGreaterThan(Date.now())
  })
})

it('a certificate of one’s own is used where both its files are named; one alone opens nothing and says so', async () => {
  const data = dataFolder()
  const own = folders.fresh()
  const authority = await authorityIn(own)
  const pair = await certificateFor(authority, ['127.0.0.2'])
  const [cert, key] = [join(own, 'mine.crt'), join(own, 'mine.key')]
  writeFileSync(cert, pair.cert)
  writeFileSync(key, pair.key)
  const port = await freePort(5350)
  const env = {
    DUNECREST_LAN: '1',
    DUNECREST_LAN_PORT: String(port),
    DUNECREST_NETWORK_HOST: '127.0.0.2',
    DUNECREST_TLS_CERT: cert,
  }
  const state = async ({ url }: Running) => (await call(`${url}/api/network`, 'GET')).body
  const half = await runServer(data.path, false, env)
  expect(await state(half)).toMatchObject({ open: false })
  expect((await state(half)).trouble).toMatch(/name both/)
  await half.stop()
  const both = await runServer(data.path, false, { ...env, DUNECREST_TLS_KEY: key })
  try {
    expect((await state(both)).open).toBe(true)
    expect((await state(both)).fingerprint).toBeUndefined()
    const at = `https://127.0.0.2:${port}`
    expect((await raw(`${at}/pair`, 'GET', {}, undefined, authority.cert)).status).toBe(200)
    expect((await raw(`${at}/pair/authority.crt`, 'GET', {}, undefined, authority.cert)).status).toBe(404)
    expect(existsSync(join(`${data.path}.network`, 'authority.key'))).toBe(false)
  } finally {
    await both.stop()
    data.clear()
  }
})

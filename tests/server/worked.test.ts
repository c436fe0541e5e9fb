import { gzipSync } from 'node:zlib'
import { existsSync, readdirSync, rmSync, statSync, utimesSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { ownServer } from './support'

const server = ownServer()
const put = (name: string, body: Buffer, type = 'application/gzip'): Promise<Response> =>
  fetch(`${server.now.url}/api/worked/${name}`, {
    method: 'PUT',
    headers: { 'content-type': type },
    body: new Uint8Array(body),
  })
const get = (name: string): Promise<Response> => fetch(`${server.now.url}/api/worked/${name}`)
const file = (rows: number): Buffer =>
  gzipSync(JSON.stringify(Array.from({ length: rows }, () => Math.random())))
const folder = (): string => `${server.now.folder}.worked`
const files = (): string[] => readdirSync(folder()).map(name => join(folder(), name))

describe('what devices worked out', () => {
  it('is kept as it came and given to others, through a restart', async () => {
    expect((await get('calc.worker-a.first')).status).toBe(404)
    const sent = gzipSync(JSON.stringify([[['key', { figure: 0.1 }]], []]))
    expect((await put('calc.worker-a.first', sent)).status).toBe(204)
    await server.again()
    const got = await get('calc.worker-a.first')
    expect(got.headers.get('content-encoding')).toBe('gzip')
    expect(await got.json()).toEqual([[['key', { figure: 0.1 }]], []])
    expect((await get('calc.worker-a.helper')).status).toBe(404)
    expect(statSync(folder()).mode & 0o777).toBe(0o700)
    for (const path of files()) expect(statSync(path).mode & 0o777).toBe(0o600)
  })
  it('is not replaced by less, unless it is old', async () => {
    const [more, less] = [file(500), file(20)]
    await put('calc.worker-b.first', more)
    const length = async (): Promise<number> =>
      ((await (await get('calc.worker-b.first')).json()) as number[]).length
    expect((await put('calc.worker-b.first', less)).status).toBe(204)
    expect(await length()).toBe(500)
    const old = new Date(Date.now() - 8 * 24 * 3_600_000)
    for (const path of files()) utimesSync(path, old, old)
    await put('calc.worker-b.first', less)
    expect(await length()).toBe(20)
  })
  it('of a log is replaced by what was learned since, however long, and pushes no search out', async () => {
    const [more, less] = [file(500), file(20)]
    await put('calc.worker-g.first', file(5))
    for (const sent of [more, less]) expect((await put('calc.worker-g.log.wood.rock', sent)).status).toBe(204)
    const got = (await (await get('calc.worker-g.log.wood.rock')).json()) as number[]
    expect(got).toHaveLength(20)
    const before = files().length
    for (let place = 0; place < 30; place++) await put(`calc.worker-g.log.${place}.mud`, file(3))
    expect((await get('calc.worker-g.first')).status).toBe(200)
    expect((await get('calc.worker-g.log.29.mud')).status).toBe(200)
    expect((await get('calc.worker-g.log.0.mud')).status).toBe(404)
    expect(files()).toHaveLength(before - 1 + 16)
    for (const path of files()) if (path.endsWith('.log.gz')) rmSync(path)
  })
  it('takes no more room than two makings do, and none for what is no such file', async () => {
    for (const making of ['c', 'd', 'e'])
      for (const half of ['first', 'helper']) await put(`calc.worker-${making}.${half}`, file(10))
    expect(files()).toHaveLength(4)
    expect((await get('calc.worker-e.helper')).status).toBe(200)
    expect((await put('calc.worker-f.first', Buffer.from('[]'))).status).toBe(422)
    expect((await put('calc.worker-f.first', file(10), 'text/plain')).status).toBe(415)
    for (const name of ['..%2f..%2fetc', 'a%2fb', 'a%20b', 'x'.repeat(200)]) {
      expect((await get(name)).status).toBe(404)
      expect((await put(name, file(10))).status).toBe(404)
    }
    expect(existsSync(join(folder(), '..', 'etc'))).toBe(false)
    expect(files()).toHaveLength(4)
  })
})

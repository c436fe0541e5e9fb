import { createConnection } from 'node:net'
import { describe, expect, it } from 'vitest'
import type { EvidenceAnswer, LogEntry, SessionRow } from '#schemas/log'
import { seasons } from '../../demo/seasons'
import { simulateSounder, listenTo } from '../../server/instruments/sounder'
import { call, content, ownServer } from './support'

/** Made before anything is sent: a connection left alone meanwhile is one that the server may close. */
const PAST = seasons(3, 12)

const server = ownServer()
const api = (path: string): string => `${server.now.url}/api/log/${path}`
const send = (entries: readonly LogEntry[]) => call(api('entries'), 'POST', { entries })
const evidence = async (): Promise<EvidenceAnswer> =>
  (await call(api('evidence'), 'GET')).body as unknown as EvidenceAnswer
const session = '11111111-1111-4111-8111-111111111111'
const entry = (n: number, more: Partial<LogEntry> = {}): LogEntry => ({
  id: `22222222-2222-4222-8222-${String(n).padStart(12, '0')}`,
  session,
  at: new Date(Date.UTC(2026, 5, 1, 8, n)).toISOString(),
  kind: 'cast',
  rod: 'A',
  rigKey: 'slimShad 90 plain|W1|4/0|skin',
  placeKey: 'thickWeed/shell',
  ...more,
})
const casts = async (): Promise<number | undefined> =>
  (await evidence()).tallies.find(t => t.rigKey.includes('W1|4/0'))?.counts.cast

describe('the log', () => {
  it('keeps every entry once, however often it is sent', async () => {
    const some = Array.from({ length: 5 }, (_, n) => entry(n))
    expect((await send([entry(99, { kind: 'start', data: { place: 'Flat' } }), ...some])).body).toMatchObject(
      { added: 6, known: 0, conflicts: [] },
    )
    expect((await send([...some, entry(5)])).body).toMatchObject({ added: 1, known: 5, conflicts: [] })
    expect(await casts()).toBe(6)
    expect((await call(api(`${session}/entries?limit=100`), 'GET')).body.entries).toHaveLength(7)
  })
  it('tells an id that is there with other content, and keeps what is there', async () => {
    expect((await send([entry(1, { kind: 'snag' })])).body).toMatchObject({
      added: 0,
      conflicts: [entry(1).id],
    })
    expect(
      ((await call(api(`${session}/entries`), 'GET')).body.entries as LogEntry[]).find(
        e => e.id === entry(1).id,
      )!.kind,
    ).toBe('cast')
  })
  it('counts what a lost touch showed by rig and place, like any other tap', async () => {
    await send([
      entry(70, { kind: 'bump' }),
      entry(71, { kind: 'nipped' }),
      entry(72, { kind: 'bite' }),
      entry(73, { kind: 'covered' }),
    ])
    expect((await evidence()).tallies.find(t => t.rigKey.includes('W1|4/0'))!.counts).toMatchObject({
      bump: 1,
      nipped: 1,
      bite: 1,
      covered: 1,
    })
    await send([entry(74, { kind: 'void', data: { of: entry(71).id } })])
    expect((await evidence()).tallies.find(t => t.rigKey.includes('W1|4/0'))!.counts.nipped).toBeUndefined()
  })
  it('a session left out counts for no rig, with what comes later too, and is taken in again whole', async () => {
    const other = '33333333-3333-4333-8333-333333333333'
    const at = `${server.now.url}/api/log/sessions/${other}/exclude`
    const before = await casts()
    await send([
      entry(90, { session: other }),
      entry(91, { session: other }),
      entry(92, { session: other, kind: 'snag' }),
    ])
    expect(await casts()).toBe(before! + 2)
    expect((await call(at, 'PUT', { excluded: true })).status).toBe(200)
    await call(at, 'PUT', { excluded: true })
    expect(await casts()).toBe(before)
    await send([
      entry(93, { session: other }),
      entry(94, { session: other, kind: 'void', data: { of: entry(90).id } }),
    ])
    expect(await casts()).toBe(before)
    const row = async (): Promise<SessionRow> =>
      ((await call(api('sessions'), 'GET')).body as unknown as { sessions: SessionRow[] }).sessions.find(
        s => s.session === other,
      )!
    expect(await row()).toMatchObject({ excluded: true, counts: { cast: 2, snag: 1 } })
    await call(at, 'PUT', { excluded: false })
    expect(await casts()).toBe(before! + 2)
    expect(await row()).toMatchObject({ excluded: false })
    await call(at, 'PUT', { excluded: true })
    expect((await call(at.replace(other, other.replace(/3/g, '4')), 'PUT', { excluded: true })).status).toBe(
      404,
    )
  })
  it('keeps a drop with the bath it was timed in', async () => {
    const { lanes, bait } = content()
    const { letter: _, ...rig } = lanes[0]!
    const drop = {
      bait,
      rig,
      depthM: 0.36,
      temperatureC: 16,
      salinityGKg: 0,
      seconds: 0.9,
      from: 'taps' as const,
      model: {
        seconds: 0.88,
        byDrag: 0.4,
        byEta: 0.1,
        pitchRad: -0.2,
        pitchByDrag: 0,
        pitchByEta: 0,
        speedMS: 0.4,
      },
      bath: { name: 'bucket', tappedS: 1.02, lagS: 0.1, lagSdS: 0.02, slowed: 0.97 },
    }
    expect((await send([entry(80, { kind: 'drop', data: { drop } })])).body).toMatchObject({ added: 1 })
    expect((await evidence()).drops.at(-1)!.drop).toEqual(drop)
    const { status, body } = await send([
      entry(81, { kind: 'drop', data: { drop: { ...drop, bath: { ...drop.bath, slowed: 1.4 } } } }),
    ])
    expect(status).toBe(422)
    expect(body.data!.fields![0]!.path).toBe('entries[0].data.drop.bath.slowed')
  })
  it('takes a tap back once, and counts it no more', async () => {
    const back = entry(50, { kind: 'void', data: { of: entry(2).id } })
    await send([back])
    await send([back, entry(51, { kind: 'void', data: { of: entry(2).id } })])
    expect(await casts()).toBe(5)
    const { sessions } = (await call(api('sessions'), 'GET')).body as unknown as { sessions: SessionRow[] }
    expect(sessions.find(s => s.session === session)).toMatchObject({ place: 'Flat', counts: { cast: 5 } })
  })
  it('an entry that was taken back before it came stays taken back, whichever way they come', async () => {
    const before = await casts()
    await send([entry(52, { kind: 'void', data: { of: entry(53).id } })])
    await send([entry(53)])
    await send([entry(54, { kind: 'void', data: { of: entry(55).id } }), entry(55)])
    expect(await casts()).toBe(before)
    const { entries } = (await call(api(`${session}/entries?limit=500`), 'GET')).body as unknown as {
      entries: LogEntry[]
    }
    expect(entries.filter(e => [entry(53).id, entry(55).id].includes(e.id))).toEqual([])
  })
  it('an id in capitals is the same id', async () => {
    const before = await casts()
    const loud = (e: LogEntry): LogEntry => ({
      ...e,
      id: e.id.toUpperCase(),
      session: e.session.toUpperCase(),
    })
    const ab = entry(56, { id: 'abcdefab-cdef-4abc-8def-abcdefabcdef' })
    expect((await send([ab])).body).toMatchObject({ added: 1 })
    expect((await send([loud(ab)])).body).toMatchObject({ added: 0, known: 1, conflicts: [] })
    await send([entry(57, { kind: 'void', data: { of: ab.id.toUpperCase() } })])
    expect(await casts()).toBe(before)
  })
  it('tells a conflict by all of the content, and in one request too', async () => {
    const noted = entry(58, { kind: 'note', data: { text: 'wind' } })
    await send([noted])
    expect((await send([{ ...noted, data: { text: 'wind' } }])).body).toMatchObject({
      known: 1,
      conflicts: [],
    })
    expect((await send([{ ...noted, data: { text: 'calm' } }])).body).toMatchObject({
      known: 1,
      conflicts: [noted.id],
    })
    const twice = entry(59, { kind: 'note', data: { text: 'a' } })
    expect((await send([twice, twice, { ...twice, rod: 'B' }])).body).toMatchObject({
      added: 1,
      known: 2,
      conflicts: [twice.id],
    })
  })
  it('tells its clock, and refuses times by a clock that is wrong', async () => {
    const { body } = await send([entry(62, { kind: 'note', data: { text: 'x' } })])
    expect(Math.abs(Date.parse(body.now as string) - Date.now())).toBeLessThan(60_000)
    const late = await send([entry(63), entry(64, { at: '2199-01-01T00:00:00.000Z' })])
    expect(late.status).toBe(422)
    expect(late.body.data!.fields).toEqual([
      { path: 'entries[1].at', message: expect.stringContaining('clock') as string },
    ])
  })
  it('an entry that is left out counts no more, through its session being left out and taken in again', async () => {
    const other = '55555555-5555-4555-8555-555555555555'
    const at = `${server.now.url}/api/log/sessions/${other}/exclude`
    const before = await casts()
    await send([entry(65, { session: other }), entry(66, { session: other })])
    expect((await call(api(`${entry(65).id}/exclude`), 'PUT', { excluded: true })).status).toBe(200)
    await call(api(`${entry(65).id}/exclude`), 'PUT', { excluded: true })
    expect(await casts()).toBe(before! + 1)
    await call(at, 'PUT', { excluded: true })
    await call(at, 'PUT', { excluded: false })
    expect(await casts()).toBe(before! + 1)
    await call(api(`${entry(65).id}/exclude`), 'PUT', { excluded: false })
    expect(await casts()).toBe(before! + 2)
    await call(at, 'PUT', { excluded: true })
  })
  it('the place of a session is that of its newest start that stands', async () => {
    const other = '66666666-6666-4666-8666-666666666666'
    const place = async (): Promise<string> =>
      (
        (await call(api('sessions?limit=100'), 'GET')).body as unknown as { sessions: SessionRow[] }
      ).sessions.find(s => s.session === other)!.place
    const start = (n: number, name: string) =>
      entry(n, { session: other, kind: 'start', data: { place: name } })
    await send([start(67, 'Pier'), start(68, 'Wall')])
    expect(await place()).toBe('Wall')
    await send([entry(69, { session: other, kind: 'void', data: { of: start(68, '').id } })])
    expect(await place()).toBe('Pier')
  })
  it('a session put right afterwards is no longer for that, and is told to be another', async () => {
    const other = '77777777-7777-4777-8777-777777777777'
    const row = async (): Promise<SessionRow> =>
      (
        (await call(api('sessions?limit=100'), 'GET')).body as unknown as { sessions: SessionRow[] }
      ).sessions.find(s => s.session === other)!
    const start = entry(190, { session: other, kind: 'start', data: { place: 'Pier' } })
    await send([start, entry(191, { session: other })])
    const before = await row()
    const anew = { ...start, id: entry(193).id, data: { place: 'North pier' } }
    const back = { ...entry(192, { session: other, kind: 'void', data: { of: start.id } }), at: start.at }
    await send([back, anew])
    const after = await row()
    expect(after).toMatchObject({
      place: 'North pier',
      from: before.from,
      to: before.to,
      counts: before.counts,
    })
    expect(after.revision).toBeGreaterThan(before.revision)
  })
  it('writes all of a request or none', async () => {
    const before = await casts()
    const { status, body } = await send([entry(60), { ...entry(61), at: 'yesterday' }])
    expect(status).toBe(422)
    expect(body.data!.fields![0]!.path).toBe('entries[1].at')
    expect(await casts()).toBe(before)
  })
  it('pages sessions and entries, and refuses what is no page', async () => {
    await send(PAST)
    const first = (await call(api('sessions?limit=5'), 'GET')).body as unknown as {
      sessions: SessionRow[]
      total: number
    }
    const second = (await call(api('sessions?limit=5&offset=5'), 'GET')).body as unknown as {
      sessions: SessionRow[]
    }
    expect(first.total).toBeGreaterThanOrEqual(13)
    expect(new Set([...first.sessions, ...second.sessions].map(s => s.session)).size).toBe(10)
    const times = [...first.sessions, ...second.sessions].map(s => s.from)
    expect([...times].sort().reverse()).toEqual(times)
    expect((await call(api('sessions?limit=9000'), 'GET')).status).toBe(422)
  })
  it('comes to totals by water, tide and month that add up to the casts', async () => {
    const { places, tides, months } = (await call(api('totals'), 'GET')).body as unknown as Record<
      'places' | 'tides' | 'months',
      { counts: { cast?: number } }[]
    >
    const casts = (list: { counts: { cast?: number } }[]): number =>
      list.reduce((sum, row) => sum + (row.counts.cast ?? 0), 0)
    const all = (await evidence()).tallies.reduce((sum, t) => sum + (t.counts.cast ?? 0), 0)
    expect([casts(places), casts(tides), casts(months)]).toEqual([all, all, all])
    expect(months.length).toBeGreaterThan(2)
  })
  it('tells the tide by one of the angler’s own where it knows the moment, and says of how many it does not', async () => {
    type Totals = { simulated: number; tides: { name: string; counts: { cast?: number } }[] }
    const totals = async () => (await call(api('totals'), 'GET')).body as unknown as Totals
    const before = await totals()
    expect(before.simulated).toBeGreaterThan(0)
    const constants = [{ name: 'M2', amplitudeM: 1, phaseDeg: 120 }]
    const made = await call(`${server.now.url}/api/documents/tide`, 'POST', {
      name: 'Sandgate Bar',
      content: { kind: 'constants', meanM: 2, constants },
    })
    expect(made.status).toBe(201)
    const after = await totals()
    expect(after.simulated).toBe(0)
    expect(after.tides).not.toEqual(before.tides)
    await call(`${server.now.url}/api/documents/tide/${(made.body as { id: string }).id}`, 'DELETE')
    expect(await totals()).toEqual(before)
  })
  it('lists drops, leaves one out on request and takes it in again', async () => {
    const { drops } = await evidence()
    expect(drops.length).toBeGreaterThanOrEqual(21)
    const [drop] = drops
    await call(api(`${drop!.id}/exclude`), 'PUT', { excluded: true })
    expect((await evidence()).drops[0]!.excluded).toBe(true)
    await call(api(`${drop!.id}/exclude`), 'PUT', { excluded: false })
    expect((await evidence()).drops).toEqual(drops)
    expect(
      (await call(api('33333333-3333-4333-8333-333333333333/exclude'), 'PUT', { excluded: true })).status,
    ).toBe(404)
  })
})

describe('open formats', () => {
  it('are published as JSON Schema', async () => {
    const { schemas } = (await call(`${server.now.url}/api/schema`, 'GET')).body as unknown as {
      schemas: string[]
    }
    expect(schemas).toContain('/api/schema/log')
    for (const path of schemas)
      expect((await call(server.now.url + path, 'GET')).body).toMatchObject({
        $schema: expect.stringContaining('2020-12') as string,
      })
    expect((await call(`${server.now.url}/api/schema/boat`, 'GET')).status).toBe(404)
  })
})

describe('instruments', () => {
  it('a sounder over TCP: readings are taken, malformed sentences counted and skipped', async () => {
    const simulated = await simulateSounder(5)
    const heard = listenTo(simulated.port)
    await expect
      .poll(() => heard.counts(), { timeout: 10_000 })
      .toMatchObject({ malformed: expect.toSatisfy((n: number) => n >= 2) as number })
    expect(heard.reading().depthM).toBeGreaterThan(3)
    expect(heard.reading().temperatureC).toBeCloseTo(14.6, 0)
    expect(heard.counts().good).toBeGreaterThan(30)
    await heard.close()
    await simulated.close()
  })
  it('are switched on and off; the sounder is a port that speaks while it is on, and says it is simulated', async () => {
    const at = `${server.now.url}/api/instruments`
    expect((await call(`${at}/sounder`, 'GET')).body).toEqual({ on: false, simulated: true })
    const on = (await call(`${at}/sounder`, 'PUT', { on: true })).body
    await call(`${at}/sounder`, 'PUT', { on: true })
    const said = await new Promise<string>((resolve, reject) => {
      const socket = createConnection({ port: on.port as number, host: '127.0.0.1' })
      socket.once('data', chunk => (resolve(String(chunk)), socket.destroy()))
      socket.once('error', reject)
    })
    expect(said).toMatch(/^\$SDDPT,\d/)
    await expect
      .poll(async () => ((await call(`${at}/sounder`, 'GET')).body.reading as { depthM?: number }).depthM)
      .toBeGreaterThan(3)
    expect((await call(`${at}/sounder`, 'PUT', { on: false })).body).toEqual({
      id: 'sounder',
      on: false,
      simulated: true,
    })
    await call(`${at}/tank`, 'PUT', { on: false })
    expect((await call(`${at}/drop`, 'POST', { seconds: 4 })).status).toBe(409)
    await call(`${at}/tank`, 'PUT', { on: true })
    expect(Number((await call(`${at}/drop`, 'POST', { seconds: 4 })).body.seconds)).toBeGreaterThan(4)
    expect((await call(`${at}/radar`, 'GET')).status).toBe(404)
  })
  it('the scale weighs a bait in air and in water, in its steps; off, it weighs nothing', async () => {
    const at = `${server.now.url}/api/instruments`
    const { bait } = content()
    const weigh = async (fluidKgM3: number): Promise<number> =>
      (await call(`${at}/weigh`, 'POST', { bait, fluidKgM3 })).body.massKg as number
    const [air, fresh, sea] = [await weigh(0), await weigh(998), await weigh(1025)]
    expect(air).toBeGreaterThan(fresh)
    expect(fresh).toBeGreaterThan(sea)
    // steps of a hundredth of a gram
    expect(Math.abs(air / 1e-5 - Math.round(air / 1e-5))).toBeLessThan(1e-6)
    expect((await call(`${at}/weigh`, 'POST', { bait: { ...bait, lengthM: 9 }, fluidKgM3: 0 })).status).toBe(
      422,
    )
    await call(`${at}/scale`, 'PUT', { on: false })
    expect((await call(`${at}/weigh`, 'POST', { bait, fluidKgM3: 0 })).status).toBe(409)
    await call(`${at}/scale`, 'PUT', { on: true })
  })
})

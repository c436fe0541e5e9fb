import { describe, expect, it } from 'vitest'
import type { FieldError, Spread, SpreadContent } from '#schemas/spread'
import { call, content, ownServer } from './support'

const server = ownServer()

const api = (path = ''): string => `${server.now.url}/api/spreads${path}`
async function create(name: string): Promise<Spread> {
  const { status, body } = await call(api(), 'POST', { name, content: content() })
  expect(status).toBe(201)
  return body as unknown as Spread
}

describe('saving and reopening', () => {
  it('gives back what was saved, and lists it first', async () => {
    await create('older')
    const made = await create('  Eelgrass at dusk ')
    expect(made).toMatchObject({ name: 'Eelgrass at dusk', revision: 1, content: content() })
    expect((await call(api(`/${made.id}`), 'GET')).body).toEqual(made)
    const { body } = await call(api(), 'GET')
    expect((body.spreads as unknown[])[0]).toMatchObject({
      id: made.id,
      place: content().water.place,
      rigs: 3,
    })
  })

  it('keeps a current, a held line, and what was tried on a rig', async () => {
    const full = content()
    full.water.stream = { surfaceMS: 0.4, towardRad: 1.5 }
    full.line.hold = { mode: 'tight', rodDistanceM: 18 }
    full.lanes[0] = { ...full.lanes[0]!, bendM: 0.004, weightAtM: 0.02 }
    full.lanes[1] = {
      letter: 'B',
      family: 'L1',
      hookSize: '4/0',
      weightKg: 0.007,
      weightMaterial: 'tungsten',
      pointRest: 'skin',
      peg: 'free',
    }
    full.lanes[2] = {
      letter: 'C',
      family: 'L3',
      hookSize: '4/0',
      weightKg: 0.007,
      weightMaterial: 'lead',
      pointRest: 'skin',
      leaderM: 0.6,
    }
    const { status, body } = await call(api(), 'POST', { name: 'older still', content: full })
    expect(status).toBe(201)
    expect((await call(api(`/${body.id as string}`), 'GET')).body.content).toEqual(full)
    expect((await call(api(`/${body.id as string}`), 'DELETE')).status).toBe(204)
  })

  it('renames and changes on the newest revision only', async () => {
    const made = await create('first name')
    const changed = { ...content(), water: { ...content().water, depthM: 3.5 } }
    const first = await call(api(`/${made.id}`), 'PUT', {
      revision: 1,
      name: 'second name',
      content: changed,
    })
    expect(first).toMatchObject({
      status: 200,
      body: { revision: 2, name: 'second name', content: { water: { depthM: 3.5 } } },
    })
    const late = await call(api(`/${made.id}`), 'PUT', { revision: 1, name: 'third name' })
    expect(late.status).toBe(409)
    expect(late.body.message).toMatch(/saved elsewhere/)
    expect((await call(api(`/${made.id}`), 'GET')).body.name).toBe('second name')
  })

  it('deletes, and takes the deletion back', async () => {
    const made = await create('soon gone')
    expect((await call(api(`/${made.id}`), 'DELETE')).status).toBe(204)
    expect((await call(api(`/${made.id}`), 'GET')).status).toBe(404)
    expect((await call(api(`/${made.id}`), 'DELETE')).status).toBe(404)
    expect((await call(api(`/${made.id}/restore`), 'POST')).status).toBe(200)
    expect((await call(api(`/${made.id}`), 'GET')).body.name).toBe('soon gone')
    expect((await call(api(`/${made.id}/restore`), 'POST')).status).toBe(404)
  })
})

describe('refusals', () => {
  const fields = async (change: (draft: SpreadContent) => void, name = 'fine'): Promise<FieldError[]> => {
    const draft = content()
    change(draft)
    const { status, body } = await call(api(), 'POST', { name, content: draft })
    expect(status).toBe(422)
    return body.data!.fields!
  }

  it.each([
    [
      'negative depth',
      (d: SpreadContent): void => void (d.water.depthM = -2),
      'content.water.depthM',
      /at least 0.2 m/,
    ],
    [
      'a weight of nothing on a jig head',
      (d: SpreadContent): void => void (d.lanes[2]!.weightKg = 0),
      'content.lanes[2].weightKg',
      /between 0.4 and 100 g/,
    ],
    [
      'a hook longer than the bait',
      (d: SpreadContent): void => void (d.lanes[0]!.hookSize = '12/0'),
      'content.lanes[0].hookSize',
      /longer than the bait/,
    ],
    [
      'two rigs of one letter',
      (d: SpreadContent): void => void (d.lanes[1]!.letter = 'A'),
      'content.lanes[1].letter',
      /letter A/,
    ],
    [
      'an open point on a weedless hook',
      (d: SpreadContent): void => void (d.lanes[0]!.pointRest = 'open'),
      'content.lanes[0].pointRest',
      /rests/,
    ],
    [
      'a peg on a hook without a bullet',
      (d: SpreadContent): void => void (d.lanes[0]!.peg = 'free'),
      'content.lanes[0].peg',
      /Only a bullet/,
    ],
    [
      'a current of ten knots',
      (d: SpreadContent): void => void (d.water.stream = { surfaceMS: 5, towardRad: 0 }),
      'content.water.stream.surfaceMS',
      /at most 2 m/,
    ],
    [
      'a feeding zone below the bottom',
      (d: SpreadContent): void => void (d.water.zone = { fromM: 1, toM: 9 }),
      'content.water.zone.toM',
      /below the bottom/,
    ],
    [
      'a feeding zone upside down',
      (d: SpreadContent): void => void (d.water.zone = { fromM: 1.5, toM: 1 }),
      'content.water.zone.toM',
      /end below/,
    ],
    ['no rigs', (d: SpreadContent): void => void (d.lanes = []), 'content.lanes', /at least one rig/],
  ] as const)('%s is told at its field', async (_, change, path, message) => {
    expect(await fields(change)).toContainEqual({ path, message: expect.stringMatching(message) as string })
  })

  it('an empty name is told at its field', async () => {
    expect(await fields(() => undefined, '   ')).toEqual([
      { path: 'name', message: 'Give the spread a name.' },
    ])
  })

  it('an unknown field is told, not dropped', async () => {
    const { status, body } = await call(api(), 'POST', {
      name: 'x',
      content: { ...content(), colour: 'red' },
    })
    expect(status).toBe(422)
    expect(body.data!.fields).toEqual([{ path: 'content.colour', message: 'This field is not known here.' }])
  })

  it('malformed JSON is a 400, a body of 10 MB a 413, told by its length or found while reading', async () => {
    expect(await call(api(), 'POST', '{"name": "x", ')).toMatchObject({
      status: 400,
      body: { message: 'The request is not valid JSON.' },
    })
    const huge = JSON.stringify({ name: 'x'.repeat(10_000_000) })
    expect((await call(api(), 'POST', huge)).status).toBe(413)
    const streamed = await fetch(api(), {
      method: 'POST',
      headers: { 'content-type': 'application/json' },
      body: new Blob([huge]).stream(),
      duplex: 'half',
    } as RequestInit).then(
      r => r.status,
      () => 413,
    )
    expect(streamed).toBe(413)
  })

  it("an address that cannot be an id, or is nobody's, is a 404", async () => {
    expect((await call(api('/not-an-id'), 'GET')).status).toBe(404)
    expect(
      (await call(api('/00000000-0000-4000-8000-000000000000'), 'PUT', { revision: 1, name: 'x' })).status,
    ).toBe(404)
  })

  it('none of them left anything behind', async () => {
    const { body } = await call(api(), 'GET')
    expect((body.spreads as { name: string }[]).map(s => s.name).sort()).toEqual([
      'Eelgrass at dusk',
      'older',
      'second name',
      'soon gone',
    ])
  })
})

describe('a spread asked for under an id', () => {
  const id = 'AAAAAAAA-bbbb-4ccc-8ddd-eeeeeeeeeeee'
  const listed = async (): Promise<number> => ((await call(api(), 'GET')).body.spreads as object[]).length
  it('is made once, however often it is asked for, in any spelling', async () => {
    const before = await listed()
    const asked = { id, name: 'Once', content: content() }
    const answers = [
      ...(await Promise.all([call(api(), 'POST', asked), call(api(), 'POST', asked)])),
      await call(api(), 'POST', { ...asked, id: id.toLowerCase() }),
    ]
    expect(answers.map(a => [a.status, a.body.id])).toEqual(answers.map(() => [201, id.toLowerCase()]))
    expect(await listed()).toBe(before + 1)
  })
  it('with other content is a conflict, and what is there stays', async () => {
    expect((await call(api(), 'POST', { id, name: 'Twice', content: content() })).status).toBe(409)
    expect((await call(api(`/${id}`), 'GET')).body.name).toBe('Once')
  })
})

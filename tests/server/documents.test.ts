import { describe, expect, it } from 'vitest'
import type { StoredDocument } from '#schemas/spot'
import { DEMO_BATHS } from '../../demo/baths'
import { DEMO_FISHES } from '../../demo/fishes'
import { DEMO_SPOTS } from '../../demo/spots'
import { call, content, ownServer } from './support'

const server = ownServer()
const api = (path: string): string => `${server.now.url}/api/documents/${path}`
const list = async (kind: string): Promise<StoredDocument[]> =>
  (await call(api(kind), 'GET')).body.documents as StoredDocument[]
const add = async (body: object, kind = 'spot') => call(api(kind), 'POST', body)

describe('spots and trips', () => {
  it('keeps what is given, in order, and by kind', async () => {
    for (const spot of DEMO_SPOTS) expect((await add(spot)).status).toBe(201)
    expect((await list('spot')).map(({ name, content }) => ({ name, content }))).toEqual(DEMO_SPOTS)
    const trip = {
      name: 'Saturday',
      content: {
        date: '2026-12-05',
        stops: [{ spotId: (await list('spot'))[0]!.id, fromH: 7, toH: 11.5 }],
        rods: 3,
        rules: 'size 42 cm',
      },
    }
    const made = await add(trip, 'trip')
    expect(made.body).toMatchObject(trip)
    expect((await list('trip')).map(t => t.name)).toEqual(['Saturday'])
    expect(await list('spot')).toHaveLength(DEMO_SPOTS.length)
  })
  it('keeps a bath with its taps, and a trip with the rods that were tied for it', async () => {
    const [bath] = DEMO_BATHS
    const made = await add(bath!, 'bath')
    expect(made.status).toBe(201)
    expect((await list('bath'))[0]).toMatchObject(bath!)
    const { lanes, bait } = content()
    const { letter, ...rig } = lanes[0]!
    const tied = { temperatureC: 12, rods: [{ letter, name: 'paddle-tail shad 90', bait, rig }] }
    const trip = { name: 'Sunday', content: { date: '2026-12-06', stops: [], rods: 1, rules: '', tied } }
    expect((await add(trip, 'trip')).body).toMatchObject(trip)
    const bad = await add(
      {
        ...trip,
        content: {
          ...trip.content,
          tied: { ...tied, rods: [{ ...tied.rods[0]!, rig: { ...rig, hookSize: '44' } }] },
        },
      },
      'trip',
    )
    expect(bad.status).toBe(422)
    expect(bad.body.data!.fields![0]!.path).toBe('content.tied.rods[0].rig.hookSize')
  })
  it.each([
    ['a bath too shallow', { depthM: 0.01 }, 'content.depthM'],
    [
      'a tap of no length',
      { ball: { ...DEMO_BATHS[0]!.content.ball, taps: [0.4, 0] } },
      'content.ball.taps[1]',
    ],
    ['a ball of nothing', { ball: { ...DEMO_BATHS[0]!.content.ball, massKg: 0 } }, 'content.ball.massKg'],
  ])('refuses %s at its field', async (_, change, path) => {
    const { status, body } = await add(
      { name: 'x', content: { ...DEMO_BATHS[0]!.content, ...change } },
      'bath',
    )
    expect(status).toBe(422)
    expect(body.data!.fields![0]!.path).toBe(path)
  })
  it('keeps a fish of one’s own, and a spot that is fished for it', async () => {
    const made = await add(DEMO_FISHES[0]!, 'fish')
    expect(made.body).toMatchObject(DEMO_FISHES[0]!)
    expect((await list('fish'))[0]).toMatchObject(DEMO_FISHES[0]!)
    const { like, ...traits } = DEMO_FISHES[0]!.content
    const spot = {
      name: 'Kelp hole',
      content: { ...DEMO_SPOTS[0]!.content, species: like, own: { name: DEMO_FISHES[0]!.name, ...traits } },
    }
    expect((await add(spot)).body).toMatchObject(spot)
  })
  it('keeps a tide, as a table and as constants, and a trip that is planned by it', async () => {
    const table = {
      name: 'harbour',
      content: {
        kind: 'table',
        turns: [
          { at: '2026-12-05T05:10', heightM: 4.3 },
          { at: '2026-12-05T11:25', heightM: 0.7 },
        ],
      },
    }
    const constants = {
      name: 'port',
      content: { kind: 'constants', meanM: 2, constants: [{ name: 'M2', amplitudeM: 1.2, phaseDeg: 140 }] },
    }
    const { body } = await add(table, 'tide')
    expect(body).toMatchObject(table)
    expect((await add(constants, 'tide')).body).toMatchObject(constants)
    const trip = {
      name: 'By the table',
      content: {
        date: '2026-12-05',
        stops: [],
        rods: 2,
        rules: '',
        tideId: body.id,
        windMS: 6,
        temperatureC: 9,
      },
    }
    expect((await add(trip, 'trip')).body).toMatchObject(trip)
    const turned = { ...table, content: { ...table.content, turns: [...table.content.turns].reverse() } }
    const bad = await add(turned, 'tide')
    expect(bad.status).toBe(422)
    expect(bad.body.data!.fields![0]!.path).toBe('content.turns')
  })
  it('keeps a knot with the pulls that broke it', async () => {
    const test = {
      name: 'doubled snug knot',
      content: { knot: 'doubled', line: 'braid', ratedN: 67, brokeN: [55, 58.5] },
    }
    expect((await add(test, 'knotTest')).body).toMatchObject(test)
    const bad = await add({ ...test, content: { ...test.content, knot: 'granny' } }, 'knotTest')
    expect(bad.body.data!.fields![0]!.path).toBe('content.knot')
  })
  it.each([
    ['temperatures that do not rise', { feedC: [10, 8, 14, 20] }, 'content.feedC'],
    ['a zone upside down', { zone: [0.8, 0.3] }, 'content.zone'],
    ['no food', { prey: [] }, 'content.prey'],
    ['a food twice', { prey: ['worm', 'worm'] }, 'content.prey'],
    ['a mouth of no size', { mouth: { ...DEMO_FISHES[0]!.content.mouth, gapeM: 0 } }, 'content.mouth.gapeM'],
  ])('refuses a fish with %s at its field', async (_, change, path) => {
    const { status, body } = await add(
      { name: 'x', content: { ...DEMO_FISHES[0]!.content, ...change } },
      'fish',
    )
    expect(status).toBe(422)
    expect(body.data!.fields![0]!.path).toBe(path)
  })
  it('changes one on its newest revision only', async () => {
    const [spot] = (await list('spot')) as [StoredDocument<'spot'>]
    const change = { name: 'Far flat', content: { ...spot.content, depthM: 1 }, revision: spot.revision }
    expect((await call(api(`spot/${spot.id}`), 'PUT', change)).body).toMatchObject({
      name: 'Far flat',
      revision: spot.revision + 1,
    })
    expect((await call(api(`spot/${spot.id}`), 'PUT', change)).status).toBe(409)
    expect(
      (
        await call(api(`trip/${spot.id}`), 'PUT', {
          name: 'x',
          content: { date: '2026-12-05', stops: [], rods: 1, rules: '' },
          revision: 1,
        })
      ).status,
    ).toBe(404)
  })
  it('deletes and brings back, in its old place', async () => {
    const before = await list('spot')
    const { id } = before[2]!
    expect((await call(api(`spot/${id}`), 'DELETE')).status).toBe(200)
    expect((await call(api(`spot/${id}`), 'DELETE')).status).toBe(404)
    expect(await list('spot')).toHaveLength(before.length - 1)
    expect((await call(api(`spot/${id}/restore`), 'POST')).status).toBe(200)
    expect(await list('spot')).toEqual(before)
  })
  it.each([
    [
      'a depth below all seas',
      { name: 'x', content: { ...DEMO_SPOTS[0]!.content, depthM: 900 } },
      'content.depthM',
    ],
    [
      'a latitude that is none',
      { name: 'x', content: { ...DEMO_SPOTS[0]!.content, lat: 120 } },
      'content.lat',
    ],
    ['no name', { name: ' ', content: DEMO_SPOTS[0]!.content }, 'name'],
    [
      'a field that is not known',
      { name: 'x', content: { ...DEMO_SPOTS[0]!.content, colour: 'red' } },
      'content.colour',
    ],
  ])('refuses %s at its field, and keeps nothing of it', async (_, body, path) => {
    const before = (await list('spot')).length
    const { status, body: answer } = await add(body)
    expect(status).toBe(422)
    expect(answer.data!.fields![0]!.path).toBe(path)
    expect(await list('spot')).toHaveLength(before)
  })
  it('knows no other kinds', async () => expect((await call(api('boat'), 'GET')).status).toBe(404))
  it('refuses a stop that ends before it begins', async () => {
    const answer = await add(
      {
        name: 'x',
        content: {
          date: '2026-12-05',
          stops: [{ spotId: (await list('spot'))[0]!.id, fromH: 12, toH: 9 }],
          rods: 2,
          rules: '',
        },
      },
      'trip',
    )
    expect(answer.body.data!.fields![0]).toEqual({
      path: 'content.stops[0].toH',
      message: 'A stop must end after it begins.',
    })
  })
})

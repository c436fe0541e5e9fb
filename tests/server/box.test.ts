import { describe, expect, it } from 'vitest'
import type { BoxItem, ItemInput } from '#schemas/box'
import { DEMO_BOX } from '../../demo/box'
import { call, ownServer } from './support'

/** A picture of one grey pixel. */
const JPEG = Buffer.from(
  '/9j/4AAQSkZJRgABAQEASABIAAD/2wBDAP//////////////////////////////////////////////////////////////////////////////////////wAALCAABAAEBAREA/8QAFAABAAAAAAAAAAAAAAAAAAAAA//EABQQAQAAAAAAAAAAAAAAAAAAAAD/2gAIAQEAAD8AN//Z',
  'base64',
)
const server = ownServer()
const api = (path = ''): string => `${server.now.url}/api/box${path}`
const all = async (): Promise<BoxItem[]> => (await call(api(), 'GET')).body.items as BoxItem[]
const add = async (items: readonly ItemInput[]): Promise<BoxItem[]> => {
  const { status, body } = await call(api(), 'POST', { items })
  expect(status).toBe(201)
  return body.items as BoxItem[]
}
const plain = ({ id: _, revision: __, photographed: ___, ...item }: BoxItem): ItemInput => item

describe('the box', () => {
  it('keeps what is put in, in its order, as it was given', async () => {
    const made = await add(DEMO_BOX)
    expect(made.map(plain)).toEqual(DEMO_BOX)
    expect((await all()).map(plain)).toEqual(DEMO_BOX)
  })

  it('changes several things together, or none where one is older than the newest', async () => {
    const [first, second] = (await all()) as [BoxItem, BoxItem]
    const change = (item: BoxItem, count: number) => ({
      id: item.id,
      revision: item.revision,
      item: { ...plain(item), count },
    })
    const done = await call(api(), 'PUT', { changes: [change(first, 77), change(second, 78)] })
    expect(done.status).toBe(200)
    expect((done.body.items as BoxItem[]).map(i => [i.count, i.revision])).toEqual([
      [77, 2],
      [78, 2],
    ])
    const late = await call(api(), 'PUT', {
      changes: [change({ ...first, revision: 2 }, 1), change(second, 2)],
    })
    expect(late.status).toBe(409)
    expect((await all()).slice(0, 2).map(i => i.count)).toEqual([77, 78])
  })

  it('takes things out and puts them back in their old places', async () => {
    const before = await all()
    const ids = before.slice(3, 6).map(i => i.id)
    expect((await call(api('/delete'), 'POST', { ids })).status).toBe(204)
    expect((await all()).length).toBe(before.length - 3)
    expect((await call(api('/delete'), 'POST', { ids })).status).toBe(404)
    expect((await call(api('/restore'), 'POST', { ids })).status).toBe(200)
    expect(await all()).toEqual(before)
  })

  it('takes five thousand things in one request, or none where one of them is wrong', async () => {
    const before = (await all()).length
    const many = Array.from({ length: 5000 }, (_, i) => ({
      ...DEMO_BOX[i % DEMO_BOX.length]!,
      name: `spare ${i}`,
    }))
    const wrong = many.with(4321, { ...many[4321]!, count: -1 })
    const refused = await call(api(), 'POST', { items: wrong })
    expect(refused.status).toBe(422)
    expect(refused.body.data!.fields).toEqual([
      { path: 'items[4321].count', message: 'Count cannot be below 0.' },
    ])
    expect((await all()).length).toBe(before)
    const made = await add(many)
    expect(made.at(-1)!.name).toBe('spare 4999')
    await call(api('/delete'), 'POST', { ids: made.map(m => m.id) })
    expect((await all()).length).toBe(before)
  })

  it('keeps a photograph beside a thing, gives it back as a picture, and takes it away', async () => {
    const [item] = (await all()) as [BoxItem]
    const photo = `data:image/jpeg;base64,${JPEG.toString('base64')}`
    expect((await call(api(`/${item.id}/photo`), 'GET')).status).toBe(404)
    expect((await call(api(`/${item.id}/photo`), 'PUT', { photo })).status).toBe(204)
    const answer = await fetch(api(`/${item.id}/photo`))
    expect(answer.headers.get('content-type')).toBe('image/jpeg')
    expect(Buffer.from(await answer.arrayBuffer())).toEqual(JPEG)
    expect((await all())[0]).toMatchObject({ photographed: true, revision: item.revision })
    const bad = [
      'data:text/html,<b>',
      `data:image/jpeg;base64,${Buffer.from('<script>').toString('base64')}`,
      `data:image/jpeg;base64,${JPEG.subarray(0, 9).toString('base64')}`,
    ]
    for (const one of bad)
      expect((await call(api(`/${item.id}/photo`), 'PUT', { photo: one })).body.data!.fields![0]!.path).toBe(
        'photo',
      )
    expect((await call(api(`/${item.id}/photo`), 'PUT', { photo: null })).status).toBe(204)
    expect((await all())[0]).toMatchObject({ photographed: false })
  })

  it('tells what is wrong at its field', async () => {
    const fields = async (change: object, details: object = {}) => {
      const item = { ...DEMO_BOX[0]!, ...change, details: { ...DEMO_BOX[0]!.details, ...details } }
      return (await call(api(), 'POST', { items: [item] })).body.data?.fields
    }
    expect(await fields({ name: ' ' })).toEqual([{ path: 'items[0].name', message: 'Give it a name.' }])
    expect(await fields({}, { lengthM: 3 })).toEqual([
      { path: 'items[0].details.lengthM', message: 'Bait length must be at most 0.4 m.' },
    ])
    expect(await fields({}, { kind: 'boat' })).toMatchObject([{ path: 'items[0].details.kind' }])
    expect(await fields({}, { wheels: 4 })).toEqual([
      { path: 'items[0].details.wheels', message: 'This field is not known here.' },
    ])
  })

  it('is still there after the server was killed', async () => {
    const before = await all()
    await server.again('SIGKILL')
    expect(await all()).toEqual(before)
  })
})

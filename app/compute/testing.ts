import { lineOf, type Day, type Goods } from '#core'
import type { Fetch } from './serverFile'

/** A day and a small box for tests of what looks through one. */
export const day: Day = {
  depthM: 2,
  temperatureC: 15,
  salinityGKg: 35,
  cover: 'sparseWeed',
  bottom: 'sand',
  clarity: 'clear',
  light: 'bright',
  species: 'seaBass',
  activity: 'active',
  feeding: 'grab',
  prey: 'smallFish',
  preyM: 0.09,
}
export const goods: Goods = {
  baits: [
    { id: 'shad', name: 'shad 90', spec: { form: 'slimShad', lengthM: 0.09, material: 'plain' } },
    { id: 'stick', name: 'stick 125', spec: { form: 'stick', lengthM: 0.125, material: 'salted' } },
  ],
  hooks: [
    { id: 'wide', style: 'wideGap', size: '4/0' },
    { id: 'belly', style: 'bellyWeighted', size: '4/0', weightKg: 0.0035, weightMaterial: 'lead' },
  ],
  heads: [{ id: 'head', family: 'E1', size: '3/0', weightKg: 0.005, weightMaterial: 'lead' }],
  weights: [
    { id: 'b5', shape: 'bullet', weightKg: 0.005, weightMaterial: 'tungsten' },
    { id: 'b10', shape: 'bullet', weightKg: 0.01, weightMaterial: 'tungsten' },
  ],
  lines: [{ id: 'l', line: lineOf('braid', 67) }],
  rods: [{ id: 'r', name: 'rod', power: 'medium', castKg: [0.003, 0.03] }],
}

/** A server that keeps files as they come, and unpacks them when they are asked for. */
export function fileServer(): { files: Map<string, Blob>; calls: string[]; call: Fetch } {
  const files = new Map<string, Blob>()
  const calls: string[] = []
  const call: Fetch = async (url, { method = 'GET', body }) => {
    calls.push(`${method} ${url}`)
    if (body) files.set(url, body)
    const file = files.get(url)
    const json = async (): Promise<unknown> =>
      new Response(file!.stream().pipeThrough(new DecompressionStream('gzip'))).json()
    return Promise.resolve({ ok: file !== undefined, json })
  }
  return { files, calls, call }
}

import { expect, it } from 'vitest'
import { z } from 'zod'
import { newId } from './newId'

it('makes ids that are well formed and never the same', () => {
  const ids = Array.from({ length: 2000 }, newId)
  for (const id of ids) expect(z.uuidv4().safeParse(id).success).toBe(true)
  expect(new Set(ids).size).toBe(ids.length)
})

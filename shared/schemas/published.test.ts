import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { jsonSchemaOf, SCHEMA_NAMES } from './published'

describe('published formats', () => {
  it.each(SCHEMA_NAMES)('%s: docs/schemas holds what the server publishes', name => {
    expect(
      JSON.parse(readFileSync(new URL(`../../docs/schemas/${name}.json`, import.meta.url), 'utf8')),
    ).toEqual(JSON.parse(JSON.stringify(jsonSchemaOf(name))))
  })
  it('say what must be there', () => {
    expect(jsonSchemaOf('log')).toMatchObject({
      type: 'object',
      required: expect.arrayContaining(['id', 'session', 'at', 'kind']) as string[],
    })
    expect(jsonSchemaOf('day').required).not.toContain('clarity')
  })
})

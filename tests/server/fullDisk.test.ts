import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { ROOT } from '../../scripts/prepare.mjs'

interface Story {
  readonly segment: {
    readonly ending: string
    readonly meanwhile: string
    readonly kept: number
    readonly spunS: number
  }
  readonly little: { readonly status: number; readonly message: string }
  readonly readMeanwhile: number
  readonly roomAgain: number
  readonly caught: { readonly status: number; readonly message: string; readonly alive: number }
  readonly healthFull: number
  readonly refusedFull: number
  readonly recovered: number
  readonly lost: number
  readonly halfWritten: number
  readonly ended: boolean
  readonly endedS: number
  readonly lostAfter: number
}

it('a disk that is full is told in words, hangs nothing, loses nothing acknowledged, and writing goes on when there is room', () => {
  const folder = mkdtempSync(join(tmpdir(), 'dunecrest-full-'))
  const program = [
    process.execPath,
    '--import',
    'tsx',
    join(ROOT, 'tests', 'server', 'fullDisk.scenario.ts'),
    folder,
  ]
  // a small disk of its own, that goes with the program
  const { stdout, stderr } = spawnSync('unshare', ['--map-root-user', '--mount', '--', ...program], {
    cwd: ROOT,
    encoding: 'utf8',
    timeout: 500_000,
  })
  rmSync(folder, { recursive: true, force: true })
  const last = stdout.trim().split('\n').at(-1) ?? ''
  expect(last, stderr).toMatch(/^\{/)
  const story = JSON.parse(last) as Story
  expect(story.little).toEqual({
    status: 507,
    message: expect.stringMatching(/disk that holds the data is full.*Make room/) as string,
  })
  expect(story).toMatchObject({ readMeanwhile: 30, roomAgain: 200 })
  expect(story.caught).toEqual({
    status: 507,
    message: expect.stringMatching(/disk.* is full/) as string,
    alive: 200,
  })
  expect(story).toMatchObject({
    healthFull: 200,
    refusedFull: 507,
    recovered: 200,
    lost: 0,
    halfWritten: 0,
    ended: true,
    lostAfter: 0,
  })
  expect(story.endedS).toBeLessThan(30)
  expect(story.segment).toMatchObject({
    ending: expect.stringMatching(/^(NoRoom|EngineError 53100)/) as string,
    meanwhile: 'NoRoom',
    kept: 100,
  })
})

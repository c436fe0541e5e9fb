import { spawnSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { afterAll, describe, expect, it } from 'vitest'
import {
  evaluateRig,
  findSize,
  HOOK_SIZES,
  judgeLanes,
  SPECIES,
  USUAL_UTILITY,
  type BaitSpec,
  type RigSpec,
} from '#core'
import { rigFilesOf } from '../demo/examples'
import { DEMO_BOX } from '../demo/box'
import { DEMO_SPREADS } from '../demo/spreads'
import { main } from './main'

const root = fileURLToPath(new URL('..', import.meta.url))
const folder = mkdtempSync(join(tmpdir(), 'dunecrest-cli-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

/** The command line as a process of its own. */
function ownProcess(...args: string[]) {
  const { status, stdout, stderr } = spawnSync(
    process.execPath,
    [join(root, 'bin', 'dunecrest.mjs'), ...args],
    { cwd: root, encoding: 'utf8' },
  )
  return { status, stdout, stderr, json: <T>() => JSON.parse(stdout) as T }
}
/** The same called in place, without a process for every question. */
function dunecrest(...args: string[]) {
  let [stdout, stderr] = ['', '']
  const status = main(
    args,
    text => void (stdout += text),
    text => void (stderr += text),
  )
  return { status, stdout, stderr, json: <T>() => JSON.parse(stdout) as T }
}
function evaluate(json: unknown, ...options: string[]) {
  const file = join(folder, 'rig.json')
  writeFileSync(file, typeof json === 'string' ? json : JSON.stringify(json))
  return dunecrest('evaluate', file, ...options)
}
const [example] = rigFilesOf(DEMO_SPREADS[2]!)
/** A part of the demo box, with a fifth of its baits. */
const BOX = DEMO_BOX.filter(({ details }, i) => details.kind !== 'bait' || i % 5 === 0)
type Fall = {
  fall: { timeS: { value: number; basis: string }; path?: { timeS: number; depthM: number }[] }
  displacedM3: number
}

describe('dunecrest evaluate', () => {
  it('prints the very figures of the core', () => {
    const {
      content: {
        water: { place: _, ...water },
        line,
        bait,
        lanes: [lane],
      },
    } = DEMO_SPREADS[2]!
    const { letter: __, ...rig } = lane!
    const expected = evaluateRig(bait, rig, { ...water, lineKind: line.kind, lineStrengthN: line.strengthN })
    if (!expected.ok) throw new Error(expected.message)
    const file = join(folder, 'example.json')
    writeFileSync(file, JSON.stringify(example!.json))
    const out = ownProcess('evaluate', file)
    expect(out.status).toBe(0)
    expect(dunecrest('evaluate', file).stdout).toBe(out.stdout)
    expect(ownProcess('evaluate', join(folder, 'not-there.json'))).toMatchObject({ status: 2, stdout: '' })
    const {
      fall: { drop: _drop, members: _fall, ...fall },
      snag: { members: _snag, ...snag },
      strike: { members: _strike, ...strike },
      members: _all,
      owners: _owners,
      ...rest
    } = expected.value
    expect(out.json()).toMatchObject(JSON.parse(JSON.stringify({ ...rest, fall, snag, strike })) as object)
  })

  it('has a file for each demo rig, in step with the demo', () => {
    const files = DEMO_SPREADS.flatMap(rigFilesOf)
    const there = readdirSync(join(root, 'examples'))
    for (const { file, json } of files) {
      expect(there).toContain(file)
      expect(JSON.parse(readFileSync(join(root, 'examples', file), 'utf8'))).toEqual(json)
    }
  })

  it('drops a bare weight in water given exactly, at the speed of the sphere correlation', () => {
    const out = dunecrest('evaluate', join('examples', 'bare-weight.json'), '--path').json<Fall>()
    const path = out.fall.path!
    const [a, b] = [path[path.length - 20]!, path[path.length - 2]!]
    const speed = (b.depthM - a.depthM) / (b.timeS - a.timeS)
    const d = Math.cbrt((6 * 0.0035) / 11340 / Math.PI)
    const re = 1e6 * speed * d
    const cd = (24 / re) * (1 + 0.15 * re ** 0.681) + 0.407 / (1 + 8710 / re)
    const drag = (cd * 500 * speed ** 2 * Math.PI * d ** 2) / 4
    expect(Math.abs(drag / (((11340 - 1000) * 9.80665 * Math.PI * d ** 3) / 6) - 1)).toBeLessThan(0.03)
  })

  it('drops a bare bait with its own density', () => {
    const at = (densityKgM3: number): number =>
      evaluate({
        format: 'dunecrest-rig',
        version: 1,
        water: { depthM: 1, temperatureC: 18, salinityGKg: 0 },
        bait: { form: 'stick', lengthM: 0.125, material: 'salted', densityKgM3 },
      }).json<Fall>().fall.timeS.value
    expect(at(1300)).toBeLessThan(at(1120))
  })

  it('says that a floating rig floats, with exit code 1', () => {
    const floating = {
      ...example!.json,
      bait: { form: 'slimShad', lengthM: 0.09, material: 'floating' },
      rig: { family: 'O2', hookSize: '4/0', weightKg: 0, pointRest: 'skin' },
    }
    const out = evaluate(floating)
    expect(out.status).toBe(1)
    expect(out.json()).toMatchObject({
      ok: false,
      code: 'floats',
      message: expect.stringMatching(/never sinks/) as string,
      onTop: { point: 'up', maySink: expect.any(Boolean) as boolean },
    })
  })

  it('tells how it is tied, takes a fish of one’s own, and a wind across', () => {
    const plain = evaluate(example!.json).json<{
      tie: { sentence: string; knots: string[] }
      strike: { hookUp: { value: number } }
      cast: { distanceM: { value: number } }
    }>()
    expect(plain.tie.sentence).toMatch(/^From the rod: line from the rod/)
    expect(plain.tie.knots.length).toBeGreaterThan(0)
    const fish = { ...SPECIES.seaBass, name: 'iron jaw', mouth: { bite: 0.5, hard: 3, gapeM: 0.06 } }
    const hard = evaluate({ ...example!.json, fish: { species: 'seaBass', own: fish } }).json<typeof plain>()
    expect(hard.strike.hookUp.value).toBeLessThan(plain.strike.hookUp.value)
    const blown = evaluate({
      ...example!.json,
      wind: { speedMS: 8, from: 'across' },
    }).json<{ cast: { distanceM: { value: number }; asideM: number; stillM: { value: number } } }>().cast
    expect(blown.asideM).toBeGreaterThan(0.5)
    expect(blown.distanceM.value).toBeLessThan(blown.stillM.value)
  })

  it.each([
    [
      'a bad field',
      { ...example!.json, bait: { form: 'stick', lengthM: -1, material: 'plain' } },
      /bait\.lengthM: Bait length must be at least 0.03 m/,
    ],
    ['an unknown field', { ...example!.json, colour: 'red' }, /colour: This field is not known here/],
    ['a bad water', { ...example!.json, water: { depthM: 2 } }, /water: .*temperatureC/],
    [
      'a hook longer than the bait',
      { ...example!.json, rig: { family: 'W1', hookSize: '12/0', weightKg: 0.004, pointRest: 'skin' } },
      /rig\.hookSize: The hook is longer/,
    ],
    [
      'neither bait nor weight',
      { format: 'dunecrest-rig', version: 1, water: { depthM: 2, temperatureC: 10, salinityGKg: 0 } },
      /bait: Expected a bait/,
    ],
    ['a rig without a line', { ...example!.json, line: undefined }, /line: A rig needs a line/],
    ['no JSON at all', '{ "format": ', /not valid JSON/],
  ])('%s: exit code 2, the path of the field and what is expected', (_, json, message) => {
    const out = evaluate(json)
    expect(out.status).toBe(2)
    expect(out.stderr).toMatch(message)
    expect(out.stdout).toBe('')
  })

  it('compares several rigs as a table, JSON or CSV with the figures of evaluate', () => {
    const files = ['a', 'b', 'c'].map(letter => join('examples', `eelgrass-flat-three-ways-${letter}.json`))
    const single = dunecrest('evaluate', files[0]!).json<Fall>().fall.timeS.value
    const rows = dunecrest('compare', ...files, '--format', 'json').json<Fall[]>()
    expect(rows.map(r => r.fall.timeS.value)[0]).toBe(single)
    expect(rows).toHaveLength(3)
    const csv = dunecrest('compare', ...files, '--format', 'csv')
      .stdout.trim()
      .split('\r\n')
      .map(line => line.split(','))
    expect(csv).toHaveLength(4)
    expect(csv[1]![csv[0]!.indexOf('fall s')]).toBe(single.toFixed(2))
    expect(dunecrest('compare', ...files).stdout).toMatch(/^rig +fall s/)
    expect(dunecrest('compare', files[0]!, '--format', 'xml')).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/table, json, csv/) as string,
    })
  })

  it('says which rig to tie on, as the sheet does, and how surely; rigs of different waters are not judged together', () => {
    const files = ['a', 'b', 'c'].map(letter => join('examples', `eelgrass-flat-three-ways-${letter}.json`))
    const out = dunecrest('verdict', ...files)
    expect(out.status).toBe(0)
    const {
      content: {
        water: { place: _, ...water },
        line,
        bait,
        lanes,
      },
    } = DEMO_SPREADS[2]!
    const judged = judgeLanes(
      lanes.map(({ letter, ...rig }) => ({
        letter,
        result: evaluateRig(bait, rig, { ...water, lineKind: line.kind, lineStrengthN: line.strengthN }),
      })),
      USUAL_UTILITY,
    )
    expect(out.json()).toMatchObject({
      kind: judged.kind,
      letters: judged.letters,
      pBest: Object.fromEntries(judged.rigs.map(r => [r.letter, r.pBest])),
      expectedLoss: Object.fromEntries(judged.rigs.map(r => [r.letter, r.expectedLoss])),
      differences: JSON.parse(JSON.stringify(judged.differences)) as object[],
      settles: [...judged.settles],
    })
    expect(
      dunecrest('verdict', ...files, '--by', 'slowestFall').json<{ letters: string[] }>().letters,
    ).toEqual(['B'])
    expect(dunecrest('verdict', files[0]!)).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/two or more/) as string,
    })
    expect(dunecrest('verdict', ...files, '--by', 'luck')).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/expected one of catch/) as string,
    })
    expect(
      dunecrest('verdict', files[0]!, join('examples', 'channel-mouth-salted-stick-a.json')),
    ).toMatchObject({ status: 2, stderr: expect.stringMatching(/same water/) as string })
  })

  it('chooses a rig out of a box, with reasons, by the names in the box; a bad day or box is refused at its field', () => {
    const box = join(folder, 'box.json')
    writeFileSync(box, JSON.stringify({ format: 'dunecrest-box', version: 1, items: BOX }))
    const out = dunecrest('choose', join('examples', 'day-eelgrass.json'), '--box', box)
    expect(out.status).toBe(0)
    const { picks, reasons, looked } = out.json<{
      picks: { rig: { pointRest: string }; baitName: string; hookName: string; fit: { verdict: string } }[]
      reasons: string[]
      looked: number
    }>()
    expect(looked).toBeGreaterThan(5000)
    expect(picks[0]).toMatchObject({ fit: { verdict: 'pass' } })
    expect(BOX.map(i => i.name)).toContain(picks[0]!.baitName)
    expect(BOX.map(i => i.name)).toContain(picks[0]!.hookName)
    expect(reasons.length).toBeGreaterThanOrEqual(3)
    const day = join(folder, 'day.json')
    writeFileSync(
      day,
      JSON.stringify({
        format: 'dunecrest-day',
        version: 1,
        depthM: 2,
        temperatureC: 15,
        salinityGKg: 35,
        cover: 'jungle',
        bottom: 'sand',
        species: 'seaBass',
        zone: { fromM: 1, toM: 3 },
      }),
    )
    expect(dunecrest('choose', day, '--box', box)).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/cover: Cover: expected one of/) as string,
    })
    expect(dunecrest('choose', day)).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/--box BOX.json/) as string,
    })
  })

  it('says how far a light head goes, and what eight metres a second of wind leave of it', () => {
    const light = {
      ...example!.json,
      bait: { form: 'slimShad', lengthM: 0.064, material: 'plain' },
      rig: { family: 'E1', hookSize: '1/0', weightKg: 0.00177, weightMaterial: 'lead', pointRest: 'open' },
    }
    type Cast = { cast: { distanceM: { value: number; low: number }; stillM?: { value: number } } }
    const still = evaluate(light).json<Cast>().cast
    const blown = evaluate({ ...light, wind: { speedMS: 8, from: 'ahead' } }).json<Cast>().cast
    expect(still.stillM).toBeUndefined()
    expect(blown.stillM!.value).toBe(still.distanceM.value)
    expect(blown.distanceM.value).toBeLessThan(0.85 * still.distanceM.value)
    expect(blown.distanceM.low).toBeGreaterThan(2)
    expect(evaluate({ ...light, wind: { speedMS: 8, from: 'left' } })).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/wind.from/) as string,
    })
  })

  it('picks for one bass in sight in thin water what lands softly and reaches it, and says so', () => {
    const box = join(folder, 'box.json')
    writeFileSync(box, JSON.stringify({ format: 'dunecrest-box', version: 1, items: BOX }))
    const day = join(folder, 'sight.json')
    const seen = {
      format: 'dunecrest-day',
      version: 1,
      depthM: 0.4,
      temperatureC: 20,
      salinityGKg: 0,
      cover: 'sparseWeed',
      bottom: 'sand',
      species: 'blackBass',
      aim: 'sight',
      sightM: 14,
    }
    writeFileSync(day, JSON.stringify(seen))
    const { picks, reasons } = dunecrest('choose', day, '--box', box).json<{
      picks: {
        cast: { distanceM: { value: number }; splash: { kind: string } }
        leader: { sentence: string }
      }[]
      reasons: string[]
    }>()
    expect(picks[0]!.cast.splash.kind).toBe('soft')
    expect(picks[0]!.cast.distanceM.value).toBeGreaterThan(14)
    expect(picks[0]!.leader.sentence).toMatch(/^Leader|^No leader/)
    expect(reasons[0]).toMatch(/take notice/)
    expect(reasons.some(r => /14 m off is reached/.test(r))).toBe(true)
  })

  it('helps, and refuses what it does not know', () => {
    expect(dunecrest('--help')).toMatchObject({
      status: 0,
      stdout: expect.stringMatching(/evaluate FILE.json/) as string,
    })
    expect(dunecrest()).toMatchObject({ status: 2 })
    expect(dunecrest('fly')).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/not a command/) as string,
    })
    expect(dunecrest('evaluate', '--nonsense')).toMatchObject({ status: 2 })
    expect(dunecrest('evaluate', 'nowhere.json')).toMatchObject({
      status: 2,
      stderr: expect.stringMatching(/nowhere.json: cannot be read/) as string,
    })
  })
})

describe('dunecrest size', () => {
  interface Report {
    ok: boolean
    best?: string
    sizes: { size: string; verdict: string; worst: string; exitM?: number }[]
    instead: object[]
    sentence: string
  }
  it('prints every size with its verdict and worst rule, as the bench has them, and the best', () => {
    const out = dunecrest('size', join('examples', example!.file), '--format', 'json')
    const report = out.json<Report>()
    expect(out.status).toBe(0)
    expect(report.sizes.map(s => s.size)).toEqual([...HOOK_SIZES])
    const { bait, rig } = example!.json as unknown as { bait: BaitSpec; rig: RigSpec }
    const found = findSize(bait, rig)
    expect(report.best).toBe(found.best!.size)
    for (const { size, verdict, worst } of found.sizes)
      expect(report.sizes.find(s => s.size === size)).toMatchObject({ verdict, worst: worst.id })
    // a hook longer than the bait cannot be built, and says so
    expect(report.sizes.at(-1)).toMatchObject({ verdict: 'impossible', worst: 'rig.hookSize' })
    const exits = report.sizes.flatMap(s => s.exitM ?? [])
    expect([...exits].sort((a, b) => a - b)).toEqual(exits)
  })
  it('as a table marks the best; ends with 1 where none fits, with 2 where there is nothing to fit', () => {
    const table = dunecrest('size', join('examples', example!.file)).stdout
    expect(table).toMatch(/^> +\d+(\/0)? +pass/m)
    const deep = join(folder, 'deep.json')
    writeFileSync(
      deep,
      JSON.stringify({
        ...(example!.json as object),
        bait: { form: 'deepShad', lengthM: 0.2, material: 'plain' },
      }),
    )
    expect(dunecrest('size', deep).status).toBe(1)
    expect(dunecrest('size', join('examples', 'bare-weight.json'))).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('expected a bait and a rig') as string,
    })
  })
})

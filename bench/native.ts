import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { DEFAULT_FACTORS, dropRig, type HydroBody, type Line } from '#core'
import { best } from './best'

/**
 * The same single-body drop by a plain C++ program and by the core, side by side in one run.
 * @returns the core's best time over the native one; undefined where there is no g++
 * @throws Error when the two do not fall for the same time
 */
export function nativeRatio(
  body: HydroBody,
  line: Line,
  depthM: number,
  start: ArrayLike<number>,
): number | undefined {
  const folder = mkdtempSync(join(tmpdir(), 'dunecrest-native-'))
  try {
    const program = join(folder, 'drop')
    const source = join(process.cwd(), 'bench', 'native', 'drop.cpp')
    if (spawnSync('g++', ['-O2', '-o', program, source], { stdio: 'ignore' }).status !== 0) return undefined
    const { geometry, water } = body
    const [cx, cy, cz] = geometry.centre
    const outline = Array.from(geometry.outline, (v, i) => v - [cx, cy, cz][i % 3]!)
    const list = (xs: ArrayLike<number>): number[] => [xs.length, ...Array.from(xs)]
    const input = [
      60,
      ...Array.from(start),
      water.densityKgM3,
      water.viscosityPaS,
      geometry.massKg,
      body.displacedKg,
      body.lengthM,
      ...body.buoyancyAt,
      ...body.tieAt,
      ...body.inverse,
      ...body.added,
      line.diameterM,
      DEFAULT_FACTORS.lineBow,
      DEFAULT_FACTORS.crossDrag,
      DEFAULT_FACTORS.axialDrag,
      DEFAULT_FACTORS.eta,
      DEFAULT_FACTORS.etaRoll,
      DEFAULT_FACTORS.tailLift,
      DEFAULT_FACTORS.vortexSide * body.lopsided,
      body.noseX,
      depthM,
      body.stepS,
      ...list(body.strips),
      ...list(body.straight),
      ...list(body.compacts),
      ...list(outline),
    ]
    const [time, native] = spawnSync(program, { input: input.join('\n'), encoding: 'utf8' })
      .stdout.trim()
      .split(' ')
      .map(Number) as [number, number]
    const own = dropRig(body, { depthM, line })
    if (!own.ok || Math.abs(own.value.timeS - time) > 2 * body.stepS)
      throw new Error(
        `nativeRatio: the two disagree: ${own.ok ? own.value.timeS : own.message} and ${time} s`,
      )
    return best(() => dropRig(body, { depthM, line }), 60) / native
  } finally {
    rmSync(folder, { recursive: true, force: true })
  }
}

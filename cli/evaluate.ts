import {
  assembleBareBait,
  assemblyOf,
  bareWeight,
  evaluateBare,
  evaluateOnTop,
  evaluateRig,
  fishOf,
  lineOf,
  waterOf,
  type Assembly,
  type Conditions,
  type Day,
  type EvaluateOptions,
  type FallResult,
  type OnTopReport,
  type Outcome,
  type RigReport,
  type Water,
} from '#core'
import { threadText } from '#words/tyingWords'
import { isWholeRig, type RigFile, type WholeRigFile } from '#schemas/rigFile'
import { dropRows } from '../shared/dropRecord'

/** Output of `evaluate`. SI; angles in radians; every measure with its range and basis. */
export type Evaluation =
  | { readonly ok: true; readonly [key: string]: unknown }
  | {
      readonly ok: false
      readonly code: string
      readonly message: string
      /** a rig that floats, as it is fished on the surface */ readonly onTop?: OnTopReport
      readonly tie?: ReturnType<typeof tieOf>
    }

/** Evaluates what a rig file describes, by the same core as the application. */
export function evaluateFile(file: RigFile, options: { readonly path: boolean }): Evaluation {
  const water = waterFrom(file)
  const line = file.line ? lineOf(file.line.kind, file.line.strengthN) : undefined
  const head = {
    ok: true,
    ...(file.name === undefined ? {} : { name: file.name }),
    water: { ...file.water, ...water },
  } as const
  if (!isWholeRig(file)) {
    const bare = file.weight
      ? bareWeight(file.weight.shape, file.weight.massKg, file.weight.densityKgM3)
      : assembleBareBait(file.bait!)
    const outcome = evaluateBare(bare, water, file.water.depthM, line)
    if (!outcome.ok) return outcome
    return {
      ...head,
      massKg: bare.massKg,
      displacedM3: bare.displacedM3,
      fall: fallOf(outcome.value, options.path),
    }
  }
  const outcome = reportOf(file)
  if (!outcome.ok) {
    const onTop = outcome.code === 'floats' ? onTopOf(file) : undefined
    return onTop ? { ...outcome, onTop, tie: tieOf(file) } : outcome
  }
  const {
    massKg,
    fall,
    tailHz,
    fit,
    snag: { members: _, ...snag },
    strike: { members: __, ...strike },
    cast,
    takeShare,
  } = outcome.value
  return {
    ...head,
    cover: file.cover,
    bottom: file.bottom,
    tie: tieOf(file),
    massKg,
    fall: fallOf(fall, options.path),
    ...(tailHz ? { tailHz } : {}),
    fit,
    snag,
    strike,
    cast,
    takeShare,
  }
}

/** What is threaded, from the rod to the bait, and the knots that it asks for. */
function tieOf({ rig }: WholeRigFile): Assembly & { readonly sentence: string } {
  const assembly = assemblyOf(rig)
  return { ...assembly, sentence: threadText(assembly.parts, 'metric') }
}

/** The report of a rig file with bait, rig and line. */
export const reportOf = (file: WholeRigFile): Outcome<RigReport> =>
  evaluateRig(file.bait, file.rig, conditionsIn(file), optionsOf(file))

/** A rig that floats, as it is fished on the surface. */
const onTopOf = (file: WholeRigFile): OnTopReport | undefined =>
  evaluateOnTop(file.bait, file.rig, conditionsIn(file), optionsOf(file))

const optionsOf = (file: WholeRigFile): EvaluateOptions => ({
  water: waterFrom(file),
  ...(file.seed === undefined ? {} : { seed: file.seed }),
})

function conditionsIn(file: WholeRigFile): Conditions {
  const { depthM } = file.water
  return {
    depthM,
    temperatureC: 0,
    salinityGKg: 0,
    cover: file.cover,
    bottom: file.bottom,
    lineKind: file.line.kind,
    lineStrengthN: file.line.strengthN,
    ...file.fishing,
    ...(file.stream ? { stream: file.stream } : {}),
    ...(file.wind ? { wind: file.wind } : {}),
    ...(file.fish ? { mouth: fishOf(file.fish as Pick<Day, 'species' | 'own'>).mouth } : {}),
    ...(file.clarity ? { clarity: file.clarity } : {}),
    ...(file.line.hold ? { hold: file.line.hold } : {}),
  }
}

function waterFrom({ water }: RigFile): Water {
  if ('densityKgM3' in water) return { densityKgM3: water.densityKgM3, viscosityPaS: water.viscosityPaS }
  return waterOf(water.temperatureC, water.salinityGKg)
}

function fallOf({ drop, members: _, ...measures }: FallResult, withPath: boolean): Record<string, unknown> {
  return { ...measures, steps: drop.steps, ...(withPath ? { path: dropRows(drop) } : {}) }
}

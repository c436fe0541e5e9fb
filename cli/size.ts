import { evaluateFit, assembleRig, findSize, lineOf, problemsOf, type FitVerdict, type RigSpec } from '#core'
import { ruleText, sizeText } from '#words/fitWords'
import { problemText } from '#words/problemWords'
import type { WholeRigFile } from '#schemas/rigFile'

/**
 * Output of `size`: every size of the rig's family in its bait, smallest first, and the one that suits best.
 */
export interface SizeReport {
  readonly ok: boolean
  readonly family: string
  readonly sizes: readonly SizeLine[]
  /** undefined where none fits */ readonly best?: string
  readonly instead: readonly {
    readonly family: string
    readonly size: string
    readonly wire: string
    readonly verdict: FitVerdict
  }[]
  readonly sentence: string
}

interface SizeLine {
  readonly size: string
  /** of the rules that bear on the size; `impossible` where it cannot be built */ readonly verdict:
    FitVerdict | 'impossible'
  /** the rule with the least room */ readonly worst: string
  readonly sentence: string
  /** where the point comes out, m from the nose */ readonly exitM?: number
}

/**
 * Tries every size of a rig's family in its bait.
 * @throws RangeError when the bait cannot be built
 */
export function sizesOfFile(file: WholeRigFile, sizes: readonly RigSpec['hookSize'][]): SizeReport {
  const { bait, rig: spec } = file
  const line = lineOf(file.line.kind, file.line.strengthN)
  const answer = findSize(bait, spec, line)
  const found = new Map(answer.sizes.map(s => [s.size, s]))
  const lineOfSize = (size: RigSpec['hookSize']): SizeLine => {
    const fitted = found.get(size)
    const rig = { ...spec, hookSize: size }
    if (!fitted) {
      const [problem] = problemsOf(bait, rig)
      return {
        size,
        verdict: 'impossible',
        worst: problem?.field ?? '',
        sentence: problem ? problemText(problem, 'metric') : '',
      }
    }
    const { exitM } = evaluateFit(assembleRig(bait, rig), line)
    return {
      size,
      verdict: fitted.verdict,
      worst: fitted.worst.id,
      sentence: ruleText(fitted.worst, 'metric'),
      ...(exitM === undefined ? {} : { exitM }),
    }
  }
  return {
    ok: answer.best !== undefined,
    family: spec.family,
    sizes: sizes.map(lineOfSize),
    ...(answer.best ? { best: answer.best.size } : {}),
    instead: answer.instead,
    sentence: sizeText(answer, spec.family, 'metric'),
  }
}

/** The same as a table. */
export function sizeTable({ sizes, best, sentence }: SizeReport): string {
  const width = Math.max(...sizes.map(s => s.verdict.length))
  const rows = sizes.map(({ size, verdict, worst, sentence: why, exitM }) =>
    [
      size === best ? '>' : ' ',
      size.padStart(4),
      verdict.padEnd(width),
      exitM === undefined ? '      ' : `${(1000 * exitM).toFixed(0)} mm`.padStart(6),
      worst.padEnd(12),
      why,
    ]
      .join('  ')
      .trimEnd(),
  )
  return `${rows.join('\n')}\n${sentence}\n`
}

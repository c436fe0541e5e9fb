import { judgeLanes, USUAL_UTILITY, type Utility, type Verdict } from '#core'
import { isWholeRig, type RigFile, type WholeRigFile } from '#schemas/rigFile'
import { reportOf } from './evaluate'

/** Output of `verdict`. */
export type VerdictReport = Pick<
  Verdict,
  'kind' | 'letters' | 'behind' | 'decidedBy' | 'utility' | 'differences' | 'settles' | 'turnsOn' | 'out'
> & {
  readonly rigs: readonly { readonly letter: string; readonly rig: string }[]
  readonly pBest: Readonly<Record<string, number>>
  readonly expectedLoss: Readonly<Record<string, number>>
}

/** Letters of rigs on the command line, in the order they are given. */
const letterOf = (i: number): string => String.fromCharCode('A'.charCodeAt(0) + i)

/** Rigs that cannot be judged together. */
export class UnlikeRigs extends Error {}

/**
 * Judges rigs in one water, with the members of one ensemble.
 * @throws UnlikeRigs when they are not fished in one water, or a file has no rig
 */
export function verdictOfFiles(
  files: readonly { readonly name: string; readonly file: RigFile }[],
  asked: Partial<Utility> = {},
): VerdictReport {
  const place = ({ water, cover, bottom, stream }: RigFile): string =>
    JSON.stringify([water, cover, bottom, stream])
  const whole: WholeRigFile[] = []
  for (const { name, file } of files) {
    if (!isWholeRig(file)) throw new UnlikeRigs(`${name}: verdict: expected a bait and a rig.`)
    if (place(file) !== place(files[0]!.file))
      throw new UnlikeRigs(
        `${name}: verdict: expected the same water, cover, bottom and stream as in ${files[0]!.name}.`,
      )
    whole.push(file)
  }
  const { rigs, ...verdict } = judgeLanes(
    whole.map((file, i) => ({ letter: letterOf(i), result: reportOf(file) })),
    { ...USUAL_UTILITY, ...asked },
  )
  return {
    ...verdict,
    rigs: files.map(({ name }, i) => ({ letter: letterOf(i), rig: name })),
    pBest: Object.fromEntries(rigs.map(r => [r.letter, r.pBest])),
    expectedLoss: Object.fromEntries(rigs.map(r => [r.letter, r.expectedLoss])),
  }
}

import { readFileSync } from 'node:fs'
import { basename } from 'node:path'
import { parseArgs } from 'node:util'
import type { z } from 'zod'
import { HOOK_SIZES, UTILITY_IDS, type UtilityId } from '#core'
import { boxFileSchema, dayFileSchema } from '#schemas/day'
import { fieldErrors } from '#schemas/problems'
import { isWholeRig, rigFileSchema } from '#schemas/rigFile'
import { chooseFile } from './choose'
import { COMPARE_FORMATS, compareFiles } from './compare'
import { evaluateFile } from './evaluate'
import { sizesOfFile, sizeTable } from './size'
import { UnlikeRigs, verdictOfFiles, type VerdictReport } from './verdict'

const HELP = `Dunecrest on the command line: the same core as the application.

  dunecrest evaluate FILE.json    print the measures of one rig, bait or weight as JSON
  dunecrest evaluate -            read the file from standard input
  dunecrest compare FILE.json …   set several rigs side by side
  dunecrest verdict FILE.json …   say which of several rigs in one water to tie on, and how surely
  dunecrest size FILE.json        try every hook size of the rig's family in its bait
  dunecrest choose DAY.json --box BOX.json
                                  choose a rig for a day out of a box, and say why
  dunecrest --help                this text

options of evaluate
  --path                          add the path of the fall: time, position, attitude

options of compare
  --format table|json|csv         how to print it; a table when left out

options of verdict
  --by catch|fewestSnags|surestHook|slowestFall
                                  what to judge by; fish an hour, lost rigs paid, when left out

options of size
  --format table|json             how to print it; a table when left out

options of choose
  --beyond                        look beyond the box: common hooks and heads, with its baits

The file's format is described in docs/formats.md; examples/ holds a file for each demo rig.
Exit code: 0 done, 1 the rig cannot be dropped (it floats, say), no size fits, or nothing can be chosen, 2 a bad file or a bad call.
`

/** A call or a file that cannot be used; the message goes to standard error. */
class BadCall extends Error {}

/** Runs the command line. @returns the exit code */
export function main(
  args: readonly string[],
  write = (text: string): void => void process.stdout.write(text),
  complain = (text: string): void => void process.stderr.write(text),
): number {
  try {
    return run(args, write)
  } catch (error) {
    if (!(error instanceof BadCall)) throw error
    complain(`${error.message}\n`)
    return 2
  }
}

function run(args: readonly string[], write: (text: string) => void): number {
  const { values, positionals } = parse(args)
  const [command, file, ...more] = positionals
  if (values.help || command === 'help') {
    write(HELP)
    return 0
  }
  if (command === 'compare') {
    const names = file ? [file, ...more] : []
    if (names.length === 0) throw new BadCall('compare: expected one or more FILE.json.')
    const format = COMPARE_FORMATS.find(one => one === (values.format ?? 'table'))
    if (!format) throw new BadCall(`--format: expected one of ${COMPARE_FORMATS.join(', ')}.`)
    write(
      compareFiles(
        names.map(name => ({ name: basename(name, '.json'), file: readRigFile(name) })),
        format,
      ),
    )
    return 0
  }
  if (command === 'verdict') {
    const names = file ? [file, ...more] : []
    if (names.length < 2) throw new BadCall('verdict: expected two or more FILE.json.')
    const by = UTILITY_IDS.find(id => id === (values.by ?? 'catch'))
    if (!by) throw new BadCall(`--by: expected one of ${UTILITY_IDS.join(', ')}.`)
    const verdict = judged(
      names.map(name => ({ name: basename(name, '.json'), file: readRigFile(name) })),
      by,
    )
    write(`${JSON.stringify(verdict, null, 2)}\n`)
    return verdict.kind === 'none' ? 1 : 0
  }
  if (command === 'size') {
    if (!file || more.length > 0) throw new BadCall('size: expected one FILE.json, or - for standard input.')
    return size(file, values.format ?? 'table', write)
  }
  if (command === 'choose') {
    if (!file || more.length > 0 || !values.box)
      throw new BadCall('choose: expected one DAY.json and --box BOX.json.')
    const chosen = chooseFile(readFile(file, dayFileSchema), readFile(values.box, boxFileSchema).items, {
      beyond: values.beyond ?? false,
    })
    write(`${JSON.stringify(chosen, null, 2)}\n`)
    return chosen.ok ? 0 : 1
  }
  if (command !== 'evaluate')
    throw new BadCall(`${command ? `"${command}" is not a command.` : 'No command given.'}\n\n${HELP}`)
  if (!file || more.length > 0)
    throw new BadCall('evaluate: expected one FILE.json, or - for standard input.')
  const result = evaluateFile(readRigFile(file), { path: values.path ?? false })
  write(`${JSON.stringify(result, null, 2)}\n`)
  return result.ok ? 0 : 1
}

function judged(files: Parameters<typeof verdictOfFiles>[0], id: UtilityId): VerdictReport {
  try {
    return verdictOfFiles(files, { id })
  } catch (error) {
    if (error instanceof UnlikeRigs) throw new BadCall(error.message)
    throw error
  }
}

function size(file: string, format: string, write: (text: string) => void): number {
  if (format !== 'table' && format !== 'json') throw new BadCall('--format: expected one of table, json.')
  const rig = readRigFile(file)
  if (!isWholeRig(rig)) throw new BadCall(`${file}: size: expected a bait and a rig.`)
  const report = sizesOfFile(rig, HOOK_SIZES)
  write(format === 'json' ? `${JSON.stringify(report, null, 2)}\n` : sizeTable(report))
  return report.ok ? 0 : 1
}

function parse(args: readonly string[]) {
  try {
    return parseArgs({
      args: [...args],
      allowPositionals: true,
      options: {
        help: { type: 'boolean', short: 'h' },
        path: { type: 'boolean' },
        format: { type: 'string' },
        box: { type: 'string' },
        beyond: { type: 'boolean' },
        by: { type: 'string' },
      },
    })
  } catch (error) {
    throw new BadCall(`${(error as Error).message}\n\n${HELP}`)
  }
}

const readRigFile = (file: string) => readFile(file, rigFileSchema)

/** Reads a file and checks it. @throws BadCall with the path of each field that does not fit */
function readFile<T>(file: string, schema: z.ZodType<T>): T {
  let text: string
  try {
    text = readFileSync(file === '-' ? 0 : file, 'utf8')
  } catch (error) {
    throw new BadCall(`${file}: cannot be read (${(error as NodeJS.ErrnoException).code ?? 'unknown'}).`)
  }
  let json: unknown
  try {
    json = JSON.parse(text)
  } catch (error) {
    throw new BadCall(`${file}: not valid JSON: ${(error as Error).message}`)
  }
  const parsed = schema.safeParse(json)
  if (parsed.success) return parsed.data
  throw new BadCall(
    fieldErrors(parsed.error)
      .map(({ path, message }) => `${file}: ${path}: ${message}`)
      .join('\n'),
  )
}

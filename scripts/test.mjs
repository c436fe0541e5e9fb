import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { CHECKS } from './checks.mjs'
import { installDependencies, ROOT } from './prepare.mjs'
import { findBrowser, findPostgres } from './programs.mjs'

/**
 * Everything that is checked, on any machine: set-up, lint, types, unit, server and browser tests. Ends with
 * the count.
 */
const RESULTS = join(ROOT, 'test-results')
const ENV = { ...process.env, NUXT_TELEMETRY_DISABLED: '1' }
const bin = name => join(ROOT, 'node_modules', '.bin', name)
/** It writes apart from what is checked; the longest, so it begins. */
const BUILD = ['build', process.execPath, [join(ROOT, 'scripts', 'build.mjs')]]
const counts = { passed: 0, failed: 0 }
/** What failed, told once more at the end: what a step printed may be far above by then. */
const failures = []
/** How many lines of a check are told again. */
const TOLD = 20

installDependencies()
findBrowser()
findPostgres()
rmSync(RESULTS, { recursive: true, force: true })
mkdirSync(RESULTS, { recursive: true })

if (await checksAndBuild()) {
  tests(
    'unit and server',
    bin('vitest'),
    ['run', '--reporter=default', '--reporter=json', '--outputFile.json=test-results/unit.json'],
    'unit.json',
    report => [
      report.numPassedTests,
      report.numTotalTests - report.numPassedTests - report.numFailedTests,
      failedUnits(report),
    ],
  )
  tests('browser', bin('playwright'), ['test'], 'e2e.json', ({ stats, suites }) => [
    stats.expected,
    stats.skipped,
    failedJourneys(suites),
  ])
}

failures.forEach(failure => console.log(`✘ ${failure}`))
console.log(`${counts.passed} passed, ${counts.failed} failed`)
process.exit(counts.failed > 0 ? 1 : 0)

/** Runs a command with its output shown; tells how it ended. */
function run(title, command, args) {
  console.log(`› ${title}`)
  const { status, signal, error } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', env: ENV })
  return { ok: status === 0, ended: error?.message ?? signal ?? `code ${status}` }
}

/**
 * Checks, and the build, beside one another, as many as there are processors; what each prints is kept together.
 * @returns whether there is a build: nothing else can be tested without one
 */
async function checksAndBuild() {
  const left = [BUILD, ...CHECKS.map(([title, command, args]) => [title, bin(command), args])]
  let built = true
  const next = async () => {
    for (let one = left.shift(); one; one = left.shift()) {
      const [title, command, args] = one
      const { ok, printed } = await printedBy(command, args)
      console.log(`› ${title}`)
      process.stdout.write(printed)
      if (one === BUILD) built = ok
      if (!ok || one !== BUILD) counts[ok ? 'passed' : 'failed']++
      if (!ok) failures.push(`${title}: ${printed.trimEnd().split('\n').slice(-TOLD).join('\n')}`)
    }
  }
  await Promise.all(Array.from({ length: availableParallelism() }, next))
  return built
}

function printedBy(command, args) {
  const child = spawn(command, args, { cwd: ROOT, env: ENV })
  let printed = ''
  for (const stream of [child.stdout, child.stderr]) stream.on('data', data => void (printed += data))
  return new Promise((resolve, reject) => {
    child.once('error', reject)
    child.once('close', code => resolve({ ok: code === 0, printed }))
  })
}

/**
 * Counts a runner's own report; a run that leaves no report, or ends badly with none failed, counts as a
 * failure, and so does a skipped test.
 * @param read of a report: how many passed and how many were skipped, and what failed, by name
 */
function tests(title, command, args, report, read) {
  const { ok, ended } = run(title, command, args)
  const file = join(RESULTS, report)
  const [passed, skipped, failed] = existsSync(file)
    ? read(JSON.parse(readFileSync(file, 'utf8')))
    : [0, 0, []]
  counts.passed += passed
  counts.failed += failed.length + skipped
  failures.push(...failed.map(name => `${title}: ${name}`))
  if (skipped > 0) failures.push(`${title}: ${skipped} skipped`)
  if (ok || failed.length + skipped > 0) return
  counts.failed++
  failures.push(`${title}: ended with ${ended}${existsSync(file) ? '' : ', without a report'}`)
}

/** What failed in a report of unit tests; a file that could not be loaded has no tests. */
function failedUnits({ testResults }) {
  return testResults.flatMap(({ name, message, status, assertionResults }) => {
    const failed = assertionResults.filter(test => test.status === 'failed')
    // a hook leaves no message in the report: what it said is printed where it failed
    if (status === 'failed' && failed.length === 0)
      return [`${name}: ${message || 'before or after its tests, see above'}`]
    return failed.map(
      ({ fullName, failureMessages }) => `${name}: ${fullName}: ${firstLines(failureMessages[0])}`,
    )
  })
}

/** What failed in a report of browser tests, or passed only when tried again. */
function failedJourneys(suites) {
  return suites.flatMap(({ suites: inner = [], specs }) => [
    ...specs
      .filter(({ tests: runs }) => runs.some(({ status }) => status === 'unexpected' || status === 'flaky'))
      .map(({ file, line, title }) => `${file}:${line} ${title}`),
    ...failedJourneys(inner),
  ])
}

/** What a failure says first; the rest stands where it failed. */
function firstLines(text = '') {
  return text.split('\n').slice(0, 3).join('\n')
}

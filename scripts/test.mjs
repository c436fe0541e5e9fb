import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readFileSync, rmSync } from 'node:fs'
import { availableParallelism } from 'node:os'
import { join } from 'node:path'
import { CHECKS } from './checks.mjs'
import { build, installDependencies, ROOT } from './prepare.mjs'
import { findBrowser, findPostgres } from './programs.mjs'

/**
 * Everything that is checked, on any machine: set-up, lint, types, unit, server and browser tests. Ends with
 * the count.
 */
const RESULTS = join(ROOT, 'test-results')
const ENV = { ...process.env, NUXT_TELEMETRY_DISABLED: '1' }
const bin = name => join(ROOT, 'node_modules', '.bin', name)
const counts = { passed: 0, failed: 0 }

installDependencies()
findBrowser()
findPostgres()
rmSync(RESULTS, { recursive: true, force: true })
mkdirSync(RESULTS, { recursive: true })

await checks()
build()
tests(
  'unit and server',
  bin('vitest'),
  ['run', '--reporter=default', '--reporter=json', '--outputFile.json=test-results/unit.json'],
  'unit.json',
  ({ numPassedTests, numFailedTests, numTotalTests }) => [
    numPassedTests,
    numFailedTests,
    numTotalTests - numPassedTests - numFailedTests,
  ],
)
tests('browser', bin('playwright'), ['test'], 'e2e.json', ({ stats }) => [
  stats.expected,
  stats.unexpected + stats.flaky,
  stats.skipped,
])

console.log(`${counts.passed} passed, ${counts.failed} failed`)
process.exit(counts.failed > 0 ? 1 : 0)

function run(title, command, args) {
  console.log(`› ${title}`)
  return (
    spawnSync(command, args, {
      cwd: ROOT,
      stdio: 'inherit',
      env: ENV,
    }).status === 0
  )
}

/** Checks beside one another, as many as there are processors; what each prints is kept together. */
async function checks() {
  const left = [...CHECKS]
  const next = async () => {
    for (let one = left.shift(); one; one = left.shift()) {
      const [title, command, args] = one
      const { ok, printed } = await printedBy(bin(command), args)
      console.log(`› ${title}`)
      process.stdout.write(printed)
      counts[ok ? 'passed' : 'failed']++
    }
  }
  await Promise.all(Array.from({ length: availableParallelism() }, next))
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
 */
function tests(title, command, args, report, read) {
  const ok = run(title, command, args)
  const file = join(RESULTS, report)
  if (!existsSync(file)) return void counts.failed++
  const [passed, failed, skipped] = read(JSON.parse(readFileSync(file, 'utf8')))
  counts.passed += passed
  counts.failed += failed + skipped + (!ok && failed + skipped === 0 ? 1 : 0)
}

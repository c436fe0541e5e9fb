import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { CHECKS } from './checks.mjs'
import { installDependencies, ROOT } from './prepare.mjs'

/**
 * The quick part of the tests: form, lint, import rules, what nothing uses, types, and the unit tests that are
 * not long. Ends at the first that fails.
 */
const QUICK = [
  'run',
  '--project',
  'core',
  '--project',
  'app',
  '--project',
  'mocking',
  '--exclude',
  '**/*.long.test.ts',
]
const bin = name => join(ROOT, 'node_modules', '.bin', name)

installDependencies()
for (const [title, command, args] of [...CHECKS, ['unit, quick', 'vitest', QUICK]]) {
  console.log(`› ${title}`)
  const { status } = spawnSync(bin(command), args, {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, NUXT_TELEMETRY_DISABLED: '1' },
  })
  if (status !== 0) process.exit(status ?? 1)
}

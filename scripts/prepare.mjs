import { spawnSync } from 'node:child_process'
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs'
import { fileURLToPath } from 'node:url'
import { join } from 'node:path'

/**
 * Set-up that the other scripts share: dependencies, build, and a browser for the tests. Each step is skipped
 * when it is up to date.
 */
export const ROOT = fileURLToPath(new URL('..', import.meta.url))
const STAMPS = join(ROOT, '.cache')
const BUILT_FROM = [
  'app',
  'core',
  'demo',
  'public',
  'server',
  'shared',
  'words',
  'nuxt.config.ts',
  'package.json',
  'package-lock.json',
]

const BUILD_ENV = { ...process.env, NODE_ENV: 'production', DUNECREST_BUILD_DIR: './.cache/nuxt' }

let out = 'inherit'
/** Where commands print from here on: what another program reads on standard output stays apart. */
export const printTo = file => void (out = file)

/** Runs a command with its output shown; ends this process with its code when it fails. */
export function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, {
    cwd: ROOT,
    stdio: ['inherit', out, 'inherit'],
    ...options,
  })
  if (error) throw error
  if (status !== 0) process.exit(status ?? 1)
}

const npm = process.platform === 'win32' ? 'npm.cmd' : 'npm'

export function installDependencies() {
  step(
    'dependencies',
    hashOf(['package-lock.json', '.npmrc']),
    existsSync(join(ROOT, 'node_modules', '.package-lock.json')),
    () => run(npm, ['ci', '--no-fund', '--no-audit', '--loglevel=error']),
  )
}

export function build() {
  step('build', hashOf(BUILT_FROM), existsSync(join(ROOT, '.output', 'server', 'index.mjs')), () =>
    run(npm, ['run', '--silent', 'build'], { env: BUILD_ENV }),
  )
}

function step(name, wanted, present, work) {
  const stamp = join(STAMPS, `${name}.sha256`)
  if (present && existsSync(stamp) && readFileSync(stamp, 'utf8') === wanted) return
  console.log(`› ${name}`)
  work()
  mkdirSync(STAMPS, { recursive: true })
  writeFileSync(stamp, wanted)
}

function hashOf(paths) {
  const hash = createHash('sha256')
  const add = path => {
    const full = join(ROOT, path)
    if (!existsSync(full)) return
    if (statSync(full).isDirectory())
      readdirSync(full)
        .sort()
        .forEach(name => add(join(path, name)))
    else if (!/\.test\.ts$/.test(path)) hash.update(path).update(readFileSync(full))
  }
  paths.forEach(add)
  return hash.digest('hex')
}

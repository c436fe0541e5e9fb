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
  'nuxt.config.ts',
  'package.json',
  'package-lock.json',
]

/** Runs a command with its output shown; ends this process with its code when it fails. */
export function run(command, args, options = {}) {
  const { status, error } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit', ...options })
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
    run(npm, ['run', '--silent', 'build'], { env: { ...process.env, NODE_ENV: 'production' } }),
  )
}

/**
 * Folder of PostgreSQL's programs on this machine, for the tests; installs Debian's when there is none and
 * this user may.
 */
export function findPostgres() {
  const home = '/usr/lib/postgresql'
  const found = () =>
    existsSync(home)
      ? readdirSync(home)
          .map(version => join(home, version, 'bin'))
          .filter(bin => existsSync(join(bin, 'initdb')))
          .sort()
          .at(-1)
      : undefined
  if (!found()) {
    console.log('› installing PostgreSQL from Debian')
    // no cluster of its own: the tests make theirs in a temporary folder
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
    mkdirSync('/etc/postgresql-common', { recursive: true })
    if (!existsSync('/etc/postgresql-common/createcluster.conf'))
      writeFileSync('/etc/postgresql-common/createcluster.conf', 'create_main_cluster = false\n')
    run('apt-get', ['update', '-qq'], { env })
    run(
      'apt-get',
      [
        'install',
        '-y',
        '-qq',
        '--no-install-recommends',
        '-o',
        'Dpkg::Options::=--force-confold',
        'postgresql',
      ],
      { env },
    )
  }
  const path = found()
  if (!path) throw new Error("No PostgreSQL found. Install your system's postgresql package and try again.")
  return path
}

/** Path of a Chromium on this machine; installs Debian's when there is none and this user may. */
export function findBrowser() {
  const found = () =>
    ['chromium', 'chromium-browser']
      .map(name => spawnSync('which', [name], { encoding: 'utf8' }).stdout.trim())
      .find(Boolean)
  if (!found()) {
    console.log('› installing Chromium from Debian')
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
    run('apt-get', ['update', '-qq'], { env })
    run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', 'chromium'], { env })
  }
  const path = found()
  if (!path) throw new Error("No Chromium found. Install your system's chromium package and try again.")
  return path
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

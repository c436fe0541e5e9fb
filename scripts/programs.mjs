import { spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, realpathSync, writeFileSync } from 'node:fs'
import { delimiter, dirname, join } from 'node:path'

/**
 * Programs that the tests need beside Node: whatever of them is on this machine, on the path or in its usual
 * places; Debian's where there is none and this user may install it.
 */
const EXE = process.platform === 'win32' ? '.exe' : ''
const onPath = name =>
  (process.env.PATH ?? '')
    .split(delimiter)
    .map(folder => join(folder, name + EXE))
    .find(existsSync)

const BROWSERS = ['chromium', 'chromium-browser', 'headless_shell']
const BROWSER_PLACES = [
  '/snap/bin/chromium',
  '/Applications/Chromium.app/Contents/MacOS/Chromium',
  ...['LOCALAPPDATA', 'PROGRAMFILES'].flatMap(name =>
    process.env[name] ? [join(process.env[name], 'Chromium', 'Application', 'chrome.exe')] : [],
  ),
]

/** Path of a Chromium on this machine. @throws Error that says what to install where there is none */
export const findBrowser = () =>
  found(
    'Chromium',
    () => BROWSERS.map(onPath).find(Boolean) ?? BROWSER_PLACES.find(existsSync),
    () => askDebian('chromium'),
  )

/** Folders that hold a folder for each version of PostgreSQL, or its programs. */
const POSTGRES_HOMES = [
  '/usr/lib/postgresql',
  '/usr/local/opt',
  '/opt/homebrew/opt',
  '/usr/local/pgsql',
  ...(process.env.PROGRAMFILES ? [join(process.env.PROGRAMFILES, 'PostgreSQL')] : []),
]
const initdbIn = home =>
  existsSync(home)
    ? ['', ...readdirSync(home)]
        .map(version => join(home, version, 'bin'))
        .filter(bin => existsSync(join(bin, `initdb${EXE}`)))
        .sort((a, b) => a.localeCompare(b, 'en', { numeric: true }))
        .at(-1)
    : undefined

/**
 * Folder of PostgreSQL's programs on this machine. @throws Error that says what to install where there is none
 */
export const findPostgres = () =>
  found(
    'PostgreSQL',
    () => {
      const initdb = onPath('initdb')
      return initdb ? dirname(realpathSync(initdb)) : POSTGRES_HOMES.map(initdbIn).find(Boolean)
    },
    () => {
      // no cluster of its own: the tests make theirs in a temporary folder
      const common = '/etc/postgresql-common'
      mkdirSync(common, { recursive: true })
      if (!existsSync(join(common, 'createcluster.conf')))
        writeFileSync(join(common, 'createcluster.conf'), 'create_main_cluster = false\n')
      askDebian('postgresql', '-o', 'Dpkg::Options::=--force-confold')
    },
  )

function found(title, look, install) {
  const there = look()
  if (there) return there
  const mayInstall = onPath('apt-get') !== undefined && process.getuid?.() === 0
  if (mayInstall) install()
  const path = mayInstall ? look() : undefined
  if (path) return path
  throw new Error(
    `No ${title} found on the path or in its usual places. Install it with this system's package manager and try again.`,
  )
}

function askDebian(name, ...options) {
  console.log(`› installing ${name} from Debian`)
  const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
  for (const args of [
    ['update', '-qq'],
    ['install', '-y', '-qq', '--no-install-recommends', ...options, name],
  ])
    spawnSync('apt-get', args, { stdio: 'inherit', env })
}

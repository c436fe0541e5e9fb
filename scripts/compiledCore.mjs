import { existsSync, readdirSync, rmSync } from 'node:fs'
import { join, relative, sep } from 'node:path'
import { build } from 'vite'
import { ROOT } from './prepare.mjs'

const CORE = join(ROOT, 'core')
const CACHE = join(ROOT, '.cache')
const NAME = 'compiled-core-'

/** Under which what this process compiled is found: each project of a run loads its configuration anew. */
const COMPILED = Symbol.for('dunecrest.compiledCore')

/**
 * The core compiled once in a process, file by file, for tests that are run once: they load it as plain modules.
 * Called through what a test runner puts between modules, the same computing takes half as long again.
 * @returns a plugin that puts the compiled modules in the place of their sources, and the folder they are in
 */
export async function compiledCore() {
  const folder = await (globalThis[COMPILED] ??= compile())
  return {
    folder,
    plugin: {
      name: 'compiled-core',
      enforce: 'pre',
      async resolveId(source, importer, options) {
        const found = await this.resolve(source, importer, { ...options, skipSelf: true })
        if (!found?.id.startsWith(CORE + sep) || !found.id.endsWith('.ts') || found.id.endsWith('.test.ts'))
          return found
        return { id: join(folder, relative(CORE, found.id).replace(/\.ts$/, '.mjs')), external: true }
      },
    },
  }
}

async function compile() {
  leftBehind().forEach(old => rmSync(old, { recursive: true, force: true }))
  const folder = join(CACHE, NAME + process.pid)
  const sources = readdirSync(CORE, { recursive: true }).filter(file => /(?<!\.test)\.ts$/.test(file))
  await build({
    configFile: false,
    root: ROOT,
    logLevel: 'warn',
    publicDir: false,
    build: {
      ssr: true,
      outDir: folder,
      minify: false,
      sourcemap: true,
      target: 'node20',
      rollupOptions: {
        input: sources.map(file => join(CORE, file)),
        output: {
          format: 'es',
          preserveModules: true,
          preserveModulesRoot: CORE,
          entryFileNames: '[name].mjs',
        },
      },
    },
  })
  process.once('exit', () => rmSync(folder, { recursive: true, force: true }))
  return folder
}

/** Folders of runs that were ended before they could take theirs away. */
function leftBehind() {
  const there = existsSync(CACHE) ? readdirSync(CACHE).filter(name => name.startsWith(NAME)) : []
  return there.filter(name => !lives(Number(name.slice(NAME.length)))).map(name => join(CACHE, name))
}

function lives(pid) {
  try {
    return process.kill(pid, 0)
  } catch (error) {
    return error.code === 'EPERM'
  }
}

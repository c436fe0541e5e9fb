import { spawnSync } from 'node:child_process'
import { join } from 'node:path'
import { build, installDependencies, printTo, ROOT } from './prepare.mjs'

/** Prints one JSON object of figures, keyed by name and unit. Everything else goes to standard error. */
const print = console.log
console.log = console.error
printTo(2)
installDependencies()
// Bundled as the application bundles it: calls between modules then cost what they cost there.
const { build: bundle } = await import('vite')
await bundle({
  configFile: false,
  logLevel: 'silent',
  root: ROOT,
  resolve: {
    alias: { '#core': join(ROOT, 'core', 'index.ts'), '#schemas': join(ROOT, 'shared', 'schemas') },
  },
  build: {
    ssr: 'bench/core.ts',
    outDir: '.cache/bench',
    target: 'node20',
    rollupOptions: { output: { entryFileNames: 'core.mjs' } },
  },
  ssr: { noExternal: true },
})
const { coreFigures } = await import('../.cache/bench/core.mjs')
const { pageFigures } = await import('../bench/page.mjs')
const PARTS = [
  ['core', coreFigures],
  ['page', pageFigures],
  ['sweep', () => figuresOf('sweep')],
  ['keeping', keepingFigures],
]
const figures = {}
for (const [name, take] of PARTS) {
  const found = Object.entries(await take()).map(([key, value]) => [key, Number(value.toPrecision(3))])
  // all of it takes an hour and more: what stands is told, and not lost with what comes after it
  console.error(`${name}: ${JSON.stringify(Object.fromEntries(found))}`)
  Object.assign(figures, Object.fromEntries(found))
}
print(JSON.stringify(figures, null, 2))

/** What is kept through cuts, nonsense and large backups. */
function keepingFigures() {
  build()
  return figuresOf('keeping')
}

/** Figures of a program of its own, which prints them as its last line. */
function figuresOf(name) {
  const { status, stdout } = spawnSync(
    process.execPath,
    ['--import', 'tsx', join(ROOT, 'bench', `${name}.ts`)],
    { cwd: ROOT, encoding: 'utf8', stdio: ['ignore', 'pipe', 'inherit'] },
  )
  if (status !== 0) throw new Error(`bench/${name}.ts ended with ${status}`)
  return JSON.parse(stdout.trim().split('\n').at(-1))
}

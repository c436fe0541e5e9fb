import { installDependencies } from './prepare.mjs'

/** Prints one JSON object of figures, keyed by name and unit. Everything else goes to standard error. */
const print = console.log
console.log = console.error
installDependencies()
const { register } = await import('tsx/esm/api')
register()
const { coreFigures } = await import('../bench/core.ts')
const { pageFigures } = await import('../bench/page.mjs')
const figures = { ...coreFigures(), ...await pageFigures() }
print(JSON.stringify(Object.fromEntries(Object.entries(figures).map(([key, value]) => [key, Number(value.toPrecision(3))])), null, 2))

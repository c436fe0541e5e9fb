import { defineVitestProject } from '@nuxt/test-utils/config'
import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'
import { compiledCore } from './scripts/compiledCore.mjs'

const here = (path: string): string => fileURLToPath(new URL(path, import.meta.url))

/** Tests that put something in place of a module: each has its modules to itself. */
const MOCKING = [
  'app/compute/client.test.ts',
  'app/features/rods/dayChart.test.ts',
  'app/sync/changes.test.ts',
  'app/sync/outbox.test.ts',
  'app/sync/quickChanges.test.ts',
]

/** Tests that compute for long. */
const LONG = '**/*.long.test.ts'

/** A machine that others use too may take ten times as long as a quiet one. */
const PATIENCE_MS = 600_000

/** A run that watches the sources has to load them as they are. */
const compiled = process.argv.includes('run') ? await compiledCore() : undefined

export default defineConfig({
  ...(compiled ? { plugins: [compiled.plugin] } : {}),
  resolve: {
    alias: {
      '#core': here('./core/index.ts'),
      '#schemas': here('./shared/schemas'),
      '#words': here('./words'),
      '~': here('./app'),
    },
  },
  test: {
    environment: 'node',
    ...(compiled ? { server: { deps: { external: [compiled.folder] } } } : {}),
    // a busy machine is no failure: what is waited for comes, or the test fails at its own assertion
    testTimeout: PATIENCE_MS,
    hookTimeout: PATIENCE_MS,
    expect: { poll: { timeout: 60_000 } },
    // every core: most of the work is computing
    maxWorkers: '100%',
    projects: [
      {
        extends: true,
        test: {
          name: 'core',
          include: ['core/**/*.test.ts'],
          exclude: [LONG],
          // the core keeps no state of its own: files share what is loaded and compiled
          isolate: false,
        },
      },
      {
        extends: true,
        test: {
          name: 'app',
          // as above
          isolate: false,
          exclude: ['app/**/*.ui.test.ts', LONG, ...MOCKING],
          include: [
            'app/**/*.test.ts',
            'words/**/*.test.ts',
            'shared/**/*.test.ts',
            'demo/**/*.test.ts',
            'cli/**/*.test.ts',
          ],
        },
      },
      // what computes for long, each in a process of its own: in one that ran much else it takes half as long again
      { extends: true, test: { name: 'long', include: [LONG], exclude: ['node_modules/**', '.*/**'] } },
      { extends: true, test: { name: 'mocking', include: MOCKING } },
      // components and stores, in the application's own surroundings
      await defineVitestProject({
        test: {
          name: 'ui',
          include: ['app/**/*.ui.test.ts'],
          environment: 'nuxt',
          hookTimeout: PATIENCE_MS,
          testTimeout: PATIENCE_MS,
        },
      }),
      {
        extends: true,
        test: {
          name: 'server',
          // each file has servers and folders of its own
          isolate: false,
          include: ['tests/server/**/*.test.ts'],
          globalSetup: ['./tests/made.ts'],
        },
      },
    ],
  },
})

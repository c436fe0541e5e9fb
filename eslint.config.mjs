import withNuxt from './.nuxt/eslint.config.mjs'

/**
 * Folders of the core in the order in which they may use one another: each may import what stands before it.
 */
const LAYERS = [
  ['numerics'],
  ['uncertainty', 'water', 'tackle'],
  ['rig'],
  ['fall', 'fit', 'snag', 'strike'],
  ['evidence'],
  ['choose'],
  ['trip'],
]

const outside = [
  'vue',
  'vue-router',
  'pinia',
  'nuxt',
  '#app',
  '#imports',
  '#schemas/*',
  'zod',
  'node:*',
  'fs',
  'path',
  '~/*',
  '@nuxt/*',
  'drizzle-orm',
]

const coreLayers = LAYERS.slice(0, -1).map((folders, i) => ({
  files: folders.map(folder => `core/${folder}/**/*.ts`),
  rules: {
    'no-restricted-imports': [
      'error',
      {
        patterns: [
          { group: outside, message: 'The core imports nothing of the interface, the server or Node.' },
          {
            group: LAYERS.slice(i + 1)
              .flat()
              .map(later => `../**/${later}/**`),
            message: 'This folder of the core stands before that one.',
          },
        ],
      },
    ],
  },
}))

/** What takes long enough to be felt: the interface asks the workers for it. */
const HEAVY = [
  'assembleRig',
  'bestChanges',
  'biteChain',
  'castThrough',
  'changesAmong',
  'choose',
  'dropPrepared',
  'dropRig',
  'dropTethered',
  'evaluateBare',
  'evaluateFit',
  'evaluateRig',
  'evaluateStrike',
  'findSize',
  'hydroBody',
  'learnFrom',
  'planTrip',
  'prepareRig',
  'readTouches',
  'riggingGuide',
  'screen',
  'snagTally',
  'straightness',
  'teach',
  'trimFall',
]

export default withNuxt(
  { ignores: ['server/db/migrations/**', 'docs/**', '.output/**', 'test-results/**'] },
  {
    files: ['core/**/*.ts'],
    rules: {
      'no-restricted-imports': [
        'error',
        {
          patterns: [
            { group: outside, message: 'The core imports nothing of the interface, the server or Node.' },
          ],
        },
      ],
    },
  },
  ...coreLayers,
  {
    files: ['app/**/*.{ts,vue}', 'words/**/*.ts'],
    ignores: ['app/compute/**', '**/*.test.ts'],
    rules: {
      '@typescript-eslint/no-restricted-imports': [
        'error',
        {
          paths: [
            { name: '#core', importNames: HEAVY, message: 'The workers compute.', allowTypeImports: true },
          ],
        },
      ],
    },
  },
  {
    rules: {
      '@typescript-eslint/no-explicit-any': 'error',
      'vue/multi-word-component-names': 'off',
      'vue/html-self-closing': 'off',
      // a component is imported where it is used, as everything else is
      'vue/no-undef-components': ['error', { ignorePatterns: ['NuxtPage', 'NuxtLayout'] }],
      'vue/no-restricted-html-elements': [
        'error',
        {
          element: [
            'button',
            'input',
            'select',
            'textarea',
            'progress',
            'meter',
            'dialog',
            'table',
            'details',
          ],
          message: 'The component library has one, in the theme of the sheet.',
        },
      ],
      'import/no-unresolved': 'off',
    },
  },
)

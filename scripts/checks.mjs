/** What is checked without running anything: title, command of node_modules/.bin, arguments. */
export const CHECKS = [
  ['form', 'prettier', ['--check', '.', '--log-level', 'warn']],
  ['lint', 'eslint', ['.']],
  [
    'import rules',
    'depcruise',
    ['--config', '.dependency-cruiser.mjs', 'app', 'words', 'server', 'core', 'cli', 'shared', 'demo'],
  ],
  ['what nothing uses', 'knip', ['--no-progress']],
  ['types', 'nuxt', ['typecheck']],
]

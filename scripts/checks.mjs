/** What is checked without running anything: title, command of node_modules/.bin, arguments. */
export const CHECKS = [
  // the longest first: they are done beside one another, and beside the build
  ['types', 'nuxt', ['typecheck']],
  ['form', 'prettier', ['--check', '.', '--log-level', 'warn']],
  [
    'import rules',
    'depcruise',
    ['--config', '.dependency-cruiser.mjs', 'app', 'words', 'server', 'core', 'cli', 'shared', 'demo'],
  ],
  ['what nothing uses', 'knip', ['--no-progress']],
  // last: it reads what the check of types writes first
  ['lint', 'eslint', ['.']],
]

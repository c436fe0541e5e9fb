import { execFileSync } from 'node:child_process'
import { writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from './prepare.mjs'

/**
 * Draws the rooms of the code and which looks into which, from the imports themselves, into docs/rooms.svg.
 * A room's figure is how many files it has; a line is as thick as the imports are many.
 */
const FLOORS = [
  ['app/pages', 'cli', 'demo', 'server/api'],
  ['app/features', 'server/services'],
  ['app/sheet', 'server/repositories'],
  ['app/ui', 'app/compute', 'app/sync', 'server/db'],
  ['words', 'shared'],
  ['core/trip', 'core/choose'],
  ['core/evidence', 'core/fall', 'core/fit', 'core/snag', 'core/strike'],
  ['core/rig', 'core/uncertainty'],
  ['core/tackle', 'core/water', 'core/numerics'],
]
const ROOMS = FLOORS.flat().sort((a, b) => b.length - a.length)
const WIDTH = 960
const FLOOR = 92
const ROOM = { width: 150, height: 42 }

const roomOf = path => ROOMS.find(room => path.startsWith(`${room}/`))
const { modules } = JSON.parse(
  execFileSync(
    join(ROOT, 'node_modules', '.bin', 'depcruise'),
    [
      '--config',
      '.dependency-cruiser.mjs',
      '--output-type',
      'json',
      'app',
      'words',
      'server',
      'core',
      'cli',
      'shared',
      'demo',
    ],
    { cwd: ROOT, encoding: 'utf8', maxBuffer: 1 << 28 },
  ),
)
const files = new Map(ROOMS.map(room => [room, 0]))
const looks = new Map()
for (const { source, dependencies } of modules) {
  const from = roomOf(source)
  if (!from) continue
  files.set(from, files.get(from) + 1)
  for (const { resolved } of dependencies) {
    // what comes through the core's index is counted for the core as a whole, which every room above may use
    const to = roomOf(resolved)
    if (to && to !== from) looks.set(`${from} ${to}`, (looks.get(`${from} ${to}`) ?? 0) + 1)
  }
}
const placeOf = new Map(
  FLOORS.flatMap((rooms, floor) =>
    rooms.map((room, i) => [room, { x: (WIDTH * (i + 0.5)) / rooms.length, y: 34 + FLOOR * floor }]),
  ),
)
const lines = [...looks].map(([pair, count]) => {
  const [from, to] = pair.split(' ').map(room => placeOf.get(room))
  const down = to.y >= from.y
  const [y1, y2] = [from.y + (down ? 1 : -1) * (ROOM.height / 2), to.y - (down ? 1 : -1) * (ROOM.height / 2)]
  return `<line x1="${from.x}" y1="${y1}" x2="${to.x}" y2="${y2}" stroke-width="${(0.6 + Math.log2(count) / 2).toFixed(1)}"><title>${pair.replace(' ', ' → ')}: ${count}</title></line>`
})
const boxes = [...placeOf].map(
  ([room, { x, y }]) =>
    `<g transform="translate(${x - ROOM.width / 2} ${y - ROOM.height / 2})"><rect width="${ROOM.width}" height="${ROOM.height}" rx="2"/><text x="${ROOM.width / 2}" y="18">${room}</text><text x="${ROOM.width / 2}" y="34" class="small">${files.get(room)} files</text></g>`,
)
writeFileSync(
  join(ROOT, 'docs', 'rooms.svg'),
  `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${WIDTH} ${FLOOR * FLOORS.length}" font-family="sans-serif" font-size="14" text-anchor="middle">
<style>line { stroke: #8d8a78; opacity: 0.55 } rect { fill: #fbf7ec; stroke: #14323a } text { fill: #14323a } .small { font-size: 11px; fill: #4a6368 }</style>
<rect width="100%" height="100%" style="fill: #f4eedf; stroke: none"/>
${lines.join('\n')}
${boxes.join('\n')}
</svg>
`,
)

import { SALINITY_GKG, type Day } from '#core'

/** Days on the made-up coast, for trying the chooser: each asks for another kind of rig. */
const lagoon = {
  temperatureC: 15,
  salinityGKg: SALINITY_GKG.salt,
  clarity: 'clear',
  light: 'bright',
  species: 'seaBass',
  feeding: 'grab',
  prey: 'sandEel',
  preyM: 0.09,
} as const
const lake = {
  temperatureC: 15,
  salinityGKg: SALINITY_GKG.fresh,
  clarity: 'stained',
  light: 'bright',
  species: 'pike',
  feeding: 'gulp',
} as const

export const DEMO_DAYS = {
  eelgrass: { ...lagoon, depthM: 1.2, cover: 'thickWeed', bottom: 'shell', activity: 'slow' },
  channel: {
    ...lagoon,
    depthM: 6,
    cover: 'open',
    bottom: 'sand',
    activity: 'active',
    stream: { surfaceMS: 0.65, towardRad: 1 },
  },
  willow: {
    ...lake,
    depthM: 3.5,
    cover: 'wood',
    bottom: 'mud',
    activity: 'steady',
    prey: 'smallFish',
    preyM: 0.1,
  },
  shelf: {
    ...lagoon,
    depthM: 8,
    cover: 'open',
    bottom: 'rock',
    species: 'wrasse',
    activity: 'steady',
    feeding: 'nip',
    prey: 'crab',
    preyM: 0.07,
    stream: { surfaceMS: 0.3, towardRad: 0 },
  },
  mat: { ...lake, depthM: 2, cover: 'mat', bottom: 'mud', activity: 'active', prey: 'crab', preyM: 0.08 },
  silt: {
    ...lagoon,
    depthM: 5,
    temperatureC: 5,
    salinityGKg: 3,
    cover: 'open',
    bottom: 'mud',
    clarity: 'stained',
    light: 'dull',
    species: 'zander',
    activity: 'slow',
    prey: 'worm',
    preyM: 0.07,
  },
} as const satisfies Record<string, Day>

import { launch } from './launch.mjs'

/** Starts Dunecrest on the angler's own data folder. */
await launch({ folder: '.data/dunecrest', demo: false, title: 'Dunecrest' })

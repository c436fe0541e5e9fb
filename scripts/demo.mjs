import { launch } from './launch.mjs'

/** Starts Dunecrest with the made-up demo data in a folder of its own. */
await launch({ folder: '.data/demo', demo: true, title: 'Dunecrest with its demo data' })

import { build } from './prepare.mjs'

/** Builds the application, where what it is built from has changed. */
build()

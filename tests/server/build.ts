import { build } from '../../scripts/prepare.mjs'

/** The server tests run the application as it is shipped, so it must be built. */
export default function setup(): void {
  build()
}

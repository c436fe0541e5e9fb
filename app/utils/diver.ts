import type { Drop, RigSolid } from '#core'
import type { Letter } from '#schemas/spread'

/** One rig in the tank. */
export interface Diver { readonly letter: Letter, readonly drop: Drop, readonly solid: RigSolid }

/** What a drawing of the tank needs: the canvas in pixels, the depth, the rigs. */
export interface TankFrame {
  readonly width: number
  readonly height: number
  readonly depthM: number
  readonly divers: readonly Diver[]
}

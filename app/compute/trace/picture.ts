/** A picture as a canvas gives it: RGBA, four bytes a pixel. */
export interface Picture {
  readonly width: number
  readonly height: number
  readonly rgba: Uint8ClampedArray
}

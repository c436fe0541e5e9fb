import subsetFont from 'subset-font'
import type { Plugin } from 'vite'

/** The face with widths of its own, as the bundler names it. */
const WIDE = /archivo-latin-wdth-normal.*\.woff2$/
/** Widths and weights that the style sheets ask for: from the narrow letters of the header to plain bold ones. */
const AXES = { wdth: { min: 75, max: 100 }, wght: { min: 400, max: 700 } }
/** Letters of the western European languages, and what figures and sentences are set with: what the file has. */
const LETTERS = Array.from({ length: 0x2200 - 0x20 }, (_, i) => String.fromCodePoint(0x20 + i)).join('')

/** Takes widths and weights that nothing is set in out of a font, which halves what of it a phone lays down. */
export const narrowFont = (): Plugin => ({
  name: 'dunecrest:narrow-font',
  apply: 'build',
  async generateBundle(_, bundle) {
    for (const file of Object.values(bundle)) {
      if (file.type !== 'asset' || typeof file.source === 'string' || !WIDE.test(file.fileName)) continue
      file.source = await subsetFont(Buffer.from(file.source), LETTERS, {
        targetFormat: 'woff2',
        variationAxes: AXES,
      })
    }
  },
})

import { basename, extname } from 'node:path'
import type { Plugin } from 'vite'

const MARK = '?thread'

/**
 * `import address from './program?thread'` builds the program as an entry of its own, beside the server, and
 * gives its address, for `new Worker(address)`.
 * @param shared modules that a program shares with the server: they become a piece of their own, as a thread
 * that loaded them with the server's would start the server
 */
export function threadPlugin(shared: readonly string[]): Plugin {
  return {
    name: 'dunecrest-thread',
    outputOptions(options) {
      const { manualChunks } = options
      return {
        ...options,
        manualChunks: (id, meta) =>
          shared.includes(id)
            ? 'shared'
            : typeof manualChunks === 'function'
              ? manualChunks(id, meta)
              : undefined,
      }
    },
    resolveId: {
      order: 'pre',
      async handler(source, importer) {
        if (!source.endsWith(MARK)) return null
        const program = await this.resolve(source.slice(0, -MARK.length), importer, { skipSelf: true })
        return program ? `\0${program.id}${MARK}` : null
      },
    },
    load(id) {
      if (!id.startsWith('\0') || !id.endsWith(MARK)) return null
      const path = id.slice(1, -MARK.length)
      const program = this.emitFile({
        type: 'chunk',
        id: path,
        fileName: `${basename(path, extname(path))}.mjs`,
      })
      return `export default new URL(import.meta.ROLLUP_FILE_URL_${program})`
    },
    // The address is that of the very piece it stands in. The comment keeps Nitro from putting the address of
    // the
    // server's entry, which that piece does not know yet, in its place.
    resolveFileUrl: ({ relativePath }) => `new URL('${relativePath}', import/* this piece */.meta.url).href`,
  }
}

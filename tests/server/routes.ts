import { readdirSync } from 'node:fs'
import { join } from 'node:path'
import { ROOT } from '../../scripts/prepare.mjs'

/**
 * A route that the server answers: its method and its address, with `[name]` where something stands in it.
 */
export interface Route {
  readonly method: 'GET' | 'POST' | 'PUT' | 'DELETE'
  readonly path: string
}

/** Every route, as the files under server/api name them, so that none is forgotten. */
export function allRoutes(): Route[] {
  const files = readdirSync(join(ROOT, 'server', 'api'), { recursive: true, encoding: 'utf8' }).map(f =>
    f.replaceAll('\\', '/'),
  )
  return files
    .flatMap((file): Route[] => {
      const found = /^(.*?)\.(get|post|put|delete)\.ts$/.exec(file)
      if (!found) return []
      return [
        {
          method: found[2]!.toUpperCase() as Route['method'],
          path: `/api/${found[1]!.replace(/\/?index$/, '')}`.replace(/\/$/, ''),
        },
      ]
    })
    .sort((a, b) => (`${a.path} ${a.method}` < `${b.path} ${b.method}` ? -1 : 1))
}

/** The address with something in the place of each `[name]`. */
export const filled = (path: string, fill: (name: string) => string): string =>
  path.replace(/\[(\w+)\]/g, (_, name: string) => fill(name))

import { types } from '@electric-sql/pglite'
import { parentPort, workerData } from 'node:worker_threads'
import { createEngine } from './durableEngine'
import type { Answer, Failure, Request } from './engineProtocol'

/**
 * The thread that the embedded PostgreSQL works in, so that the one that answers requests never waits for it.
 * It does one statement after the other; who may speak when is settled on the other side.
 */
const port = parentPort!
const say = (answer: Answer): void => port.postMessage(answer)

const asText = (value: string): string => value
/** Times and JSON travel as text: the other side reads them as it reads those of any PostgreSQL. */
const PARSERS = Object.fromEntries(
  [
    types.TIMESTAMP,
    types.TIMESTAMPTZ,
    types.DATE,
    types.INTERVAL,
    types.JSON,
    types.JSONB,
    1115,
    1182,
    1185,
    1187,
    1231,
  ].map(type => [type, asText]),
)

const failure = (error: unknown): Failure => {
  const { message, code, detail, constraint } = error as Partial<Failure>
  return { message: message ?? String(error), code, detail, constraint }
}

const opening = createEngine(workerData as string)
opening.then(
  () => say({ kind: 'open' }),
  (error: unknown) => say({ kind: 'failed', failure: failure(error) }),
)

port.on('message', (request: Request) => {
  void answer(request).then(say, (error: unknown) =>
    say({ kind: 'refused', id: request.id, failure: failure(error) }),
  )
})

async function answer(request: Request): Promise<Answer> {
  const { id } = request
  const engine = await opening
  switch (request.kind) {
    case 'query': {
      const { sql, params, rowMode } = request
      return { kind: 'done', id, result: await engine.query(sql, [...params], { rowMode, parsers: PARSERS }) }
    }
    case 'exec':
      await engine.exec(request.sql)
      return { kind: 'done', id, result: { rows: [], fields: [] } }
    case 'close':
      await engine.close()
      return { kind: 'done', id, result: { rows: [], fields: [] } }
  }
}

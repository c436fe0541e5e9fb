import { defineNitroPlugin } from 'nitropack/runtime'
import { eventHandler, send, setResponseHeaders, setResponseStatus } from 'h3'
import { namesIn, turnedAway } from '../utils/sameOrigin'

/** What goes with every answer. */
const ALWAYS = {
  'cross-origin-resource-policy': 'same-origin',
  'cross-origin-opener-policy': 'same-origin',
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'no-referrer',
} as const
/** And with data, which is no page and loads nothing. */
const DATA = {
  'content-security-policy':
    "default-src 'none'; base-uri 'none'; form-action 'none'; frame-ancestors 'none'",
  'cache-control': 'no-store',
} as const

/** Stands before everything else that answers, built files and pages too. */
export default defineNitroPlugin(nitro => {
  if (import.meta.prerender) return
  const names = namesIn(process.env.DUNECREST_NAMES)
  const guard = eventHandler(event => {
    const data = event.path.startsWith('/api')
    setResponseHeaders(event, data ? { ...ALWAYS, ...DATA } : ALWAYS)
    const turned = turnedAway(event.node.req, names)
    if (!turned) return undefined
    setResponseStatus(event, turned.status)
    event.node.req.resume()
    return send(
      event,
      JSON.stringify({ error: true, statusCode: turned.status, message: turned.message }),
      'application/json',
    )
  })
  nitro.h3App.stack.unshift({ route: '/', handler: guard })
})

import { defineNitroPlugin } from 'nitropack/runtime'
import { eventHandler, send, setResponseHeaders, setResponseStatus } from 'h3'
import { heldAtTheGate } from '../network/gate'
import { wayOf } from '../network/listener'
import { networkNames } from '../network/network'
import { isData, namesIn, turnedAway } from '../utils/sameOrigin'

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
  const guard = eventHandler(async event => {
    const data = isData(event.path)
    setResponseHeaders(event, data ? { ...ALWAYS, ...DATA } : ALWAYS)
    const network = wayOf(event.node.req) !== undefined
    const turned = turnedAway(event.node.req, network ? networkNames() : names)
    if (!turned) {
      // what is answered at the gate is at its end: h3 looks no further
      await heldAtTheGate(event.node.req, event.node.res)
      return undefined
    }
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

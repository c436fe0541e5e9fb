import { spawn } from 'node:child_process'
import { BROWSER_FLAGS } from '../scripts/browser.mjs'
import { findBrowser } from '../scripts/programs.mjs'

/**
 * A browser to which hardly anybody listens. A test runner follows every request and keeps the place in the scripts
 * from which it was made, for which the browser reads the whole of each script again: on a slowed phone that is half
 * a second that no phone takes.
 * @param folder where its profile is kept
 * @returns `open()` gives a blank page of a phone's size, to which commands can be sent; `close()` ends the browser
 */
export function bareBrowser(folder) {
  const child = spawn(
    findBrowser(),
    [
      ...BROWSER_FLAGS,
      '--headless=new',
      '--remote-debugging-pipe',
      `--user-data-dir=${folder}`,
      'about:blank',
    ],
    { stdio: ['ignore', 'ignore', 'ignore', 'pipe', 'pipe'] },
  )
  const ended = new Promise(resolve => child.once('exit', resolve))
  const [, , , to, from] = child.stdio
  const waiting = new Map()
  let sent = 0
  let heard = ''
  from.setEncoding('utf8')
  from.on('data', text => {
    const said = (heard + text).split('\0')
    heard = said.pop()
    for (const { id, result, error } of said.map(one => JSON.parse(one))) {
      const { resolve, reject } = waiting.get(id) ?? {}
      waiting.delete(id)
      if (error) reject?.(new Error(error.message))
      else resolve?.(result)
    }
  })
  const send = (method, params = {}, sessionId = undefined) =>
    new Promise((resolve, reject) => {
      waiting.set(++sent, { resolve, reject })
      to.write(`${JSON.stringify({ id: sent, method, params, sessionId })}\0`)
    })

  return {
    async open() {
      const { targetId } = await send('Target.createTarget', { url: 'about:blank' })
      const { sessionId } = await send('Target.attachToTarget', { targetId, flatten: true })
      const page = {
        send: (method, params) => send(method, params, sessionId),
        /** What an expression comes to on the page. */
        async value(expression) {
          const { result } = await page.send('Runtime.evaluate', {
            expression,
            returnByValue: true,
            awaitPromise: true,
          })
          return result.value
        },
        close: () => send('Target.closeTarget', { targetId }),
      }
      await page.send('Emulation.setDeviceMetricsOverride', {
        width: 390,
        height: 844,
        deviceScaleFactor: 1,
        mobile: true,
      })
      return page
    },
    async close() {
      await send('Browser.close')
      await ended
    },
  }
}

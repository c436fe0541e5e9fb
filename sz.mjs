import { chromium } from '@playwright/test'
import { gzipSync } from 'node:zlib'
import { BROWSER_FLAGS } from './scripts/browser.mjs'
import { findBrowser } from './scripts/programs.mjs'
const b = await chromium.launch({ executablePath: findBrowser(), args: BROWSER_FLAGS })
const p = await b.newPage()
const list = []
p.on('response', async r => { if (/\.m?js(\?|$)/.test(r.url())) { try { const t = await r.body(); list.push([gzipSync(t).length/1000, t.length/1000, r.url().split('/').pop(), [...new Set((t.toString().slice(0,200000).match(/(chart\.js|reka|tanstack|zod|floating|fuse|tailwind|vaul|embla|vueuse|date-fns|internationalized|ofetch|pinia|Intl)/gi)||[]))].join(' ')]) } catch {} } })
await p.goto('http://localhost:4188/')
await p.waitForTimeout(7000)
list.sort((a, b) => b[0] - a[0])
console.log(list.slice(0, 40).map(l => `${l[0].toFixed(1)} ${l[1].toFixed(0)} ${l[2]} ${l[3]}`).join('\n'), list.reduce((s, l) => s + l[0], 0), list.length)
await b.close()

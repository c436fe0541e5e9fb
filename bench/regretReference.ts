import { writeFileSync } from 'node:fs'
import { bestInFull } from './regret'
import { DAYS, seededDays } from './days'

/**
 * Makes `bench/regret.json` anew, the best that the leading candidates of each seeded day come to in full: some
 * twenty minutes. `npx tsx bench/regretReference.ts`; two numbers after it take a part of the days, a third
 * argument another file.
 */
const [from = '0', to = String(DAYS), file = new URL('regret.json', import.meta.url)] = process.argv.slice(2)
const found = seededDays()
  .slice(Number(from), Number(to))
  .map((day, i) => {
    const best = bestInFull(day)
    console.error(Number(from) + i, JSON.stringify(best))
    return best
  })
writeFileSync(file, `${JSON.stringify(found, null, 1)}\n`)

import { writeFileSync } from 'node:fs'
import { bestInFull } from './regret'
import { seededDays, SETS } from './days'

/**
 * Makes `bench/regret.json` anew, the best that the leading candidates of each seeded day come to in full: half an
 * hour and more. `npx tsx bench/regretReference.ts`
 */
const made = Object.fromEntries(
  Object.entries(SETS).map(([set, of]) => [
    set,
    seededDays(of).map((day, i) => {
      const best = bestInFull(day)
      console.error(set, i, JSON.stringify(best))
      return best
    }),
  ]),
)
writeFileSync(new URL('regret.json', import.meta.url), `${JSON.stringify(made, null, 1)}\n`)

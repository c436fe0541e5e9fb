import { it } from 'vitest'
import { DEMO_BOX } from '../demo/box'
import { goodsOf, alikeBaits } from '../shared/goods'
import { choose, FAMILIES, FACTOR_IDS, type Day } from '#core'
const base: Day = { depthM: 1.2, temperatureC: 15, salinityGKg: 30, cover: 'thickWeed', bottom: 'shell', clarity: 'clear', light: 'bright', species: 'seaBass', activity: 'slow', feeding: 'grab', prey: 'sandEel', preyM: 0.09 }
const days: Record<string, Day> = {
  eelgrass: base,
  flow: { ...base, depthM: 6, cover: 'open', bottom: 'sand', activity: 'active', stream: { surfaceMS: 0.65, towardRad: 1 } },
  willow: { ...base, depthM: 3.5, salinityGKg: 0, cover: 'wood', bottom: 'mud', species: 'pike', activity: 'steady', feeding: 'gulp', prey: 'smallFish', preyM: 0.1, clarity: 'stained' },
  rock: { ...base, depthM: 8, cover: 'open', bottom: 'rock', species: 'wrasse', activity: 'steady', feeding: 'nip', prey: 'crab', preyM: 0.07 },
  boulders: { ...base, depthM: 8, cover: 'boulders', bottom: 'rock', species: 'wrasse', activity: 'active', feeding: 'grab', prey: 'crab', preyM: 0.07 },
  mat: { ...base, depthM: 2, salinityGKg: 0, cover: 'mat', bottom: 'mud', species: 'pike', activity: 'active', feeding: 'gulp', prey: 'crab', preyM: 0.08, clarity: 'stained' },
  silt: { ...base, depthM: 5, temperatureC: 5, salinityGKg: 3, cover: 'open', bottom: 'mud', species: 'zander', activity: 'slow', feeding: 'grab', prey: 'worm', preyM: 0.07, clarity: 'stained', light: 'dull' },
}
it('t', () => {
  const goods = alikeBaits(goodsOf(DEMO_BOX.map((x, i) => ({ ...x, id: String(i) }))))
  for (const [name, day] of Object.entries(days)) {
    const t = performance.now()
    const it = choose(day, goods)
    let r = it.next(); let s = 0; while (!r.done) { if (r.value.part < .751) s = performance.now(); r = it.next() }
    const c = r.value
    console.log('===', name, c.looked, (s - t).toFixed(0), (performance.now() - t).toFixed(0), 'ms', JSON.stringify(c.out), c.nothing)
    for (const p of c.picks) console.log(p.score.toFixed(3), p.low.toFixed(2), p.high.toFixed(2), p.report.fit.verdict, p.rig.family, FAMILIES[p.rig.family].shortName, p.rig.hookSize, p.rig.peg ?? '', (1000 * p.rig.weightKg).toFixed(1), p.rig.pointRest, goods.baits[p.bait]!.name, p.outfit.line.kind, (p.outfit.line.strengthN / 4.448).toFixed(0), p.outfit.rod, p.outfit.retrieve, 'v', p.report.fall.meanSpeedMS.value.toFixed(2), 'rest', p.report.fall.rest.posture, p.report.fall.rest.highestM.toFixed(3), 'pitch', (57.3*p.report.fall.pitchRad.value).toFixed(0), FACTOR_IDS.map(f => f + ' ' + p.factors[f].toFixed(2)).join(' '))
    console.log(c.reasons.join('\n'))
    for (const w of c.whyNots) console.log('not', FAMILIES[w.family].shortName, w.sentence)
    for (const w of c.whatIfs) console.log('if', w.change, FAMILIES[w.family].shortName, goods.baits[w.bait]!.name, (1000 * w.weightKg).toFixed(1), w.reason)
    console.log(c.ways.map(w => w.school + ' ' + w.choice + ' ' + w.share.toFixed(2)).join(', '))
  }
}, 1000000)

import { evaluateRig } from '../core/choose/evaluateRig'
import { learnFrom } from '../core/choose/learn'
import { rigKey, placeKey } from '../core/evidence/keys'
const bait = { form: 'slimShad', lengthM: 0.09, material: 'plain' } as const
const W1 = { family: 'W1', hookSize: '4/0', weightKg: 0.0035, weightMaterial: 'lead', pointRest: 'skin' } as const
const O1 = { family: 'O1', hookSize: '4/0', weightKg: 0, weightMaterial: 'lead', pointRest: 'skin' } as const
const E1 = { family: 'E1', hookSize: '3/0', weightKg: 0.005, weightMaterial: 'lead', pointRest: 'open' } as const
const cond = { depthM: 2, temperatureC: 15, salinityGKg: 0, cover: 'thickWeed', bottom: 'sand', lineKind: 'braid', lineStrengthN: 66 } as any
const show = (name: string, learned?: any) => {
  console.log(name, [W1, O1, E1].map(rig => { const r: any = evaluateRig(bait, rig as any, { ...cond, evidence: learned ? { learned, snag: { tries: 1, hits: 0 } } : undefined }); if (!r.ok) return r.code; const f = (m: any) => `${(100 * m.value).toFixed(1)}[${(100 * m.low).toFixed(1)},${(100 * m.high).toFixed(1)}]`; return `${rig.family} snag ${f(r.value.snag.snagPerCast)} left ${r.value.snag.minutesLeft.value.toFixed(0)} hook ${f(r.value.strike.hookUp)}` }).join(' | '), learned && `eff ${learned.effective.toFixed(0)}`)
}
show('prior')
const log = (rig: any, casts: number, snags: number, touches: number, hooked: number) => ({ rigKey: rigKey(bait as any, rig), placeKey: placeKey('thickWeed' as any, 'sand' as any), casts, snags, touches, hooked })
const t = performance.now()
for (const [name, logs] of Object.entries({
  'E1 12/60': [log(E1, 60, 40, 0, 0)], 'E1 60/60': [log(E1, 60, 60, 0, 0)], 'E1 0/60': [log(E1, 60, 2, 0, 0)], 'W1 120/300, 10/40': [log(W1, 300, 120, 40, 10)], 'W1 2/300, 38/40': [log(W1, 300, 2, 40, 38)],
  'W1 3000/10000': [log(W1, 10000, 3000, 4000, 400)], 'three': [log(W1, 100, 10, 30, 20), log(E1, 100, 80, 40, 36), log(O1, 80, 3, 20, 4)],
  'odd': [log(W1, 1000, 10, 300, 200), log(E1, 1000, 999, 400, 36), log(O1, 800, 300, 200, 190)],
})) { const t0 = performance.now(); const l = learnFrom(logs); const ms = performance.now() - t0; show(name + ` (${ms.toFixed(0)} ms)`, l) }

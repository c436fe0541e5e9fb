import { readFileSync } from 'node:fs'
import { evaluateRig } from '../core/choose/evaluateRig'

for (const form of ['deepShad', 'segmentedShad', 'slimShad'] as const) {
  const out: string[] = []
  for (const hold of [undefined, { mode: 'controlled', rodDistanceM: 10 }, { mode: 'tight', rodDistanceM: 20 }, { mode: 'tight', rodDistanceM: 10 }, { mode: 'tight', rodDistanceM: 5 }, { mode: 'tight', rodDistanceM: 3.5 }] as any) {
    const r: any = evaluateRig({ form, lengthM: 0.09, material: 'plain' }, { family: 'E1', hookSize: '3/0', weightMaterial: 'lead', weightKg: 0.00354369, pointRest: 'open' } as any, { depthM: 3, temperatureC: 16, salinityGKg: 0, cover: 'open', bottom: 'sand', lineKind: 'braid', lineStrengthN: 44.5, hold } as any)
    out.push(r.ok ? (3 / r.value.fall.timeS.value / 0.3048).toFixed(2) : `${r.code} ${r.depthM?.toFixed(1)}`)
  }
  console.log(form, out.join(' | '))
}

import { assembleRig, dropRig, hydroBody, lineFromLb, ozToKg, trimFall, waterOf } from '#core'

/** Best of many runs, ms: what the code costs when nothing else wants the machine. */
export function best(work: () => unknown, times: number): number {
  let least = Infinity
  for (let i = 0; i < times; i++) {
    const begun = performance.now()
    work()
    least = Math.min(least, performance.now() - begun)
  }
  return least
}

/** A fixed piece of plain arithmetic, so that figures of different machines can be put in proportion. */
function yardstick(): number {
  let sum = 0
  for (let i = 1; i < 2_000_000; i++) sum += Math.sqrt(i) / (1 + i)
  return sum
}

/** Figures of the core: a 10 s drop, a trim. */
export function coreFigures(): Record<string, number> {
  const rig = assembleRig(
    { form: 'slimShad', lengthM: 0.09, material: 'plain' },
    { family: 'W1', hookSize: '4/0', weightKg: ozToKg(1 / 8), weightMaterial: 'lead', pointRest: 'skin' },
  )
  const body = hydroBody(rig.geometry, waterOf(15, 35))
  const line = lineFromLb('braid', 15)
  const oneMetre = dropRig(body, { depthM: 1, line })
  if (!oneMetre.ok) throw new Error(oneMetre.message)
  const depthM = 10 / oneMetre.value.timeS
  const drop = best(() => dropRig(body, { depthM, line }), 40)
  const stick = best(yardstick, 40)
  return {
    'yardstick.ms': stick,
    'fall.drop10s.ms': drop,
    'fall.drop10s.perYardstick': drop / stick,
    'fall.trim.ms': best(() => trimFall(body, { depthM: 1, line }), 400),
  }
}

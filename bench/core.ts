import { DEMO_BOX } from '../demo/box'
import { DEMO_DAYS } from '../demo/days'
import { onceEach, goodsOf } from '../shared/goods'
import {
  assembleRig,
  BAIT_FORMS,
  matchOf,
  matchShare,
  obstaclesOf,
  riggingsOf,
  screen,
  RETRIEVES,
  seededRandom,
  snagRig,
  snagTally,
  cutRig,
  dropBent,
  dropRig,
  dropTethered,
  hydroBody,
  lineFromLb,
  ozToKg,
  SAMPLE_STRIDE,
  trimFall,
  waterOf,
} from '#core'

import { best } from './best'
import { boxFigures } from './box'
import { regretFigures } from './regret'
import { verdictFigures } from './verdict'
import { nativeRatio } from './native'

/** A fixed piece of plain arithmetic, so that figures of different machines can be put in proportion. */
function yardstick(): number {
  let sum = 0
  for (let i = 1; i < 2_000_000; i++) sum += Math.sqrt(i) / (1 + i)
  return sum
}

/** Twenty thousand meetings for each of five rigs, in drowned wood over rock. */
function snagDraws(): void {
  const line = lineFromLb('braid', 15)
  const where = obstaclesOf('wood', 'rock')
  for (const [family, pointRest] of [
    ['E1', 'open'],
    ['W1', 'skin'],
    ['O2', 'flush'],
    ['L1', 'skin'],
    ['J7', 'open'],
  ] as const) {
    const rig = snagRig(
      assembleRig(
        { form: 'slimShad', lengthM: 0.09, material: 'plain' },
        {
          family,
          hookSize: '3/0',
          weightKg: family === 'O2' ? 0 : ozToKg(1 / 8),
          weightMaterial: 'lead',
          pointRest,
        },
      ),
      line,
    )
    const tally = snagTally(
      rig,
      where,
      { postures: { retrieveRollRad: [0, 0.1, -0.2], fallRollRad: [0, 0.4] }, retrieve: RETRIEVES.hop },
      seededRandom(5),
    )
    tally.draw(20_000 / where.length)
    tally.result()
  }
}

/**
 * Baits of the demo box that are looked at on a day in the eelgrass: none is passed over for being unlike the
 * food.
 */
function lookedAt() {
  const day = DEMO_DAYS.eelgrass
  const goods = onceEach(goodsOf(DEMO_BOX.map((item, i) => ({ ...item, id: String(i) }))))
  const share = (i: number): number =>
    matchShare(day, goods.baits[i]!.spec, matchOf(goods.baits[i]!.spec.form, day.prey))
  const most = Math.max(...goods.baits.map((_, i) => share(i)))
  return { day, goods: { ...goods, baits: goods.baits.filter((_, i) => share(i) > 0.3 * most) } }
}

/**
 * Scores twenty thousand candidates, nothing remembered from before; the time is put in proportion to just so
 * many.
 */
function candidates20k(): number {
  const { day, goods } = lookedAt()
  const begun = performance.now()
  const search = screen({ day, goods, riggings: riggingsOf(goods) })
  let step = search.next()
  while (!step.done && step.value < 20_000) step = search.next()
  const looked = step.done ? step.value.length : step.value
  if (looked < 20_000) throw new Error(`only ${looked} candidates`)
  return ((performance.now() - begun) * 20_000) / looked
}

/** Ten seconds of the fall of the longest straight worm, as it bends, ms. */
function bend10s(): number {
  const [, lengthM] = BAIT_FORMS.straightWorm.lengthRangeM
  const rig = assembleRig(
    { form: 'straightWorm', lengthM, material: 'plain' },
    { family: 'W1', hookSize: '5/0', weightKg: ozToKg(1 / 8), weightMaterial: 'lead', pointRest: 'skin' },
  )
  const water = waterOf(15, 35)
  const [links, body] = [cutRig(rig, water), hydroBody(rig.geometry, water)]
  const metre = dropBent(links, body, { depthM: 1 })
  if (!metre.ok) throw new Error(metre.message)
  const done = dropBent(links, body, { depthM: 10 / metre.value.timeS })
  if (!done.ok) throw new Error(done.message)
  return (best(() => dropBent(links, body, { depthM: done.value.depthM }), 10) * 10) / done.value.timeS
}

/** Figures of the core: a 10 s drop, a trim, snags. */
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
  const bait = hydroBody(
    assembleRig(
      { form: 'stick', lengthM: 0.125, material: 'plain' },
      { family: 'O2', hookSize: '3/0', weightKg: 0, weightMaterial: 'lead', pointRest: 'skin' },
    ).geometry,
    waterOf(15, 35),
  )
  const weight = {
    massKg: 0.01,
    displacedKg: 0.0009,
    diameterM: 0.0119,
    dragFactor: 1,
    tetherM: 0.4,
    lineOnWeight: true,
  }
  const stream = { surfaceMS: 0.4, towardRad: 0.5, depthM: 20 }
  const full = dropTethered(bait, weight, { depthM: 2, line, stream })
  if (!full.ok) throw new Error(full.message)
  const fullDepthM = 2 + 0.9 * (10 - full.value.timeS)
  const first = oneMetre.value.samples.subarray(0, SAMPLE_STRIDE)
  const ratio = nativeRatio(body, line, depthM, [...first.subarray(1), 0, 0, 0, 0, 0, 0])
  const drop = best(() => dropRig(body, { depthM, line }), 40)
  const stick = best(yardstick, 40)
  return {
    'yardstick.ms': stick,
    'fall.drop10s.ms': drop,
    'fall.drop10s.perYardstick': drop / stick,
    'fall.drop10s.full.ms': best(
      () =>
        dropTethered(bait, weight, { depthM: fullDepthM, line, stream: { ...stream, depthM: fullDepthM } }),
      20,
    ),
    'fall.bend10s.ms': bend10s(),
    ...(ratio === undefined ? {} : { 'fall.nativeRatio': ratio }),
    'snag.draws20kx5.ms': best(snagDraws, 8),
    'pick.candidates20k.ms': Math.min(...Array.from({ length: 4 }, candidates20k)),
    'fall.trim.ms': best(() => trimFall(body, { depthM: 1, line }), 400),
    ...verdictFigures(),
    ...boxFigures(),
    ...regretFigures(),
  }
}

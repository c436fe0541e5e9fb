import { COVERS, type CoverId, type Placed, type ThingLook } from './cover'

/**
 * Of the meetings of a bait under water, those that one on the surface still has: edges of pads and strands of a
 * mat it crosses, stems that stand through; tops of weed and of branches that just reach up. *Assumed.*
 */
const REACHES: Readonly<Record<ThingLook, number>> = {
  blade: 0.25,
  stem: 0.1,
  reed: 1,
  stalk: 0.05,
  pad: 1,
  strand: 0.6,
  twig: 0.25,
  limb: 0.25,
  fork: 0.15,
  pile: 1,
  clump: 0.3,
  kelp: 0.4,
  stone: 0.02,
  gap: 0,
}

/** How much of the meetings with a thing is left on the surface; nothing of the bottom's. */
export const reachOf = ({ on, look }: Pick<Placed, 'on' | 'look'>): number =>
  on === 'bottom' ? 0 : REACHES[look]

/**
 * What a bait that floats meets of a place, thing for thing: what lies is met from below, since the bait rides over
 * it; nothing of the bottom.
 */
export const onSurface = (obstacles: readonly Placed[]): readonly Placed[] =>
  obstacles.map((obstacle): Placed => {
    const perM = obstacle.perM * reachOf(obstacle)
    return obstacle.kind === 'rod' ? { ...obstacle, perM, overhead: 0 } : { ...obstacle, perM }
  })

/** The same of a cover, without what never reaches up. */
export const surfaceOf = (cover: CoverId): readonly Placed[] =>
  onSurface(COVERS[cover].obstacles.map(obstacle => ({ ...obstacle, on: 'cover' }))).filter(
    ({ perM }) => perM > 0,
  )

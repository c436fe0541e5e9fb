import { FAMILIES, RODS, type ChangeId, type PointRest, type RodPower } from '#core'
import { withRod } from '~/sheet/rod'
import { BITE_RANGE_M } from '#schemas/ranges'
import type { Lane, SpreadContent } from '#schemas/spread'

const POWERS = Object.keys(RODS) as RodPower[]
const USUAL_BITE_M = 18
/** One step lighter over the point. */
const LIGHTER: Readonly<Partial<Record<PointRest, PointRest>>> = { buried: 'skin', skin: 'flush' }

/**
 * How a change is made on the sheet: on the rig, or on what every rig shares. Undefined where the sheet has no place
 * for it, or it is so already.
 */
export function changeOnSheet(
  id: ChangeId,
  { bait, fishing, line }: SpreadContent,
  lane: Lane,
): ((draft: SpreadContent) => void) | undefined {
  const onLane = (change: Partial<Lane>) => (draft: SpreadContent) => {
    draft.lanes = draft.lanes.map(l => (l.letter === lane.letter ? { ...l, ...change } : l))
  }
  const onFishing = (change: NonNullable<SpreadContent['fishing']>) => (draft: SpreadContent) => {
    draft.fishing = { ...draft.fishing, ...change }
  }
  switch (id) {
    case 'finerWire':
      if (lane.wire === 'fine') return undefined
      return onLane({ wire: lane.wire === 'heavy' ? undefined : 'fine' })
    case 'lighterSkin': {
      const lighter = LIGHTER[lane.pointRest]
      return lighter && FAMILIES[lane.family].pointRests.includes(lighter)
        ? onLane({ pointRest: lighter })
        : undefined
    }
    case 'slit':
      return lane.slit || lane.pointRest === 'open' ? undefined : onLane({ slit: true })
    case 'stifferRod': {
      const rod = POWERS[POWERS.indexOf(fishing?.rod ?? 'medium') + 1]
      return rod && (draft => void (draft.fishing = withRod(draft.fishing, rod)))
    }
    case 'keepMoving':
      return onFishing({ retrieve: 'swim' })
    case 'nearer':
      return onFishing({ biteM: Math.max(BITE_RANGE_M[0], (fishing?.biteM ?? USUAL_BITE_M) / 2) })
    case 'noStretch':
      return line.kind === 'braid' ? undefined : draft => void (draft.line.kind = 'braid')
    case 'smallerBait':
      return draft => void (draft.bait.lengthM = Math.round(850 * bait.lengthM) / 1000)
    case 'scent':
      return fishing?.scented ? undefined : onFishing({ scented: true })
    case 'softer':
    case 'trailingHook':
      return undefined
  }
}

import type { FamilyId } from '../spec'
import { ballHead, standUpHead } from './ballHead'
import { bellyWeighted } from './bellyWeighted'
import type { Family } from './family'
import { headInTube, noseWeighted } from './inside'
import { dropperRig, hingedBall, leaderRig } from './jointed'
import { offsetHook, peggedBullet } from './offset'

export const FAMILIES: Readonly<Record<FamilyId, Family>> = { W1: bellyWeighted, O2: offsetHook, L1: peggedBullet, E1: ballHead, E3: standUpHead, E7: headInTube, L7: noseWeighted, J4: hingedBall, L3: leaderRig, L4: dropperRig }
export const FAMILY_IDS = Object.keys(FAMILIES) as FamilyId[]

import type { FamilyId } from '../spec'
import { ballHead } from './ballHead'
import { bellyWeighted } from './bellyWeighted'
import type { Family } from './family'
import { offsetHook, peggedBullet } from './offset'

export const FAMILIES: Readonly<Record<FamilyId, Family>> = { W1: bellyWeighted, O2: offsetHook, L1: peggedBullet, E1: ballHead }
export const FAMILY_IDS = Object.keys(FAMILIES) as FamilyId[]

import { clamp } from '@vueuse/core'
import { FAMILIES, HOOK_SIZES, ozToKg, type FamilyId, type HookSize } from '#core'
import { LETTERS, type Letter } from '#schemas/ranges'
import type { Lane, SpreadContent } from '#schemas/spread'

/** Changes to the lanes of a spread. Each takes the content as it is and returns the lanes as they become. */
export const freeLetter = (lanes: readonly Lane[]): Letter | undefined =>
  LETTERS.find(letter => lanes.every(lane => lane.letter !== letter))

/**
 * A lane given another way of rigging: keeps hook size and weight where the new family can carry them, and takes
 * the nearest weight that people use with it where it is not one of them.
 */
export function withFamily(lane: Lane, family: FamilyId): Lane {
  const { weighted, trailer, pointRests, keepers, guards, slides, pegs, usualKg } = FAMILIES[family]
  const carried = lane.weightKg > 0 ? lane.weightKg : ozToKg(1 / 8)
  const weightKg = !weighted ? 0 : usualKg ? clamp(carried, ...usualKg) : carried
  const pointRest = pointRests.includes(lane.pointRest) ? lane.pointRest : preferredRest(pointRests)
  const {
    keeper,
    guard,
    sideOn,
    hookAtM: _hook,
    exitAtM: _exit,
    weightAtM,
    peg,
    leaderM: _leader,
    ...kept
  } = lane
  return {
    ...kept,
    family,
    weightKg,
    pointRest,
    ...(keeper && keepers.includes(keeper) ? { keeper } : {}),
    ...(guard && guards?.includes(guard) ? { guard } : {}),
    ...(weightAtM !== undefined && slides ? { weightAtM } : {}),
    ...(sideOn && trailer ? { sideOn } : {}),
    ...(peg && pegs ? { peg } : {}),
  }
}

const preferredRest = (rests: readonly Lane['pointRest'][]): Lane['pointRest'] =>
  rests.includes('skin') ? 'skin' : rests[0]!

/** A new lane of a family, sized like its neighbours. Undefined when all five letters are taken. */
export function newLane(content: SpreadContent, family: FamilyId): Lane | undefined {
  const letter = freeLetter(content.lanes)
  const like = content.lanes[content.lanes.length - 1]
  if (!letter || !like) return undefined
  return withFamily({ ...like, letter }, family)
}

/** The next hook size up or down; the same at either end. */
export function stepHook(size: HookSize, direction: 1 | -1): HookSize {
  return HOOK_SIZES[HOOK_SIZES.indexOf(size) + direction] ?? size
}

/** Moves an entry of a list to another place; the list unchanged where the place does not exist. */
export function moved<T>(list: readonly T[], from: number, to: number): T[] {
  const copy = [...list]
  if (to < 0 || to >= copy.length) return copy
  copy.splice(to, 0, ...copy.splice(from, 1))
  return copy
}

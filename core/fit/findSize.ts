import { assembleRig } from '../rig/assemble'
import { FAMILIES, FAMILY_IDS } from '../rig/families'
import { problemsOf } from '../rig/problems'
import type { BaitSpec, FamilyId, RigSpec } from '../rig/spec'
import { HOOK_SIZES, type HookSize, type WireGrade } from '../tackle/hooks'
import type { Line } from '../tackle/lines'
import { evaluateFit, type FitResult } from './evaluateFit'
import { spareOverBend } from './guide'
import { room, tightestOf, type FitRule, type Verdict } from './rules'

/** How one hook size comes out in a bait; `worst` is the rule with the least room. */
export interface SizeFit {
  readonly size: HookSize
  readonly verdict: Verdict
  readonly worst: FitRule
  /** plastic to push toward the nose so that it lies flat over the bend, m; 0 for open hooks */
  readonly pushM: number
}

/** Another way that fits where the one asked for does not. */
export interface Instead {
  readonly family: FamilyId
  readonly size: HookSize
  readonly wire: WireGrade
  readonly verdict: Verdict
}

export interface SizeAnswer {
  /** every size that can be built, smallest first */ readonly sizes: readonly SizeFit[]
  /** the size with the most room in its tightest rule; undefined when none fits */ readonly best?: SizeFit
  /** other families, the most alike first; empty where the one asked for passes */
  readonly instead: readonly Instead[]
}

/** Rules on which a hook size bears; the keeper and the line are chosen on their own. */
const OF_SIZE: ReadonlySet<FitRule['id']> = new Set([
  'length',
  'exit',
  'freeTail',
  'clearance',
  'pointRest',
  'throat',
  'across',
  'wire',
])

/** Ways that change more than the hook: never offered instead of another. */
const APART: ReadonlySet<string> = new Set(['finesse', 'trailer'])

/** Other families offered at most. */
const MOST_OFFERED = 3

/**
 * The best hook size of a family for a bait: each size is fitted, and the one whose tightest rule has most
 * room is proposed. Where no size passes, other families are tried, in light wire too, those of the same
 * group first.
 * @throws RangeError when the bait cannot be built
 */
export function findSize(bait: BaitSpec, spec: RigSpec, line?: Line): SizeAnswer {
  const sizes = sizesOf(bait, spec, line)
  const best = bestOf(sizes)
  return {
    sizes,
    ...(best ? { best } : {}),
    instead: best?.verdict === 'pass' ? [] : others(bait, spec, line, best),
  }
}

function sizesOf(bait: BaitSpec, spec: RigSpec, line?: Line): SizeFit[] {
  return HOOK_SIZES.flatMap((size): SizeFit[] => {
    const rig = { ...spec, hookSize: size }
    if (problemsOf(bait, rig).length > 0) return []
    const assembled = assembleRig(bait, rig)
    const fit = evaluateFit(assembled, line)
    const pushM = rig.pointRest === 'open' ? 0 : spareOverBend(assembled)
    return [{ size, verdict: verdictOfSize(fit), worst: tightest(fit), pushM }]
  })
}

const bearing = (fit: FitResult): readonly FitRule[] => fit.rules.filter(r => OF_SIZE.has(r.id))
const verdictOfSize = (fit: FitResult): Verdict =>
  bearing(fit).reduce<Verdict>(
    (sum, r) =>
      r.verdict === 'fail' || sum === 'fail'
        ? 'fail'
        : r.verdict === 'near' || sum === 'near'
          ? 'near'
          : 'pass',
    'pass',
  )

const tightest = (fit: FitResult): FitRule => tightestOf(bearing(fit))

const RANK: Readonly<Record<Verdict, number>> = { pass: 0, near: 1, fail: 2 }

/** Undefined where every size fails. */
function bestOf(sizes: readonly SizeFit[]): SizeFit | undefined {
  const [first] = [...sizes].sort(
    (a, b) => RANK[a.verdict] - RANK[b.verdict] || room(b.worst) - room(a.worst),
  )
  return first && first.verdict !== 'fail' ? first : undefined
}

function others(bait: BaitSpec, spec: RigSpec, line: Line | undefined, own: SizeFit | undefined): Instead[] {
  const { group, pointRests } = FAMILIES[spec.family]
  const apart = (id: FamilyId): boolean =>
    id === spec.family ||
    FAMILIES[id].hollowOnly === true ||
    (FAMILIES[id].group !== group && APART.has(FAMILIES[id].group))
  const alike = (id: FamilyId): number =>
    (FAMILIES[id].group === group ? 0 : 2) + (FAMILIES[id].pointRests[0] === pointRests[0] ? 0 : 1)
  return FAMILY_IDS.filter(id => !apart(id))
    .flatMap(family => {
      const { weighted, pointRests: rests, guards } = FAMILIES[family]
      const { keeper: _, guard, exitAtM: _exit, hookAtM: _at, hook: _own, ...kept } = spec
      const base: RigSpec = {
        ...kept,
        family,
        weightKg: weighted ? Math.max(spec.weightKg, 0.0018) : 0,
        pointRest: rests.includes(spec.pointRest) ? spec.pointRest : rests[0]!,
        ...(guard && guards?.includes(guard) ? { guard } : {}),
        peg: 'pegged',
      }
      return (['standard', 'fine'] as const)
        .flatMap((wire): Instead[] => {
          const best = bestOf(sizesOf(bait, { ...base, wire }, line))
          return best &&
            (!own || RANK[best.verdict] < RANK[own.verdict] || room(best.worst) > room(own.worst))
            ? [{ family, size: best.size, wire, verdict: best.verdict }]
            : []
        })
        .slice(0, 1)
    })
    .sort((a, b) => RANK[a.verdict] - RANK[b.verdict] || alike(a.family) - alike(b.family))
    .slice(0, MOST_OFFERED)
}

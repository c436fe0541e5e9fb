import {
  PARAMETERS,
  SURELY,
  type Difference,
  type RigReport,
  type TestId,
  type UtilityId,
  type Verdict,
} from '#core'
import { ruleText } from './fitWords'
import { lowerFirst, orList } from './sentences'
import { percentText, UNITS, withUnit, type UnitSystem } from './units'

/** What the sheet can judge rigs by. */
export const UTILITY_WORDS: Readonly<Record<UtilityId, string>> = {
  catch: 'fish an hour, lost rigs paid',
  fewestSnags: 'fewest snags',
  surestHook: 'surest hook-up',
  slowestFall: 'slowest fall',
}

/** Over the letters: what is to be done with them. */
export const KIND_WORDS: Readonly<Record<Verdict['kind'], string>> = {
  one: 'tie on',
  alike: 'either',
  group: 'of these',
  open: 'not settled',
  none: 'none',
}

/** What settles it, and where it is done. */
export const TEST_WORDS: Readonly<Partial<Record<TestId, { readonly words: string; readonly to: string }>>> =
  {
    casts: { words: 'twenty casts with each, snags tapped', to: '/bank' },
    bites: { words: 'ten touches, tapped', to: '/bank' },
    drops: { words: 'five drops, timed', to: '/log' },
    weighing: { words: 'the bait weighed', to: '/box' },
  }

export interface VerdictWords {
  readonly first: string
  readonly rest: readonly string[]
  /** tests worth doing, the best first */ readonly settles: readonly {
    readonly words: string
    readonly to: string
    readonly worth: string
  }[]
}

/**
 * The verdict in sentences, in the angler's units.
 * @param reports of the lanes that could be worked out, by letter
 */
export function verdictWords(
  verdict: Verdict,
  reports: ReadonlyMap<string, RigReport>,
  depthM: number,
  system: UnitSystem,
): VerdictWords {
  const { kind, letters, behind, rigs, out, turnsOn, settles } = verdict
  const outs = out.map(one =>
    one.why === 'fit'
      ? `${one.letter} does not fit: ${lowerFirst(ruleText(one.rule, system))}`
      : one.why === 'floats'
        ? `${one.letter} floats: it is fished on top, and is not weighed against what sinks.`
        : `${one.letter} is out: ${lowerFirst(one.message)}`,
  )
  const afloat = out.length > 0 && out.every(({ why }) => why === 'floats')
  if (kind === 'none')
    return {
      first: afloat ? 'None of these sinks: fish them on top.' : 'None of these can be fished as rigged.',
      rest: outs,
      settles: [],
    }
  const lead = letters[0]!
  const others = rigs.map(r => r.letter).filter(l => l !== lead)
  const tests = settles
    .flatMap(({ test, worth }) => {
      const found = TEST_WORDS[test]
      return found ? [{ ...found, worth: amount(worth, verdict.utility.id) }] : []
    })
    .slice(0, 2)
  const not = behind.length > 0 ? `; not ${orList(behind)}` : ''
  const first = {
    one: `Tie on ${lead}${rigs.length > 1 ? `: ${becauseOf(verdict)}` : ''}.`,
    alike: `${orList(letters)}: no difference worth a re-tie${not}.`,
    group: `${orList(letters)}${not}.`,
    open: `Not settled between ${letters.slice(0, -1).join(', ')} and ${letters.at(-1)}.`,
  }[kind]
  const open =
    (kind === 'group' || kind === 'open') && turnsOn ? [`It turns on ${PARAMETERS[turnsOn].words}.`] : []
  const rest =
    kind === 'one'
      ? [
          ...others.slice(0, TOLD).map(other => costs(verdict, reports, lead, other)),
          ...fallsApart(verdict, [lead, ...others], depthM, system),
        ]
      : [...open, ...fallsApart(verdict, letters, depthM, system)]
  const few =
    verdict.effective === undefined
      ? []
      : ['What was logged here is hard to make one of: doubt the figures more than their ranges say.']
  return { first, rest: [...few, ...rest, ...outs], settles: tests }
}

/** Others of which it is told what they give and cost: the nearest. */
const TOLD = 2

function becauseOf({ utility, decidedBy }: Verdict): string {
  if (utility.id === 'fewestSnags') return 'it hangs up least'
  if (utility.id === 'surestHook') return 'it hooks surest'
  if (utility.id === 'slowestFall') return 'it falls slowest'
  if (decidedBy === 'hook-up') return 'it hooks more'
  return decidedBy === 'lost rigs' ? 'it loses fewer rigs' : 'it comes through'
}

/** A worth in the unit of what rigs are judged by; fish are those of an hour. */
function amount(value: number, id: UtilityId): string {
  if (id === 'catch') return `${value.toFixed(Math.abs(value) < 0.095 ? 2 : 1)} fish`
  return id === 'slowestFall' ? `${value.toFixed(1)} s` : percentText(value)
}

/** What a rig that is not tied on would give and cost. */
function costs(
  verdict: Verdict,
  reports: ReadonlyMap<string, RigReport>,
  lead: string,
  other: string,
): string {
  const judged = verdict.rigs.find(r => r.letter === other)!
  const { strike } = reports.get(other)!
  const hook = sureOf(verdict, 'hookUp', other, lead)
  const time = sureOf(verdict, 'minutesLeft', other, lead)
  const hooks = `${other} hooks ${hook > 0 ? 'surer, ' : hook < 0 ? 'less, ' : ''}${percentText(strike.hookUp.value)}`
  const minutes =
    time < 0
      ? `${hook > 0 ? ', for' : ' and costs'} ${Math.round(-differenceOf(verdict, 'minutesLeft', other, lead).value)} min an hour`
      : ''
  return `${hooks}${minutes}: ${amount(judged.expectedLoss, verdict.utility.id)} less.`
}

/** One's less the other's, whichever way round it is told. */
function differenceOf(
  { differences }: Verdict,
  of: Difference['of'],
  one: string,
  other: string,
): { readonly value: number; readonly pGreater: number } {
  const there = differences.find(d => d.of === of && d.one === one && d.other === other)
  if (there) return { value: there.by.value, pGreater: there.pGreater }
  const back = differences.find(d => d.of === of && d.one === other && d.other === one)
  return back ? { value: -back.by.value, pGreater: 1 - back.pGreater } : { value: 0, pGreater: 0.5 }
}

/** 1 where one is surely greater, -1 where it is surely less, 0 where it cannot be told. */
function sureOf(verdict: Verdict, of: Difference['of'], one: string, other: string): -1 | 0 | 1 {
  const { value, pGreater } = differenceOf(verdict, of, one, other)
  return value > 0 && pGreater >= SURELY ? 1 : value < 0 && pGreater <= 1 - SURELY ? -1 : 0
}

/** The slowest against the fastest fall, where that is sure. */
function fallsApart(
  verdict: Verdict,
  letters: readonly string[],
  depthM: number,
  system: UnitSystem,
): string[] {
  const pairs = letters.flatMap(one =>
    letters
      .filter(other => other !== one)
      .map(other => ({ one, other, by: differenceOf(verdict, 'fallS', one, other).value })),
  )
  const widest = pairs.reduce<(typeof pairs)[number] | undefined>(
    (most, p) => (!most || p.by > most.by ? p : most),
    undefined,
  )
  if (!widest || sureOf(verdict, 'fallS', widest.one, widest.other) !== 1) return []
  return [
    `${widest.one} takes ${widest.by.toFixed(1)} s longer than ${widest.other} to ${withUnit(depthM, UNITS[system].depth)}.`,
  ]
}

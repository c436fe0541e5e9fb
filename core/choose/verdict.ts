import { overlaps, type Measure, type Outcome } from '../outcome'
import type { RigReport } from './evaluateRig'

/** A lane as the verdict needs it: its letter and what came of it. */
export interface JudgedLane { readonly letter: string, readonly result: Outcome<RigReport> }

export type VerdictKind = 'pick' | 'close' | 'none'
export type DecidedBy = 'fishing time' | 'hook-up' | 'fit' | 'fall' | 'nothing'

export interface Verdict {
  readonly kind: VerdictKind
  /** letters of the rig picked, or of those too close to call */ readonly letters: readonly string[]
  readonly decidedBy: DecidedBy
  /** plain sentences for the angler */ readonly sentences: readonly string[]
}

type Standing = { readonly letter: string, readonly report: RigReport }

/**
 * Says which rig to tie on and what decided it. Rigs that fail to fit or never sink are out. The rest are compared on the
 * share of an hour's bites they would hook (hook-up times fishing time left); overlapping ranges are never ranked.
 */
export function judgeLanes(lanes: readonly JudgedLane[]): Verdict {
  const out = lanes.flatMap(({ letter, result }) => {
    if (!result.ok) return [`${letter} is out: ${lowerFirst(result.message)}`]
    if (result.value.fit.verdict === 'fail') {
      const rule = result.value.fit.rules.find(r => r.verdict === 'fail')
      return [`${letter} does not fit: ${rule ? lowerFirst(rule.sentence) : ''}`]
    }
    return []
  })
  const standing = lanes.flatMap(({ letter, result }): Standing[] =>
    result.ok && result.value.fit.verdict !== 'fail' ? [{ letter, report: result.value }] : [])
    .sort((a, b) => b.report.takeShare.value - a.report.takeShare.value)
  const [best, ...rest] = standing
  if (!best) {
    return { kind: 'none', letters: [], decidedBy: 'fit', sentences: ['None of these can be fished as rigged.', ...out] }
  }
  const level = rest.filter(other => overlaps(best.report.takeShare, other.report.takeShare))
  if (level.length > 0) return tooClose(best, level, rest, out)
  const [second] = rest
  return {
    kind: 'pick',
    letters: [best.letter],
    decidedBy: second ? decider(best, second) : out.length > 0 ? 'fit' : 'nothing',
    sentences: [`Tie on ${best.letter}: ${reason(best, second)}`, ...rest.map(other => cost(best, other)), ...out],
  }
}

const lowerFirst = (s: string): string => s.charAt(0).toLowerCase() + s.slice(1)
const percent = (m: Measure): string => `${Math.round(100 * m.value)} %`
const minutes = (m: Measure): string => `${Math.round(m.value)} min`
const seconds = (m: Measure): string => `${m.value.toFixed(1)} s`

/** Which of the two factors of the compared share weighs more in the ratio. */
function decider(best: Standing, other: Standing): DecidedBy {
  const ratio = (a: Measure, b: Measure): number => Math.log(Math.max(a.value, 1e-6) / Math.max(b.value, 1e-6))
  const time = ratio(best.report.snag.minutesLeft, other.report.snag.minutesLeft)
  const hook = ratio(best.report.strike.hookUp, other.report.strike.hookUp)
  return time >= hook ? 'fishing time' : 'hook-up'
}

function reason(best: Standing, second: Standing | undefined): string {
  const { snag, strike } = best.report
  if (!second) return `it hooks ${percent(strike.hookUp)} of bites and leaves ${minutes(snag.minutesLeft)} of the hour for fishing.`
  return decider(best, second) === 'fishing time'
    ? `it comes through. ${minutes(snag.minutesLeft)} of the hour are left for fishing, and it hooks ${percent(strike.hookUp)} of bites.`
    : `it hooks ${percent(strike.hookUp)} of bites and leaves ${minutes(snag.minutesLeft)} of the hour for fishing.`
}

/** What another rig would give and cost against the one picked; only differences beyond their ranges are named. */
function cost(best: Standing, { letter, report }: Standing): string {
  const surer = report.strike.hookUp.value > best.report.strike.hookUp.value && !overlaps(report.strike.hookUp, best.report.strike.hookUp)
  const lost = best.report.snag.minutesLeft.value - report.snag.minutesLeft.value
  const costs = !overlaps(report.snag.minutesLeft, best.report.snag.minutesLeft) && lost >= 1
  const hook = surer ? `${letter} hooks surer (${percent(report.strike.hookUp)})` : `${letter} hooks ${percent(report.strike.hookUp)}`
  if (costs) return `${hook} ${surer ? 'but' : 'and'} costs ${Math.round(lost)} minutes an hour to snags and weed.`
  return `${hook} and leaves ${minutes(report.snag.minutesLeft)}.`
}

function tooClose(best: Standing, level: readonly Standing[], rest: readonly Standing[], out: readonly string[]): Verdict {
  const tied = [best, ...level]
  const names = list(tied.map(t => t.letter).sort())
  const byFall = [...tied].sort((a, b) => a.report.fall.timeS.value - b.report.fall.timeS.value)
  const fast = byFall[0]!
  const slow = byFall[byFall.length - 1]!
  const apart = !overlaps(fast.report.fall.timeS, slow.report.fall.timeS)
  const beaten = rest.filter(r => !level.includes(r)).map(other => cost(best, other))
  return {
    kind: 'close',
    letters: tied.map(t => t.letter),
    decidedBy: apart ? 'fall' : 'nothing',
    sentences: [
      `Too close to call between ${names} on bites hooked in an hour.`,
      apart
        ? `Let the fall decide: ${fast.letter} is down in ${seconds(fast.report.fall.timeS)} for fish that chase, ${slow.letter} takes ${seconds(slow.report.fall.timeS)} for fish that want time.`
        : 'Their fall is alike too: take the one you trust.',
      ...beaten,
      ...out,
    ],
  }
}

const list = (words: readonly string[]): string =>
  words.length < 2 ? words.join('') : `${words.slice(0, -1).join(', ')} and ${words[words.length - 1]}`

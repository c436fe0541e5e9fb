import {
  FAMILIES,
  KEEPERS,
  WIRE_GRADES,
  type FamilyId,
  type FitRule,
  type RiggingGuide,
  type RigMark,
  type RuleOf,
  type SizeAnswer,
  type Straightness,
} from '#core'
import { upperFirst } from './sentences'
import { loadText, percentText, smallText, type UnitSystem } from './units'

/** What a rule is called. */
export const RULE_NAMES: Readonly<Record<FitRule['id'], string>> = {
  length: 'hook inside the bait',
  exit: 'point comes out',
  freeTail: 'tail free to swim',
  clearance: 'gap when squeezed',
  pointRest: 'point lies to the back',
  across: 'gap against the bait',
  bunching: 'plastic between the anchors',
  inside: 'head against cavity',
  throat: 'throat of the hook',
  trailing: 'trailing hook',
  trailer: 'length of the trailer',
  wire: 'wire against line',
  keeper: 'bait stays on',
}

/** A rule's value or limit, in the angler's units. */
export const ruleFigure = (value: number, { unit }: Pick<FitRule, 'unit'>, system: UnitSystem): string =>
  unit === 'm'
    ? smallText(value, system)
    : unit === 'N'
      ? loadText(value, system)
      : unit === 'share'
        ? percentText(value)
        : String(Math.round(value))

/** How a rule came out, in a sentence with its figures. */
export function ruleText(rule: FitRule, system: UnitSystem): string {
  const mm = (m: number): string => smallText(m, system)
  const { verdict } = rule
  switch (rule.id) {
    case 'length':
      return verdict === 'pass'
        ? `The bend stands ${mm(rule.value)} behind the nose, inside the bait.`
        : verdict === 'near'
          ? `The bend reaches the very end of the bait: ${mm(rule.value)} of ${mm(rule.baitM)}.`
          : `Too long: the bend stands ${mm(rule.value - rule.baitM)} behind the tail.`
    case 'exit':
      return exitText(rule, system)
    case 'freeTail':
      return verdict === 'pass'
        ? `${percentText(rule.value)} of the bait swims free behind the bend.`
        : verdict === 'near'
          ? `Only ${percentText(rule.value)} of the bait swims free; ${percentText(rule.limit)} is wanted.`
          : `Too long: ${percentText(1 - rule.value)} of the bait cannot swim.`
    case 'clearance':
      return clearanceText(rule, system)
    case 'pointRest':
      return restText(rule, system)
    case 'across':
      return acrossText(rule, system)
    case 'bunching':
      return bunchingText(rule, system)
    case 'inside':
      if (!rule.hollow) return 'This bait is solid there: a head inside needs a hollow body.'
      return verdict === 'pass'
        ? `The head is ${mm(rule.value)} thick and the cavity takes ${mm(rule.limit)}.`
        : verdict === 'near'
          ? `The head is ${mm(rule.value)} thick, and the cavity takes just ${mm(rule.limit)}: wet it and push slowly.`
          : `The head is ${mm(rule.value)} thick; this cavity takes ${mm(rule.limit)}. Take a lighter or denser weight, or a larger tube.`
    case 'throat':
      return verdict === 'pass'
        ? `The point stands ${mm(rule.value)} clear of the back.`
        : verdict === 'near'
          ? `The point stands only ${mm(Math.max(0, rule.value))} clear of the back: thread the bait a little lower.`
          : `Crowded: the back fills the gap${rule.value > 0 ? '' : ` by ${mm(-rule.value)} too much`}. Take a wider gap, or thread the bait lower.`
    case 'trailing':
      return trailingText(rule)
    case 'trailer':
      return verdict === 'pass'
        ? `${mm(rule.value)} of the trailer hang behind the bend.`
        : verdict === 'near'
          ? `${mm(rule.value)} of the trailer hang behind the bend: about as long as it may be.`
          : `The trailer is too long: ${mm(rule.value)} hang behind the bend. Cut ${mm(rule.value - rule.limit)} off its nose.`
    case 'wire':
      return wireText(rule, system)
    case 'keeper':
      return keeperText(rule, system)
  }
}

const PLACES = {
  slot: 'the back slot',
  fifth: 'the first fifth to third',
  thick: 'the thick part',
} as const

function trailingText({
  value,
  verdict,
  wants,
}: Pick<FitRule & { id: 'freeTail' }, 'value' | 'verdict' | 'wants'>): string {
  const back = `The trailing hook ends ${percentText(value)} of the way back`
  if (verdict === 'pass') return `${back}, ahead of the part that swims.`
  if (verdict === 'near') return `${back}, at the edge of what works.`
  return wants === 'atMost' ? `${back} and stiffens the tail.` : `${back}: too far forward for short bites.`
}

function exitText(rule: RuleOf<'exit'>, system: UnitSystem): string {
  if (!rule.comesOut) return 'The bend is too shallow: the point never comes out of the back.'
  const late = rule.wants === 'atMost'
  const place = PLACES[rule.place]
  const where = `Comes out ${smallText(rule.value, system)} from the nose, ${percentText(rule.value / rule.baitM)} of the bait`
  if (rule.verdict === 'pass') return `${where}, in ${place}.`
  return rule.verdict === 'near'
    ? `${where}, at the ${late ? 'rear' : 'front'} edge of ${place}.`
    : `${where}: ${smallText(Math.abs(rule.margin), system)} ${late ? 'behind' : 'in front of'} ${place}.`
}

function clearanceText(rule: RuleOf<'clearance'>, system: UnitSystem): string {
  const clear = smallText(Math.abs(rule.value), system)
  const help = rule.slitHelps ? ' A slit along the belly would give room.' : ''
  if (rule.verdict === 'pass') return `${clear} of gap stand clear when the bait is squeezed.`
  if (rule.verdict === 'near') return `${clear} of gap stand clear when squeezed: just enough for a jaw.`
  return rule.value > 0
    ? `Too shallow: only ${clear} of gap stand clear when squeezed.${help}`
    : `Too shallow: squeezed plastic still fills the gap, ${clear} too much.${help}`
}

function restText(rule: RuleOf<'pointRest'>, system: UnitSystem): string {
  const off = smallText(rule.value, system)
  if (rule.verdict === 'pass') return 'The point lies to the back without bending the bait.'
  const help = rule.pliersHelp ? ' Pliers can bend the hook level.' : ''
  if (rule.verdict === 'near')
    return rule.proud
      ? `The point stands ${off} proud: push the bait up to lay it down.${help}`
      : `The point sits ${off} too deep: the bait is pulled to it.${help}`
  return rule.proud
    ? `Gap too big: the point stands ${off} off the back.${help}`
    : `Gap too small: the point lies ${off} inside the bait.${help}`
}

function acrossText(rule: RuleOf<'across'>, system: UnitSystem): string {
  const gap = smallText(rule.value, system)
  const width = `a bait ${smallText(rule.widthM, system)} wide`
  const wide = rule.wants === 'atMost'
  if (rule.verdict === 'pass') return `A gap of ${gap} suits ${width}.`
  if (rule.verdict === 'near')
    return `A gap of ${gap} is about as ${wide ? 'wide' : 'narrow'} as may be on ${width}.`
  return wide
    ? `Too large: a gap of ${gap} only weighs on ${width}.`
    : `Too small: ${width} hides the point of a gap of ${gap}.`
}

function bunchingText(rule: RuleOf<'bunching'>, system: UnitSystem): string {
  const spare = smallText(Math.abs(rule.spareM), system)
  const much = rule.spareM > 0
  const bowed =
    Math.abs(rule.bowM) > 5e-4
      ? ` The tail stands ${smallText(Math.abs(rule.bowM), system)} ${rule.bowM > 0 ? 'up' : 'down'}.`
      : ''
  if (rule.verdict === 'pass')
    return `The bait lies flat: ${smallText(rule.exitM, system)} of plastic between nose and exit, as the hook asks for.`
  return rule.verdict === 'near'
    ? `${spare} too ${much ? 'much plastic: it bunches a little' : 'little plastic: it is drawn tight'}.${bowed}`
    : `${much ? 'Bunched' : 'Stretched'}: ${spare} too ${much ? 'much' : 'little'} plastic between the anchors.${bowed}`
}

function wireText(rule: RuleOf<'wire'>, system: UnitSystem): string {
  const opens = `the bend opens at ${loadText(rule.value, system)}`
  const drag = loadText(rule.limit, system)
  const first =
    rule.value < rule.lineN ? ` It opens before the line breaks at ${loadText(rule.lineN, system)}.` : ''
  if (rule.verdict === 'pass') return `${upperFirst(opens)}; drag at a third of this line pulls ${drag}.`
  return rule.verdict === 'near'
    ? `${upperFirst(opens)}, close to the ${drag} of drag on this line: ease off or take heavier wire.${first}`
    : `Fine wire: ${opens}, below the ${drag} of drag this line can set.${first}`
}

function keeperText(rule: RuleOf<'keeper'>, system: UnitSystem): string {
  const { name } = KEEPERS[rule.keeper]
  const pull = loadText(rule.pullN, system)
  const casts = rule.value
  const fish = rule.fishPerBait < 1.5 ? 'about one fish' : `about ${Math.round(rule.fishPerBait)} fish`
  if (rule.verdict === 'pass')
    return `Held by its ${name} to ${pull}: ${casts >= 500 ? 'hundreds of' : `some ${casts}`} casts before it slips, ${fish} a bait.`
  return rule.verdict === 'near'
    ? `Held by its ${name} to ${pull}: it slips after some ${casts} hard casts; ${fish} a bait.`
    : `Held by its ${name} to only ${pull}: it slips after ${casts} hard ${casts === 1 ? 'cast' : 'casts'}. Cast softly, glue it, or take another keeper.`
}

/** Which hook size is best, and what else fits where none does. */
export function sizeText({ best, instead }: SizeAnswer, family: FamilyId, system: UnitSystem): string {
  if (best?.verdict === 'pass') return `${best.size} fits best: ${ruleText(best.worst, system)}`
  const offered = instead
    .map(
      i =>
        `${FAMILIES[i.family].name} ${i.size}${i.wire === 'standard' ? '' : `, ${WIRE_GRADES[i.wire].name}`}`,
    )
    .join('; ')
  const way =
    offered === ''
      ? 'Take a bait with more body behind the hook, or a shorter hook of your own measurements.'
      : `Use instead: ${offered}.`
  return best
    ? `${best.size} is nearest: ${ruleText(best.worst, system)} ${way}`
    : `No size of this family fits (${FAMILIES[family].name}). ${way}`
}

/** What a mark along the bait is. */
export const MARK_NAMES: Readonly<Record<RigMark['id'], string>> = {
  eye: 'eye',
  neck: 'out of the chin',
  weight: 'middle of the weight',
  point: 'point',
  exit: 'point comes out',
  bend: 'back of the bend',
}

/** What a rig does when it is crooked. */
export const CROOKED_WORDS: Readonly<Record<NonNullable<Straightness['then']>, string>> = {
  spins: 'spins',
  leans: 'leans over',
}

export interface StepText {
  readonly title: string
  readonly text: string
  /** marks that it is about */ readonly marks: readonly RigMark['id'][]
}

type Step = RiggingGuide['steps'][number]

const say = (title: string, text: string, ...marks: RigMark['id'][]): StepText => ({ title, text, marks })

/** Each step in words. @param mm a short length in the angler's units */
const STEPS: {
  readonly [Id in Step['id']]: (step: Step & { readonly id: Id }, mm: (m: number) => string) => StepText
} = {
  trim: (step, mm) =>
    say('Cut the nose', `Cut ${mm(step.cutM)} off the worn nose, square, away from your hand.`),
  bendLevel: (step, mm) =>
    say(
      'Bend it level',
      Math.abs(step.closedM) < 0.0002
        ? 'This hook lies level as it is: leave the pliers away.'
        : `Wear eye protection. With two pliers, point away from you, ${step.closedM > 0 ? 'close' : 'open'} the gap by ${mm(Math.abs(step.closedM))} in one even bend; never bend it back. Throw a hook away that shows a crack.`,
      'bend',
    ),
  layAlong: (step, mm) =>
    say(
      'Lay it alongside',
      `Lay the hook against the bait with its eye at the nose. Mark the back at ${mm(step.exitM)}: there the point comes out.`,
      'exit',
    ),
  slit: (step, mm) =>
    say(
      'Slit the belly',
      `Slit the belly along the seam under the gap. Stop well short of the back: leave a skin of ${mm(step.skinM)} or more.`,
      'bend',
    ),
  wetHead: () =>
    say(
      'Wet the head',
      'Wet head and hook. Push them up inside the body from the open end, eye to the back.',
    ),
  pierceEye: (step, mm) =>
    say(
      'Pierce the eye',
      `Press the eye out through the back ${mm(step.atM)} from the nose, dead centre.`,
      'eye',
    ),
  hookOnce: (step, mm) =>
    say(
      'Hook it',
      `Pass the point once through, dead centre, ${mm(step.atM)} from the nose. A ring there saves baits.`,
      'eye',
    ),
  seatWeight: () =>
    say('Seat the weight', 'Push the weight in along the middle until only its end shows.', 'weight'),
  enterNose: () =>
    say(
      'Enter the nose',
      'Put the point in dead centre of the nose and thread the bait along the shank, keeping to the middle.',
    ),
  bringOut: (step, mm) =>
    say(
      'Bring it out',
      step.exitM === undefined
        ? 'Bring the point out on the back.'
        : `Bring the point out at the mark, ${mm(step.exitM)}, on the seam of the back.`,
      'exit',
    ),
  seat: step =>
    say(
      'Seat it',
      `Slide the bait up until the nose is square on the head and the ${KEEPERS[step.keeper].name} holds it.`,
    ),
  hangTrailing: (step, mm) =>
    say(
      'Hang the trailing hook',
      `Lay the trailing hook along the back, its bend ${mm(step.bendM)} from the nose.`,
    ),
  screwOn: () =>
    say(
      'Screw it on',
      'Set the centring pin dead centre in the nose and turn the bait on until the nose meets the ring.',
    ),
  enterChin: (step, mm) =>
    say(
      'Enter the nose',
      `Put the point in dead centre of the nose. Push ${mm(step.neckM)} in and come out of the chin, on the seam.`,
      'neck',
    ),
  turnHook: () =>
    say(
      'Turn the hook',
      'Draw it through to the neck and turn the hook over, so that the point faces the belly.',
    ),
  comeOut: (step, mm) =>
    say(
      'Come out on the back',
      `Push the bait ${mm(step.pushM)} toward the nose, so that it lies flat over the bend. Go in at the belly and come out at the mark, ${mm(step.exitM)}, on the seam of the back.`,
      'exit',
    ),
  restPoint: (step, mm) =>
    say(
      'Rest the point',
      step.coverM === 0
        ? 'Let the point lie flush in the slot or along the back.'
        : `Push the back up over the point: ${mm(step.coverM)} of plastic over it.`,
      'point',
    ),
  closeJoint: () =>
    say('Close the joint', 'Clip the weight on. The joint must swing freely upward: no plastic in it.'),
  setWeight: (step, mm) =>
    say(
      'Set the weight',
      step.apartM === undefined
        ? 'Leave the weight free on the line, with no peg.'
        : `Weight and hook ${mm(step.apartM)} apart.`,
    ),
  pin: () =>
    say(
      'Pin the bait',
      'Push a peg through the bait inside the bend, so that it cannot slide down; trim it flush.',
      'bend',
    ),
  checkStraight: (step, mm) =>
    say(
      'Check that it is straight',
      step.withinM === undefined || step.then === undefined
        ? 'Sight along it from nose to tail. Hang it by the line: it must hang straight.'
        : `Sight along it from nose to tail. More than ${mm(step.withinM)} off at the tail and it ${CROOKED_WORDS[step.then]}: take it off and start again.`,
    ),
}

/** A step of the rigging in words. */
export const stepText = (step: Step, system: UnitSystem): StepText =>
  (STEPS[step.id] as (step: Step, mm: (m: number) => string) => StepText)(step, m => smallText(m, system))

/** What goes wrong, in a sentence. */
export function faultText(fault: RiggingGuide['wrong'][number], system: UnitSystem): string {
  switch (fault.id) {
    case 'besideSeam':
      return 'In or out beside the seam: the bait lies crooked and turns.'
    case 'crooked':
      return `Crooked by ${smallText(fault.withinM, system)} or more at the tail: it ${CROOKED_WORDS[fault.then]}${fault.then === 'spins' ? ' and twists the line' : ''}.`
    case 'tooFarAlong':
      return 'Too far along the shank: the bait bunches behind the head and the tail stiffens.'
    case 'tooLittle':
      return 'Too little plastic between nose and exit: the bait is drawn into a bow.'
    case 'tooMuch':
      return 'Too much: it bunches, and the point stands off the back.'
    case 'tooDeep':
      return 'Point buried deeper than you think: it never comes clear.'
  }
}

/** What keeps a rig in order. */
export const CARE_WORDS: Readonly<Record<RiggingGuide['care'][number], string>> = {
  apart: 'Store this elastomer apart from plastisol baits: together they melt.',
  stretch: 'Stretch it once or twice before the first cast.',
  noElastomer: 'Do not mix with elastomer baits in one box: they melt together.',
  layBack: 'Lay the point back in its place after every bite and every few casts.',
  glue: 'Glue: keep it off skin and out of eyes, in moving air, and let it set before the bait is packed. It does not hold on oily plastic: wipe the nose dry.',
  change: 'Change the bait when the nose no longer holds, or cut the nose back and rig it again.',
}

import { assemblyOf, BAIT_FORMS, FAMILIES, KEEPERS, PLASTICS, type RiggingGuide } from '#core'
import type { Lane, SpreadContent } from '#schemas/spread'
import type { BenchLook } from '~/compute/bench'
import { shapePath, type Plane } from '~/ui/drawing/plane'
import { faultText, MARK_NAMES, ruleText, stepText } from '#words/fitWords'
import { KNOT_WORDS, threadText } from '#words/tyingWords'
import { smallText, weightText, type UnitSystem } from '#words/units'

export interface CardOf {
  readonly look: Extract<BenchLook, { kind: 'rig' }>
  readonly guide: RiggingGuide
  readonly lane: Lane
  readonly bait: SpreadContent['bait']
  readonly system: UnitSystem
}

/** Width of a card, mm: a sheet of A4 less its margins. */
const WIDTH_MM = 190
/** Left free at either side of the drawing, mm. */
const EDGE_MM = 4
/** Where the rig is drawn from, mm from the upper edge. */
const RIG_FROM_MM = 30
const CAUTION =
  'Hooks and blades cut: eyewear, fingers out of the line of the point, cut away from the hand. Lead: wash hands. Local rules on hooks, barbs and lead come first.'
/** Length of the bar that shows whether the print is true, mm, and what it says. */
const SCALE_BAR = {
  metric: { mm: 50, words: '50 mm' },
  mixed: { mm: 50, words: '50 mm' },
  imperial: { mm: 50.8, words: '2 inches' },
} as const

const escape = (text: string): string =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;')

/** Gathers the parts of a drawing, sizes in millimetres. */
function pen() {
  const out: string[] = []
  const text = (x: number, y: number, size: number, words: string, more = ''): void =>
    void out.push(
      `<text x="${x.toFixed(2)}" y="${y.toFixed(2)}" font-size="${size}" ${more}>${escape(words)}</text>`,
    )
  /** Lines one under another. @returns where the next would stand */
  const lines = (x: number, from: number, size: number, step: number, parts: readonly string[]): number => {
    parts.forEach((part, i) => text(x, from + i * step, size, part))
    return from + parts.length * step
  }
  return { out, text, lines }
}
type Pen = ReturnType<typeof pen>

/**
 * A rig's card as a vector drawing in millimetres: bait and hook at true size (smaller, and said so, where they
 * are longer than the sheet) with their marks, a scale bar,
 * the steps, and cautions. One unit of its coordinates is one millimetre, and so its width and height say.
 */
export function cardSvg(card: CardOf): string {
  const [left, bottom, right, top] = card.look.drawing.bounds.map(b => b * 1000) as [
    number,
    number,
    number,
    number,
  ]
  // what is longer than the sheet is drawn smaller, and the card says so
  const scale = Math.min(1, (WIDTH_MM - 2 * EDGE_MM) / (right - left))
  const plane: Plane = {
    perM: 1000 * scale,
    x0: (WIDTH_MM - scale * (right + left)) / 2,
    y0: RIG_FROM_MM + scale * top,
  }
  const sheet = pen()
  writeHead(sheet, card)
  const under = RIG_FROM_MM + scale * (top - bottom) + 6
  const barY = drawRig(sheet, card, plane, under)
  const height = Math.ceil(writeSteps(sheet, card, scale, barY + 11) + 2)
  return `<svg xmlns="http://www.w3.org/2000/svg" width="${WIDTH_MM}mm" height="${height}mm" viewBox="0 0 ${WIDTH_MM} ${height}" font-family="sans-serif" fill="#14323a">${sheet.out.join('')}</svg>`
}

function writeHead({ text }: Pen, { look, lane, bait, system }: CardOf): void {
  const weight = lane.weightKg > 0 ? `, ${weightText(lane.weightKg, system)}` : ''
  text(0, 7, 6, `${FAMILIES[lane.family].name}, ${lane.hookSize}${weight}`, 'font-weight="700"')
  text(
    0,
    13,
    3.6,
    `${BAIT_FORMS[bait.form].name}, ${smallText(bait.lengthM, system)}, ${PLASTICS[bait.material].name}; held by ${KEEPERS[look.fit.holding.keeper].name}`,
  )
}

/** The rig with its marks and the bar that shows the scale. @returns the upper edge of the bar, mm */
function drawRig({ out, text }: Pen, { look, guide, system }: CardOf, plane: Plane, under: number): number {
  for (const s of look.drawing.shapes) {
    const fill = s.kind === 'body' || s.kind === 'tail' ? '#efe7d2' : s.kind === 'weight' ? '#8a9599' : 'none'
    const stroke = s.kind === 'wire' || s.kind === 'eye' ? '#14323a' : '#6b5a35'
    out.push(
      `<path d="${shapePath(s, plane)}" fill="${fill}" stroke="${stroke}" stroke-width="${((s.strokeM ?? 0.00025) * plane.perM).toFixed(2)}" stroke-linejoin="round" stroke-linecap="round"${s.hidden ? ' stroke-dasharray="1.5 1"' : ''}/>`,
    )
  }
  out.push(
    `<line data-part="bait-length" x1="${plane.x0}" x2="${(plane.x0 + look.dims.lengthM * plane.perM).toFixed(3)}" y1="${under}" y2="${under}" stroke="#14323a" stroke-width="0.3"/>`,
  )
  guide.marks.forEach((mark, i) => {
    const x = plane.x0 + mark.atM * plane.perM
    const y = under + 5 + 4.5 * i
    out.push(
      `<line data-mark="${mark.id}" x1="${x.toFixed(3)}" x2="${x.toFixed(3)}" y1="${(RIG_FROM_MM - 3).toFixed(1)}" y2="${y.toFixed(1)}" stroke="#b93c18" stroke-width="0.25"/>`,
    )
    text(x + 1, y, 3.4, `${MARK_NAMES[mark.id]} ${smallText(mark.atM, system)}`)
  })
  const bar = SCALE_BAR[system]
  const barY = under + 10 + 4.5 * guide.marks.length
  out.push(
    `<rect data-part="scale-bar" x="0" y="${barY.toFixed(1)}" width="${bar.mm}" height="2" fill="#14323a"/>`,
  )
  const check = `This bar is ${bar.words} long. If not, print at 100 % without fitting to the page.`
  text(bar.mm + 2, barY + 2, 3.2, check)
  return barY
}

/** What does not fit, the steps, and cautions. @returns where they end, mm */
function writeSteps(
  { text, lines }: Pen,
  { look, guide, lane, system }: CardOf,
  scale: number,
  from: number,
): number {
  let y = from
  if (scale < 1) {
    const small = `Drawn at ${Math.round(100 * scale)} % of true size, so that it goes on the sheet: measure by the figures.`
    y = lines(0, y, 3.6, 4.8, [small]) + 1
  }
  const unfit = look.fit.rules.find(r => r.verdict === 'fail')
  if (unfit) y = lines(0, y, 3.8, 5, wrapped(`This does not fit. ${ruleText(unfit, system)}`, 100)) + 1
  guide.steps.forEach((one, i) => {
    const step = stepText(one, system)
    text(0, y, 3.8, `${i + 1}. ${step.title}`, 'font-weight="700"')
    y = lines(62, y, 3.6, 4.8, wrapped(step.text, 70)) + 1
  })
  const { parts, knots } = assemblyOf(lane)
  const tied = `${threadText(parts, system)} Knot: ${KNOT_WORDS[knots[0]!].name}.`
  y = lines(0, y, 3.6, 4.8, wrapped(tied, 100)) + 1
  const mind = `Mind: ${guide.wrong.map(w => faultText(w, system)).join(' ')}`
  y = lines(0, y, 3.2, 4.2, wrapped(mind, 108))
  return lines(0, y, 3.2, 4.2, wrapped(CAUTION, 108))
}

/** Words in lines of at most so many letters. */
function wrapped(words: string, most: number): string[] {
  const lines: string[] = ['']
  for (const word of words.split(' ')) {
    const last = lines.length - 1
    if (lines[last]!.length + word.length > most) lines.push(word)
    else lines[last] = `${lines[last]} ${word}`.trim()
  }
  return lines
}

/** Hands a text to the browser as a file to keep. */
export function saveText(name: string, text: string, type: string): void {
  const link = document.createElement('a')
  link.href = URL.createObjectURL(new Blob([text], { type }))
  link.download = name
  link.click()
  URL.revokeObjectURL(link.href)
}

import { readFileSync } from 'node:fs'
import { FAMILIES, FAMILY_IDS, type FamilyId } from '../../core/index'
import { LETTERS } from '../../shared/schemas/ranges'
import type { SpreadContent } from '../../shared/schemas/spread'
import { DEMO_SPREADS } from '../../demo/spreads'
import { expect, follow, test, type Sheet } from './support'

/** Waits until all that follows from the rig stands: the page is laid out anew with it. */
const stands = ({ page }: Sheet): Promise<void> =>
  expect(page.getByRole('region', { name: 'Rigging' })).toHaveAttribute('aria-busy', 'false')
async function openBench(sheet: Sheet, path = '/bench'): Promise<void> {
  await sheet.page.goto(sheet.app.url + path)
  await stands(sheet)
}
const rule = ({ page }: Sheet, name: string) =>
  page.getByRole('region', { name: 'Fit rules' }).getByRole('listitem').filter({ hasText: name })
const figure = async (sheet: Sheet, name: string): Promise<number> =>
  Number((await rule(sheet, name).locator('b').innerText()).replace(/[^\d.-]/g, ''))
const lane = (family: FamilyId, letter: (typeof LETTERS)[number]): SpreadContent['lanes'][number] => {
  const { weighted, pointRests } = FAMILIES[family]
  return {
    letter,
    family,
    hookSize: '2/0',
    weightKg: weighted ? 0.005 : 0,
    weightMaterial: 'lead',
    pointRest: pointRests[0]!,
  }
}

test('a hook too long fails in words and numbers; the right size is found and taken, and can be taken back', async ({
  sheet,
  page,
}) => {
  await openBench(sheet)
  await page.getByRole('group', { name: 'Sizes of this family' }).getByRole('button', { name: '7/0' }).click()
  await expect(rule(sheet, 'tail free to swim')).toContainText(/cannot swim/)
  await page.getByRole('button', { name: /Find my size/ }).click()
  await expect(page.getByRole('button', { name: 'This is my size' })).toBeVisible()
  await expect(rule(sheet, 'tail free to swim')).toContainText(/swims free/)
  await page.keyboard.press('Control+z')
  await expect(rule(sheet, 'tail free to swim')).toContainText(/cannot swim/)
})

test('small baits: a usual hook is too long, and a small one is found and taken', async ({ sheet, page }) => {
  await openBench(sheet)
  await page.getByRole('button', { name: /^B/ }).click()
  await sheet.type('length', '60')
  await expect(rule(sheet, 'tail free to swim')).toContainText(/cannot swim/)
  await page.getByRole('button', { name: /Find my size/ }).click()
  await expect(rule(sheet, 'tail free to swim')).toContainText(/swims free/)
  await expect(page.getByRole('slider', { name: 'hook size' })).toHaveAttribute(
    'aria-valuetext',
    /size (6|4|2|1|1\/0)$/,
  )
})

test('handles: the exit, the weight and the size are moved by key and by hand, and the rules follow', async ({
  sheet,
  page,
}) => {
  await openBench(sheet)
  const exit = page.getByRole('slider', { name: 'where the point is brought out' })
  await expect(rule(sheet, 'plastic between the anchors')).toContainText('lies flat')
  await exit.focus()
  await exit.press('Shift+ArrowRight')
  await expect(rule(sheet, 'plastic between the anchors')).toContainText(/Bunched/)
  await page.getByRole('button', { name: /back in their usual places/ }).click()
  await expect(rule(sheet, 'plastic between the anchors')).toContainText('lies flat')

  const size = page.getByRole('slider', { name: 'hook size' })
  const pull = async (px: number): Promise<void> => {
    // the drawing stands still, and nothing lies over the handle
    await stands(sheet)
    await size.hover()
    const box = (await size.boundingBox())!
    await page.mouse.down()
    await page.mouse.move(box.x + box.width / 2 + px, box.y + box.height / 2, { steps: 6 })
  }
  await pull(100)
  await page.mouse.up()
  await expect(size).toHaveAttribute('aria-valuetext', /size [5-9]\/0/)
  await page.keyboard.press('Control+z')
  await expect(size).toHaveAttribute('aria-valuetext', 'size 4/0')

  // pulled past what the bait can carry, it stays in the hand and says why; let go there, it can be undone
  await pull(600)
  await expect(page.getByText(/hook is longer than the bait/)).toBeVisible()
  await expect(size).toBeVisible()
  await page.mouse.up()
  await expect(size).toBeHidden()
  await page.keyboard.press('Control+z')
  await expect(size).toHaveAttribute('aria-valuetext', 'size 4/0')

  const weight = page.getByRole('slider', { name: 'weight along the bait' })
  const before = Number(/[\d.]+/.exec((await weight.getAttribute('aria-valuetext'))!)![0])
  await weight.focus()
  await weight.press('Shift+ArrowLeft')
  await expect
    .poll(async () => Number(/[\d.]+/.exec((await weight.getAttribute('aria-valuetext'))!)![0]))
    .toBeLessThan(before - 3)
})

test('options bear on the fit: a slit, a deep gap, fine wire, a guard', async ({ sheet, page }) => {
  await openBench(sheet)
  await sheet.choose('bait', 'deep paddle-tail shad')
  await sheet.type('length', '120')
  await page.getByRole('group', { name: 'Sizes of this family' }).getByRole('button', { name: '6/0' }).click()
  await expect(rule(sheet, 'gap when squeezed')).toContainText(/Too shallow/)
  const shallow = await figure(sheet, 'gap when squeezed')
  await page.getByLabel('slit the belly').check()
  await expect.poll(() => figure(sheet, 'gap when squeezed')).toBeGreaterThan(shallow + 3)
  await expect(rule(sheet, 'gap when squeezed')).not.toContainText(/Too shallow/)
  await page.getByLabel('slit the belly').uncheck()
  await sheet.choose('gap', 'deep belly')
  await expect(rule(sheet, 'gap when squeezed')).not.toContainText(/Too shallow/)
  await sheet.choose('wire', 'fine wire')
  await sheet.type('line strength', '50')
  await expect(rule(sheet, 'wire against line')).toContainText(/opens before the line breaks/)
})

test('the way of the point is drawn where the words say it comes out; each size tells its push; a key names the lines', async ({
  sheet,
  page,
}) => {
  await openBench(sheet)
  const way = page.locator('[data-part=hole] .way')
  const ruler = async (mm: string): Promise<number> =>
    Number(await page.locator('.ruler text', { hasText: new RegExp(`^${mm}( mm)?$`) }).getAttribute('x'))
  const said = Number(
    /comes out at (\d+) mm/.exec((await page.locator('.dim .big').first().textContent())!)![1],
  )
  const perMm = ((await ruler('50')) - (await ruler('0'))) / 50
  const drawn = (Number(await way.getAttribute('x1')) - (await ruler('0'))) / perMm
  expect(Math.abs(drawn - said)).toBeLessThanOrEqual(0.5)
  const pushed = /push ([\d.]+) mm/.exec((await page.locator('.dim .big').first().textContent())!)![1]!
  await expect(page.locator('.rung[aria-pressed=true] .push')).toHaveText(pushed)
  const key = page.getByRole('list', { name: 'Lines of the drawing' })
  await expect(key.getByText('way of the point through the bait')).toBeVisible()
  await page.getByRole('button', { name: /ball jig head/ }).click()
  await expect(way).toHaveCount(0)
  await expect(key.getByText('way of the point through the bait')).toHaveCount(0)
  await expect(page.locator('.rung .push')).toHaveCount(0)
})

test('the card measures true: millimetres in the drawing are those of the bait, and the bar is fifty', async ({
  sheet,
  page,
}) => {
  await openBench(sheet)
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Card as SVG' }).click(),
  ])
  const svg = readFileSync(await download.path(), 'utf8')
  const [, width, height] = /width="([\d.]+)mm" height="([\d.]+)mm"/.exec(svg)!
  expect(svg).toContain(`viewBox="0 0 ${width} ${height}"`)
  const bar = /data-part="scale-bar"[^>]*width="([\d.]+)"/.exec(svg)!
  expect(Number(bar[1])).toBe(50)
  const [, x1, x2] = /data-part="bait-length" x1="([\d.]+)" x2="([\d.]+)"/.exec(svg)!
  expect(Number(x2) - Number(x1)).toBeCloseTo(90, 3)
  const exit = /data-mark="exit" x1="([\d.]+)"/.exec(svg)!
  expect(Math.round(Number(exit[1]) - Number(x1))).toBe(await figure(sheet, 'point comes out'))
  // and as the page prints it: a PDF of the card alone, its drawing 190 mm wide
  await page.evaluate(() => document.body.classList.add('printing-card'))
  await page.emulateMedia({ media: 'print' })
  const printed = await page.locator('.print-card svg').evaluate(node => node.getBoundingClientRect().width)
  expect((printed * 25.4) / 96).toBeCloseTo(190, 1)
  await expect(page.getByRole('main')).toBeHidden()
})

test('the screen is calibrated against a card, and true size follows it', async ({ sheet, page }) => {
  await openBench(sheet)
  await page.getByRole('button', { name: 'Calibrate the screen' }).click()
  await sheet.slide(page.getByRole('slider', { name: 'Pixels per millimetre' }), 5)
  await page.getByRole('button', { name: /It matches/ }).click()
  await page.getByLabel('true size on this screen').check()
  await page.getByLabel('calipers').check()
  const ticks = page.locator('.ruler text')
  const at = async (label: string): Promise<number> =>
    Number(await ticks.filter({ hasText: new RegExp(`^${label}$`) }).getAttribute('x'))
  expect((await at('60')) - (await at('20'))).toBeCloseTo(200, 1)
  const jaw = page.getByRole('slider', { name: 'right jaw of the calipers' })
  const [text] = /[\d.]+/.exec((await jaw.getAttribute('aria-valuetext'))!)!
  await jaw.focus()
  await jaw.press('Shift+ArrowRight')
  await expect(jaw).toHaveAttribute('aria-valuetext', `${(Number(text) + 5).toFixed(1)} mm`)
})

/** From the tank to another saved spread, and on to its bench. */
async function fromTank(sheet: Sheet, name: string): Promise<void> {
  await sheet.page.getByRole('button', { name: 'Spreads' }).click()
  await sheet.page.getByRole('dialog').getByRole('button', { name, exact: true }).click()
  await expect(sheet.page.getByLabel('Name of this spread')).toHaveValue(name)
  await follow(sheet.page, 'Bench')
  await stands(sheet)
}

test('every family is built on the bench, fitted, drawn, and opened in spread and tank', async ({
  sheet,
  page,
}) => {
  const groups = [
    FAMILY_IDS.filter(id => !FAMILIES[id].hollowOnly),
    FAMILY_IDS.filter(id => FAMILIES[id].hollowOnly),
  ]
  const sets = groups.flatMap(ids =>
    Array.from({ length: Math.ceil(ids.length / 5) }, (_, i) => ids.slice(5 * i, 5 * i + 5)),
  )
  expect(sets.flat().length).toBe(FAMILY_IDS.length)
  for (const set of sets) {
    const hollow = FAMILIES[set[0]!].hollowOnly === true
    const content: SpreadContent = {
      ...structuredClone(DEMO_SPREADS[0]!.content),
      bait: { form: hollow ? 'tube' : 'slimShad', lengthM: hollow ? 0.1 : 0.09, material: 'plain' },
      lanes: set.map((family, i) => lane(family, LETTERS[i]!)),
    }
    const name = `walk ${set.join(' ')}`
    const made = await page.request.post(`${sheet.app.url}/api/spreads`, { data: { name, content } })
    expect(made.status()).toBe(201)
    const { id } = (await made.json()) as { id: string }
    if (set === sets[0]) await openBench(sheet, `/bench/${id}`)
    else await fromTank(sheet, name)
    for (const [i, family] of set.entries()) {
      await page
        .getByRole('region', { name: 'Rig on the bench' })
        .getByRole('button', { name: new RegExp(`^${LETTERS[i]}`) })
        .click()
      await expect(
        page.getByRole('group', { name: new RegExp(`^${FAMILIES[family].name}, hook 2/0, from the side`) }),
        family,
      ).toBeVisible()
      expect(
        await page.getByRole('region', { name: 'Fit rules' }).getByRole('listitem').count(),
        family,
      ).toBeGreaterThanOrEqual(3)
    }
    await page.getByRole('link', { name: 'Spread', exact: true }).click()
    await sheet.settled()
    for (const letter of LETTERS.slice(0, set.length))
      expect(await sheet.figure(letter, 'fall'), set.join()).toBeGreaterThan(0.5)
    await page.getByRole('link', { name: 'Tank', exact: true }).click()
    await expect(page.locator('td:first-child b')).toHaveCount(set.length)
  }
})

test('the bench is accessible, and says what cannot be built', async ({ sheet, page }) => {
  await openBench(sheet)
  const water = page.getByRole('region', { name: 'In the water' })
  for (const [how, lies] of [
    ['falling', /\d° nose down/],
    ['drawn along slowly', /level|\d° nose/],
    ['on the bottom', /lies, point up, highest part \d+ mm up/],
  ] as const)
    await expect(water.getByRole('img', { name: new RegExp(`^${how}: `) })).toHaveAccessibleName(lies)
  await sheet.accessible()
  await sheet.type('length', '40')
  await expect(page.getByRole('alert')).toContainText(/longer than the bait/)
})

test('tying: what is threaded, each knot step by step, and its strength by what broke on the scale', async ({
  sheet,
  page,
}) => {
  await page.goto(`${sheet.app.url}/bench`)
  await expect(page.locator('.thread')).toContainText('line from the rod')
  await page.getByRole('button', { name: 'How to tie it' }).click()
  const dialog = page.getByRole('dialog', { name: 'Tying' })
  await expect(dialog.getByRole('region', { name: 'doubled snug knot' }).getByRole('img')).toHaveCount(4)
  const strength = dialog.getByRole('region', { name: 'Strength' })
  await expect(strength).toContainText('typical, assumed')
  await dialog.getByLabel('it broke at').fill('8')
  await dialog.getByLabel('it broke at').press('Tab')
  await dialog.getByRole('button', { name: 'Add' }).click()
  await expect(strength).toContainText('by your breaks')
  const moved = Number(/(\d+) %/.exec(await strength.innerText())![1])
  expect(moved).toBeLessThan(88)
  await sheet.accessible()
  await dialog.getByRole('button', { name: 'sliding stop' }).click()
  await expect(dialog.getByRole('region', { name: 'sliding stop' })).toContainText('inside the bend')
  await dialog.getByRole('button', { name: 'doubled snug knot' }).click()
  await dialog.getByRole('button', { name: /^Take out the break/ }).click()
  await expect(strength).toContainText('typical, assumed')
})

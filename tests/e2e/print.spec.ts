import { getDocumentProxy } from 'unpdf'
import { expect, fewerBaits, test } from './support'

fewerBaits()
const MM = 72 / 25.4
interface Words {
  readonly page: number
  readonly text: string
  /** from the sheet's left and upper edges, mm */ readonly x: number
  readonly y: number
  readonly right: number
}
const SHEETS = [
  ['A4', 210, 297],
  ['Letter', 215.9, 279.4],
] as const

/** Everything that is written on a printed sheet, and where. */
async function printed(pdf: Buffer): Promise<{ readonly pages: number; readonly words: readonly Words[] }> {
  const file = await getDocumentProxy(new Uint8Array(pdf))
  const words: Words[] = []
  for (let n = 1; n <= file.numPages; n++) {
    const page = await file.getPage(n)
    const height = page.view[3]!
    for (const item of (await page.getTextContent()).items) {
      if (!('str' in item) || item.str.trim() === '') continue
      const [x, y] = [item.transform[4] as number, item.transform[5] as number]
      words.push({
        page: n,
        text: item.str.trim(),
        x: x / MM,
        y: (height - y) / MM,
        right: (x + item.width) / MM,
      })
    }
  }
  return { pages: file.numPages, words }
}

test('the rigging card is printed true, within half a millimetre, and whole, on A4 and Letter', async ({
  sheet,
  page,
}) => {
  await page.goto(`${sheet.app.url}/bench`)
  await expect(page.getByRole('region', { name: 'Fit rules' })).toBeVisible()
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')))
  const card = page.locator('.print-card svg')
  // where the drawing itself has its marks and steps, mm
  const drawn = await card.evaluate(svg =>
    [...svg.querySelectorAll('text')].map(t => ({
      text: t.textContent!.trim(),
      x: Number(t.getAttribute('x')),
      y: Number(t.getAttribute('y')),
    })),
  )
  const at = (
    list: readonly { text: string; x: number; y: number }[],
    text: string,
  ): { x: number; y: number } => {
    const found = list.find(w => w.text.startsWith(text))
    if (!found) throw new Error(`not printed: ${text}`)
    return found
  }
  for (const [format, widthMm, heightMm] of SHEETS) {
    const { pages, words } = await printed(await page.pdf({ format, margin: { left: '10mm', top: '10mm' } }))
    expect(pages, format).toBe(1)
    for (const w of words) {
      expect(w.x > 0 && w.right < widthMm, `${format}: ${w.text}`).toBe(true)
      expect(w.y > 0 && w.y < heightMm, `${format}: ${w.text}`).toBe(true)
    }
    const [from, ...others] = ['This bar is', 'back of the bend', 'point comes out', '1.', 'Mind:']
    for (const other of others)
      for (const axis of ['x', 'y'] as const) {
        const asDrawn = at(drawn, other)[axis] - at(drawn, from!)[axis]
        const onPaper = at(words, other)[axis] - at(words, from!)[axis]
        expect(Math.abs(onPaper - asDrawn), `${format}: ${other} ${axis}`).toBeLessThan(0.5)
      }
  }
})

test('a trip is printed whole on A4 and Letter, by day whatever the theme, with its cards and changes', async ({
  sheet,
  page,
}) => {
  await page.goto(`${sheet.app.url}/rods`)
  await expect(page.getByRole('heading', { name: 'When to change' })).toBeVisible()
  await sheet.choose('theme', 'dusk')
  await page.evaluate(() => window.dispatchEvent(new Event('beforeprint')))
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'day')
  for (const [format, widthMm, heightMm] of SHEETS) {
    const { pages, words } = await printed(await page.pdf({ format }))
    expect(pages, format).toBeLessThanOrEqual(2)
    for (const w of words) {
      expect(w.x > 0 && w.right < widthMm + 0.5, `${format}: ${w.text}`).toBe(true)
      expect(w.y > 0 && w.y < heightMm, `${format}: ${w.text}`).toBe(true)
    }
    const all = words.map(w => w.text).join(' ')
    for (const wanted of ['Trip,', 'When to change', 'Which weight in how much water', 'Pack', 'Local rules'])
      expect(all, format).toContain(wanted)
  }
  await page.evaluate(() => window.dispatchEvent(new Event('afterprint')))
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'dusk')
})

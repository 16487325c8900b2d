import { expect, test, type Page } from '@playwright/test'
import { violations } from './axe'

/* Every kind of part that an engine has, at every size that a bench has: no panel wider than the screen, none with more than twelve fields, none that axe
 * has a word against. All of them, and axe at every size, in npm run long. */

const ALL = process.env['JOURNEYS'] === 'all'
const engines = ALL ? ['tractor', 'sidecar', 'tourer', 'launch', 'locomotive', 'fire-pump'] : ['tourer']
const sizes = [
  [1280, 800],
  [820, 1180],
  [390, 844],
  [844, 390],
] as const

/** The parts of an engine as its list names them, by their addresses: one of each kind, or all. */
async function partsOf(page: Page): Promise<string[]> {
  await page.locator('details.part-list > summary').click()
  const keys = await page
    .locator('.part-line')
    .evaluateAll((lines) => lines.map((line) => line.getAttribute('data-part') ?? ''))
  await page.locator('details.part-list > summary').click()
  return ALL ? keys : [...new Map(keys.map((key) => [key.split(':')[0], key])).values()]
}

for (const engine of engines)
  for (const [width, height] of sizes)
    test(`panels of the ${engine} at ${width}x${height}`, async ({ page }) => {
      if (ALL) test.setTimeout(900_000)
      await page.setViewportSize({ width, height })
      await page.goto(`/demo/engine/${engine}`)
      await expect(page.getByText('What can be answered now')).toBeVisible()
      const keys = await partsOf(page)
      expect(keys.length).toBeGreaterThan(8)
      for (const key of keys) {
        await page.goto(`/demo/engine/${engine}?part=${encodeURIComponent(key)}`)
        const panel = page.getByRole('region', { name: 'Part', exact: true })
        await expect(panel).toBeVisible()
        // Choices that are radios count once; which drawing is shown is no field.
        const fields = page.locator(
          'main :is(input:not([type=radio]), select, textarea, [role=radiogroup]:not(.engine-views)):visible',
        )
        expect(await fields.count(), key).toBeLessThanOrEqual(12)
        expect(await page.evaluate(() => document.documentElement.scrollWidth), key).toBeLessThanOrEqual(width)
        const screens = width >= 1280 ? 2 : width === 390 ? 3 : undefined
        if (screens && engine === 'tourer')
          expect(await page.evaluate(() => document.documentElement.scrollHeight), key).toBeLessThanOrEqual(
            screens * height,
          )
        if (ALL || width === 1280) expect(await violations(page), key).toEqual([])
      }
    })

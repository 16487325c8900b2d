import { expect, test, type Page } from '@playwright/test'
import { TouchHand } from './actor'
import { sayPulled, startTicks } from './beginEngine'
import { goToStep } from './byMarks/steps'

/* Every shape that an engine can begin with, built by touch on a phone to the first count that it gives: between the marks of a loop, or of two gears. All of them in
 * npm run long. */

const shapes: readonly (readonly [drive: string, layout: string, cylinders: string])[] = [
  ['one chain, one camshaft', 'in line', '2'],
  ['a chain to each bank', 'in a V', '4'],
  ['crank and camshaft gears, pushrods', 'in line', '4'],
  ...(process.env['JOURNEYS'] === 'all'
    ? ([
        ['one chain, two camshafts', 'in line', '4'],
        ['one belt, two camshafts', 'in line', '4'],
        ['a chain to each camshaft', 'in line', '4'],
        ['two chains over an intermediate shaft', 'in line', '4'],
        ['one chain, camshaft and pump', 'in line', '4'],
        ['one belt, camshaft and pump', 'in line', '4'],
        ['one belt, camshaft and intermediate shaft', 'in line', '4'],
        ['a gear, then a chain', 'in line', '1'],
        ['gears only', 'in line', '1'],
        ['a shaft and bevels', 'in line', '1'],
        ['idler gears, a chain to each bank', 'in a V', '8'],
        ['a belt to each bank', 'in a V', '6'],
        ['one belt, four camshafts', 'in a V', '6'],
        ['gears, then quills to each bank', 'in a V', '12'],
        ['a chain, then splined shafts to each bank', 'in a V', '12'],
        ['gears to a cam ring', 'in a star', '7'],
      ] as const)
    : []),
]

/** Teeth that go with a wheel's name: half speed from the crank to a camshaft, whatever stands between. */
const teethOf = (name: string) =>
  /crank/i.test(name) ? '20' : /cam|exhaust|inlet|half-speed/i.test(name) ? '40' : '30'

const partKeys = (page: Page, kind: string) =>
  page
    .locator(`.part-line[data-part^="${kind}:"]`)
    .evaluateAll((lines) =>
      lines.map((line) => [line.getAttribute('data-part') ?? '', line.querySelector('strong')?.textContent ?? '']),
    )

/** Opens the panel of a part by the list of all of them. */
async function openPart(page: Page, key: string, name: string) {
  const list = page.locator('details.part-list')
  const panel = page.getByRole('region', { name: 'Part', exact: true })
  // It is put away once a part was chosen, which may be under way still.
  await expect(async () => {
    if ((await list.getAttribute('open')) === null) await list.locator('summary').tap()
    await list.locator(`[data-part="${key}"]`).tap({ timeout: 1000 })
    await expect(panel.getByRole('heading', { name, exact: true })).toBeVisible({ timeout: 1000 })
  }).toPass({ timeout: 60_000 })
}

test.describe('by touch, to its first count', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  for (const [drive, layout, cylinders] of shapes)
    test(drive, async ({ page }) => {
      const actor = new TouchHand(page)
      await page.goto('/own')
      await actor.press('New engine')
      await actor.write('What you call it', 'Stand')
      await actor.choose('Cylinders stand', layout)
      await actor.choose('How many', cylinders)
      await actor.choose('Camshafts are driven by', drive)
      await sayPulled(actor)
      await actor.press('Begin its build sheet')
      await expect(page.getByText('What can be answered now')).toBeVisible()
      for (const [key = '', name = ''] of await partKeys(page, 'wheel')) {
        await openPart(page, key, name)
        const teeth = page.getByLabel(`Teeth, ${name.charAt(0).toLowerCase()}${name.slice(1)}`, { exact: true })
        if ((await teeth.count()) === 0) continue
        await teeth.fill(teethOf(name))
        await page.keyboard.press('Tab')
      }
      const counts = await partKeys(page, 'counts')
      for (const [key = '', name = ''] of counts) {
        await openPart(page, key, name)
        await page
          .getByLabel(/^From .* mark/)
          .first()
          .fill('12')
        await page.keyboard.press('Tab')
      }
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
      await actor.press('Start a job')
      await actor.press(/^Begin: /)
      await startTicks(page)
      await goToStep(actor, /^As found/)
      if (counts.length > 0) {
        await actor.open('Count the tight run')
        await actor.press('First no, last yes')
        const section = page.getByLabel('Counting')
        // The first stretch is the one that the book has.
        if ((await section.count()) > 0) await section.selectOption({ index: 0 })
        const counter = page.getByRole('button', { name: /counted\. Touch for each/ })
        for (let i = 0; i < 3; i++) await counter.tap()
        await actor.press(/^At .*: 3$/)
        await expect(page.getByRole('button', { name: 'Strike it and count again' })).toBeVisible()
      } else {
        await actor.open(/^Teeth between marks/)
        await actor.write(/^Teeth between the mark of/, '1')
        await actor.press('Write it down')
        await expect(page.getByText(/tooth between the marks|This count cannot tell|1 tooth/).first()).toBeVisible()
      }
    })
})

import { readFileSync } from 'node:fs'
import { expect, test, type Locator, type Page } from '@playwright/test'
import { MouseHand } from './actor'
import { violations } from './axe'
import { beginEngine, startSafely } from './beginEngine'

/** In npm run long each step is gone to as well, everything in it unfolded. */
const ALL = process.env['JOURNEYS'] === 'all'
const demo = JSON.parse(readFileSync(new URL('../app/demo/workshop.json', import.meta.url), 'utf8')) as {
  readonly jobs: readonly { readonly id: string }[]
}
const demoJobIds = demo.jobs.map(({ id }) => id)

const fitsPhone = async (page: Page, where: string) =>
  expect.soft(await page.evaluate(() => document.documentElement.scrollWidth), where).toBeLessThanOrEqual(390)

const COUNT = '/demo/job/job-tractor-3'
const counter = (page: Page) => page.getByRole('button', { name: /counted\. Touch for each/ })

async function countAgain(page: Page) {
  await page.goto(COUNT)
  await page.getByRole('button', { name: 'Moved it: count again' }).click()
  await expect(counter(page)).toBeVisible()
}

/** Whether a part is seen whole above the guard. */
async function clearOfGuard(page: Page, part: Locator) {
  const guard = await page.getByLabel('Guard', { exact: true }).boundingBox()
  const box = await part.boundingBox()
  return (box?.y ?? Infinity) + (box?.height ?? 0) <= (guard?.y ?? 0)
}

test('on a phone what is counted is written down above the guard', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await countAgain(page)
  await counter(page).click()
  expect(await clearOfGuard(page, page.getByRole('button', { name: /^At the crank mark/ }))).toBe(true)
})

test('on a phone the step after a long one begins at its title, and is read out', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await page.goto('/demo/job/job-launch-1')
  await page.getByRole('button', { name: /^Go on/ }).click()
  const title = page.getByRole('heading', { name: 'Set the spark' })
  await expect(title).toBeFocused()
  await expect(title).toBeInViewport()
})

test('at 1280 by 800 an answer just earned stands above the guard', async ({ page }) => {
  await countAgain(page)
  for (let i = 0; i < 29; i++) await counter(page).click()
  await page.getByRole('button', { name: 'At the crank mark: 29' }).click()
  const answer = page.locator('.move').first()
  await expect(answer).toBeVisible()
  await expect.poll(() => clearOfGuard(page, answer)).toBe(true)
})

for (const [what, width, height] of [
  ['a phone lying on its side', 844, 390],
  ['twice the size on a desk', 640, 400],
] as const)
  test(`${what} keeps most of the screen for the step`, async ({ page }) => {
    await page.setViewportSize({ width, height })
    await countAgain(page)
    const guard = await page.getByLabel('Guard', { exact: true }).boundingBox()
    expect(guard?.height ?? height).toBeLessThanOrEqual(height / 5)
    await counter(page).scrollIntoViewIfNeeded()
    expect((await counter(page).boundingBox())?.height ?? height).toBeLessThanOrEqual(height / 2)
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(width)
    expect(await violations(page)).toEqual([])
  })

test('bench mode counts from nothing, takes one back, and lets nobody out by Tab', async ({ page }) => {
  await countAgain(page)
  await page.getByRole('button', { name: 'Bench mode' }).click()
  const bench = page.getByRole('dialog', { name: 'Bench mode' })
  await expect(bench.getByRole('button', { name: /^0 counted/ })).toBeFocused()
  await page.keyboard.press('Space')
  await page.keyboard.press('Space')
  await page.keyboard.press('Backspace')
  await bench.getByRole('button', { name: /^1 counted/ }).click()
  await bench.getByRole('button', { name: 'Take one back' }).click()
  await expect(bench.getByRole('button', { name: /^1 counted/ })).toBeVisible()
  for (let i = 0; i < 7; i++) {
    await page.keyboard.press('Tab')
    expect(await page.evaluate(() => document.activeElement?.closest('[role="dialog"]') !== null)).toBe(true)
  }
  expect(await violations(page)).toEqual([])
  await page.keyboard.press('Escape')
  await expect(bench).toBeHidden()
  await expect(page.getByRole('button', { name: /^1 counted/ })).toBeVisible()
})

test('with the system’s own colours what is chosen is outlined', async ({ page }) => {
  await page.emulateMedia({ forcedColors: 'active' })
  await page.goto(COUNT)
  const chosen = page.locator('.mantine-SegmentedControl-label[data-active]').filter({ visible: true }).first()
  await expect(chosen).toBeVisible()
  expect(await chosen.evaluate((label) => getComputedStyle(label).outlineStyle)).toBe('solid')
  const other = page.locator('.mantine-SegmentedControl-label:not([data-active])').filter({ visible: true }).first()
  expect(await other.evaluate((label) => getComputedStyle(label).outlineStyle)).toBe('none')
})

test('a name without a space, as long as a name may be, widens no screen of a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  const actor = new MouseHand(page)
  const name = 'Steamwinchandcapstaninthelowerforwardhold'.padEnd(60, 'x')
  await beginEngine(actor, { name, cylinders: '1', drive: 'one chain, one camshaft', meet: 'no, free-running' })
  const fits = (where: string) => fitsPhone(page, where)
  await fits('build sheet')
  await startSafely(actor)
  await fits('bench')
  await page.goto('/own')
  await expect(page.getByText(name).first()).toBeVisible()
  await fits('workshop')
})

test('no job of the demo is wider than a phone, its steps unfolded', async ({ page }) => {
  const folded = page.getByText(/^Step \d+ of \d+/)
  const steps = page.locator('.sheet-step').filter({ visible: true })
  await page.setViewportSize({ width: 390, height: 844 })
  for (const id of demoJobIds) {
    await page.goto(`/demo/job/${id}`)
    await folded.click()
    await expect(steps.first()).toBeVisible()
    await fitsPhone(page, id)
    if (!ALL) continue
    const count = await steps.count()
    for (let i = 0; i < count; i++) {
      if (i > 0) await folded.click()
      await steps.nth(i).click()
      await expect(page.getByText(`Step ${i + 1} of ${count}`)).toBeVisible()
      await page.locator('.step-panel').evaluateAll((panels) => {
        for (const fold of panels.flatMap((panel) => [...panel.querySelectorAll('details')])) fold.open = true
      })
      await fitsPhone(page, `${id}, step ${i + 1}`)
    }
  }
})

import { expect, test } from '@playwright/test'
import { KeyHand, MouseHand, TouchHand, type Actor } from './actor'
import {
  chainOffAndOn,
  enterEngine,
  findZero,
  makeSafeAndLash,
  proveAndClose,
  startJob,
  whichAndAsFound,
} from './retimeJourney'

async function retime(actor: Actor) {
  await enterEngine(actor)
  await startJob(actor)
  await makeSafeAndLash(actor)
  await findZero(actor)
  await whichAndAsFound(actor)
  await chainOffAndOn(actor)
  await proveAndClose(actor)
}

/* By the mouse it is done in parts by the other journeys. */
test('an engine is entered and taken through every step to a card entirely by keyboard, the card on one page', async ({
  page,
}) => {
  // Each field is gone to by Tab, past everything between: on a busy machine that takes its time.
  test.setTimeout(480_000)
  await retime(new KeyHand(page))
  const pdf = await page.pdf({ preferCSSPageSize: true, printBackground: true })
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page[^s]/g)).toHaveLength(1)
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  // In npm run long: what a touch does is what a click does, and every screen is looked at for its width by itself.
  if (process.env['JOURNEYS'] === 'all')
    test('the same by touch, and nothing is wider than the screen', async ({ page }) => {
      await retime(new TouchHand(page))
      expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    })
  test('any step and the ledger are reached from the folded list, each by a touch wide enough', async ({ page }) => {
    await page.goto('/demo/job/job-tourer-1')
    await page.getByText(/^Step 16 of 16/).tap()
    const step = page.getByRole('button', { name: /As found: inlet/ }).filter({ visible: true })
    expect((await step.boundingBox())?.height).toBeGreaterThanOrEqual(48)
    await step.tap()
    await expect(page.getByText(/^Step 6 of 16/)).toBeVisible()
    await expect(page.getByRole('heading', { name: 'As found: inlet camshaft' })).toBeVisible()
    await expect(step).toBeHidden()
    await page.getByText(/^Step 6 of 16/).tap()
    await page.getByRole('button', { name: 'Ledger' }).filter({ visible: true }).tap()
    await expect(page.getByRole('dialog', { name: 'Ledger' })).toBeVisible()
  })
})

test('the page is closed in the middle of a count and comes back to the same place', async ({ page, context }) => {
  const actor = new MouseHand(page)
  await enterEngine(actor)
  await startJob(actor)
  await makeSafeAndLash(actor)
  await findZero(actor)
  await actor.press(/It stands there/)
  await actor.press('Air pushed past')
  await actor.press(/^Go on/)
  await actor.write('The degree wheel reads', '11')
  await actor.press('Write it down')
  await actor.open('Count the tight run')
  await actor.press('First no, last yes')
  await actor.count(12)
  const address = page.url()
  await page.close()

  const again = new MouseHand(await context.newPage())
  await again.page.goto(address)
  await expect(again.page.getByRole('heading', { name: 'As found' })).toBeVisible()
  await again.open('Count the tight run')
  await expect(again.page.getByRole('button', { name: /^12 counted/ })).toBeVisible()
  // The workshop says the same.
  await again.page.goto('/')
  await expect(again.page).toHaveURL(/\/own$/)
  await expect(again.page.getByText('As found', { exact: true })).toBeVisible()
})

import { expect, test, type Page } from '@playwright/test'
import { MouseHand, TouchHand, type Actor } from './actor'
import { allWritten } from './allWritten'
import { violations } from './axe'
import { beginFor, startTicks } from './beginEngine'
import { figures, goToStep, newEngine } from './byMarks/steps'
import { inLong } from './inLong'

const panel = (page: Page) => page.locator('.step-panel').filter({ visible: true }).first()

/** A job that came for clearances alone, made safe; bolts are tightened at its card. */
async function beginClearances(actor: Actor) {
  const { page } = actor
  await beginFor(actor, 'Valve clearances')
  await startTicks(page)
}

/** Bolts put on the build sheet: their panel comes once they are written. */
async function putOn(actor: Actor, address: string, of: string) {
  await actor.page.goto(`${address}?part=bolts:`)
  await actor.press(of)
  await expect(actor.page.getByLabel('To this torque', { exact: true })).toBeVisible()
}

/** Bolts as they are put on the build sheet: of what, and what each is tightened to. */
async function layBolts(actor: Actor, address: string, of: string, stages: readonly (readonly [string, string])[]) {
  const { page } = actor
  await putOn(actor, address, of)
  for (const [label, text] of stages) {
    if (label.startsWith('Then')) await actor.open('One stage more')
    await figures(actor, [[label, text]])
    await allWritten(page)
  }
}

/** A box ticked: it is so once it was written. */
async function ticked(page: Page, name: string) {
  await page.getByRole('checkbox', { name, exact: true }).click()
  await expect(page.getByRole('checkbox', { name, exact: true })).toBeChecked()
}

/** The next ones tightened, one after the other, by the button. */
async function tighten(actor: Actor, n: number) {
  const figure = panel(actor.page).locator('.bolt-figure')
  for (let i = 0; i < n; i++) {
    const before = await figure.innerText()
    await actor.press(/ (is tight so|is turned)$/)
    await expect(figure).not.toHaveText(before)
  }
}

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

  /* Ten in two rows from the middle out: 5 6 3 8 4 7 1 10 2 9 in order, or its mirror; three times round. The page is closed at the fifth of the angle stage. */
  test('a cap of ten in two stages and an angle, the page closed at its fifth bolt of the angle stage', async ({
    page,
  }) => {
    const actor = new TouchHand(page)
    await newEngine(actor, 'Pilot cutter', [
      ['Cylinders stand', 'in line'],
      ['How many', '2'],
    ])
    await allWritten(page)
    const address = new URL(page.url()).pathname
    await putOn(actor, address, 'Of cam caps')
    await actor.write('To this torque', '11')
    await page.keyboard.press('Enter')
    await expect(page.getByText(/Which unit is that\?/)).toBeVisible()
    await actor.press('11 N·m')
    await expect(page.getByRole('textbox', { name: 'Stage 1, torque' })).toHaveValue('11 N·m')
    await actor.open('One stage more')
    await figures(actor, [['Then to this torque', '15 ft-lb']])
    await expect(page.getByRole('textbox', { name: 'Stage 2, torque' })).toHaveValue('15 ft-lb')
    await figures(actor, [['Then so many degrees further', '90°']])
    await expect(page.getByRole('textbox', { name: 'Stage 3, degrees further' })).toHaveValue('90°')
    await allWritten(page)
    expect(await violations(page)).toEqual([])

    await page.goto(address)
    await beginClearances(actor)
    await goToStep(actor, /^Card/)
    await actor.open(/^Cap bolts/)
    await actor.press('Begin tightening')
    await expect(panel(page)).toContainText('Stage 1 of 3, 1 of 10')
    await expect(page.getByLabel('Guard', { exact: true })).toContainText('Do not turn')
    await actor.open('The wrench in hand')
    await actor.choose('It reads in', 'ft-lb')
    await tighten(actor, 10)
    await expect(panel(page)).toContainText('Stage 2 of 3, 1 of 10')
    await expect(panel(page)).toContainText('15.0 ft-lb')
    await tighten(actor, 10)
    await expect(panel(page)).toContainText('90° further')
    await tighten(actor, 4)
    await expect(panel(page)).toContainText('Stage 3 of 3, 5 of 10')
    expect(await violations(page)).toEqual([])
    await allWritten(page)

    await page.reload()
    await expect(panel(page)).toContainText('Stage 3 of 3, 5 of 10')
    await expect(panel(page)).toContainText('look at its paint line')
    await actor.press(/its paint line has not moved$/)
    await expect(panel(page)).not.toContainText('You were interrupted')
    await tighten(actor, 5)
    await actor.press(/ is turned$/)
    await expect(panel(page)).toContainText('All 10 cap bolts are through every stage.')
    await expect(page.getByLabel('Guard', { exact: true })).not.toContainText('Do not turn')
    await page.getByRole('link', { name: 'Look at the card' }).click()
    await expect(page.locator('main')).toContainText('10, to 11.0 N·m, 20.3 N·m (15 ft-lb), 90° further')
  })
})

/* Three stretch bolts of a star of six: oil, new each time; one is touched twice at its angle. */
inLong('a flywheel in a star with stretch bolts and oil, one turned twice and started afresh', async ({ page }) => {
  const actor = new MouseHand(page)
  await newEngine(actor, 'Sawbench engine', [
    ['Cylinders stand', 'in line'],
    ['How many', '1'],
  ])
  await allWritten(page)
  const address = new URL(page.url()).pathname
  await layBolts(actor, address, 'Of the flywheel', [
    ['To this torque', '30 N·m'],
    ['Then so many degrees further', '60°'],
  ])
  await actor.open('Their threads')
  await ticked(page, 'Stretch bolts')
  await ticked(page, 'On the thread: oil')
  await ticked(page, 'On the thread: thread-locker')
  await allWritten(page)
  await page.goto(address)
  await beginClearances(actor)
  await goToStep(actor, /^Card/)
  await actor.open(/^Flywheel bolts/)
  await expect(panel(page)).toContainText('on an oiled thread it does not hold')
  await expect(page.getByRole('button', { name: 'Begin tightening' })).toBeDisabled()
  await page.getByText('Used bolts', { exact: true }).click()
  await actor.press('Begin tightening')
  await expect(panel(page)).toContainText('they stretch once')
  await actor.open('Loosen')
  await actor.press('They are loosened')
  await page.getByText('New bolts', { exact: true }).click()
  await actor.press('Begin tightening')
  await expect(panel(page)).not.toContainText('they stretch once')
  // Space goes on where no field or button has it.
  await page.locator('.bolt-figure').click()
  const figure = panel(page).locator('.bolt-figure')
  for (let i = 0; i < 6; i++) {
    const before = await figure.innerText()
    await page.keyboard.press('Space')
    await expect(figure).not.toHaveText(before)
  }
  await expect(panel(page)).toContainText('60° further')
  await tighten(actor, 2)
  await page.getByRole('button', { name: /^1\. to be tightened/ }).click()
  await actor.press('It was turned again')
  await expect(panel(page)).toContainText('One was turned through its angle twice')
  await page.getByRole('button', { name: /^1\. to be tightened/ }).click()
  await actor.press('Slackened, afresh')
  await expect(panel(page)).not.toContainText('One was turned through its angle twice')
  await expect(panel(page)).toContainText('Stage 1 of 2, 1 of 6')
  await tighten(actor, 5)
  await actor.press(/ is turned$/)
  await expect(panel(page)).toContainText('All 6 flywheel bolts are through every stage.')
})

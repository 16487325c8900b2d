import { expect } from '@playwright/test'
import { MouseHand } from './actor'
import { allWritten } from './allWritten'
import { violations } from './axe'
import { newEngine } from './byMarks/steps'
import { inLong } from './inLong'

/* Stopped at 10:05, written at 10:07; the page is closed at 10:12 and opened again at 10:40. */
inLong('a wait over a closed page asks for a second clock; after an alarm no time ends it', async ({ page }) => {
  const context = page.context()
  const actor = new MouseHand(page)
  await page.clock.install({ time: new Date(2026, 10, 28, 10, 0) })
  await newEngine(actor, 'Pilot launch', [
    ['Cylinders stand', 'in line'],
    ['How many', '2'],
  ])
  await allWritten(page)
  await actor.press('Start a job')
  await expect(page.getByRole('heading', { name: 'What is it here for?' })).toBeVisible()
  await actor.press(/^Begin: /)
  await expect(page.getByRole('heading', { name: 'Make safe' })).toBeVisible()
  await page.clock.fastForward('07:00')
  await actor.open(/^A wait before something is opened/)
  await expect(page.getByRole('button', { name: 'Begin the wait' })).toBeDisabled()
  await page.getByText('No alarm rang', { exact: true }).click()
  await actor.write('The engine stopped at', '23:50')
  await actor.press('Begin the wait')
  await expect(page.getByText('That time has still to come today. Was it yesterday?')).toBeVisible()
  await actor.write('The engine stopped at', '10:05')
  await actor.press('Begin the wait')
  const wait = page.getByRole('group', { name: 'A wait' })
  await expect(wait).toContainText('Do not open the crankcase.')
  await expect(wait).toContainText(/1[78]:\d\d to go/)
  expect(await violations(page)).toEqual([])
  await allWritten(page)
  const job = page.url()

  // It is shown on every page.
  await page.goto('/own')
  await expect(page.getByRole('link', { name: /min Pilot launch: do not open the crankcase/ })).toBeVisible()
  await page.close()

  const later = await context.newPage()
  await later.clock.install({ time: new Date(2026, 10, 28, 10, 40) })
  await later.goto(job)
  const again = later.getByRole('group', { name: 'A wait' })
  await expect(again).toContainText('The page was closed meanwhile. Is it past 10:25 by your watch?')
  await again.getByRole('button', { name: 'It is past 10:25 by my watch' }).click()
  await expect(again).toHaveCount(0)

  const hand = new MouseHand(later)
  await hand.open(/^A wait before something is opened/)
  await later.getByText('An alarm rang', { exact: true }).click()
  await hand.write('The engine stopped at', '8:00')
  await hand.press('Begin the wait')
  await expect(again).toContainText('no time ends this wait')
  await expect(again.getByRole('button', { name: 'It is over by that rule' })).toBeDisabled()
  await hand.write('The maker’s rule', 'two hours, and the surveyor looks first')
  await hand.write('By whose word, as a role', 'surveyor')
  await hand.write('Where it stands: book and page', 'engine manual, page 31')
  await hand.press('It is over by that rule')
  await expect(again).toHaveCount(0)
})

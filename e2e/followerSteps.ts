import { expect, type Page } from '@playwright/test'
import type { Actor } from './actor'
import { allWritten } from './allWritten'
import { startTicks } from './beginEngine'
import { goOn } from './byMarks/steps'
import { zeroAtFive } from './zeroAtFive'

/* What journeys of fuel and spark are made of. */

export const panel = (page: Page) => page.locator('.step-panel').filter({ visible: true }).first()

/** A job that came for pump or spark alone, its zero found and proved. */
export async function begin(actor: Actor, purpose: 'Pump timing' | 'Spark timing', zero = zeroAtFive) {
  const { page } = actor
  await actor.press('Start a job')
  await expect(page.getByRole('heading', { name: 'What is it here for?' })).toBeVisible()
  await page.getByText(purpose, { exact: true }).click()
  await expect(page.getByRole('radio', { name: new RegExp(`^${purpose}`) })).toBeChecked()
  await actor.press(/^Begin: /)
  await startTicks(page)
  await goOn(actor)
  await zero(actor)
  await goOn(actor)
  await actor.press(/It stands there/)
  await actor.press('Air pushed past')
  await actor.press('Both shut, lash felt')
  await goOn(actor)
}

/** Come to as it runs, and the needle of a dial pressed in. */
export async function comeToAsItRuns(actor: Actor) {
  const asItRuns = panel(actor.page).getByRole('radiogroup', { name: 'It was come to' })
  await asItRuns.getByText('Come to as it runs', { exact: true }).click()
  const pressedIn = panel(actor.page).getByLabel('At 0 the needle is pressed in by')
  if ((await pressedIn.isVisible()) && (await pressedIn.inputValue()) === '') await pressedIn.fill('2 mm')
}

/** A figure read, and written. */
export async function read(actor: Actor, text: string, label: RegExp) {
  await actor.write(label, text)
  await comeToAsItRuns(actor)
  await actor.press('Write the reading down')
  await expect(panel(actor.page).getByLabel(label)).toHaveValue('')
  await allWritten(actor.page)
}

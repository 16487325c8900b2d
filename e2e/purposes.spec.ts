import { expect, test } from '@playwright/test'
import { MouseHand } from './actor'
import { violations } from './axe'
import { figures, goOn, guard, newEngine, sign } from './byMarks/steps'
import { startTicks } from './beginEngine'

test('tension only: made safe, tightened, turned twice, and a card that tells so', async ({ page }) => {
  const actor = new MouseHand(page)
  await newEngine(actor, 'Winch', [])
  await figures(actor, [
    ['Teeth, crank sprocket', '17'],
    ['Teeth, cam sprocket', '34'],
  ])
  await actor.press('Start a job')
  await expect(page.getByRole('radio', { name: /^The whole of it/ })).toBeChecked()
  await page.getByText('Tension only', { exact: true }).click()
  await expect(page.getByRole('radio', { name: /^Tension only/ })).toBeChecked()
  expect(await violations(page)).toEqual([])
  await actor.write('Why it is here', 'slaps on the guide')
  await actor.press(/^Begin: /)
  await startTicks(page)
  for (const name of [/^Lash as found/, /^True TDC/, /^Set the cam/])
    await expect(page.getByRole('button', { name })).toHaveCount(0)
  await goOn(actor)
  await actor.press('Tensioner is fitted, seated, held back')
  await actor.press(/^Released/)
  await actor.press(/^Pushed the run/)
  await goOn(actor)
  await expect(guard(actor)).toContainText('May be turned')
  await actor.press('One full turn done')
  await actor.press('One full turn done')
  await expect(guard(actor)).toContainText('May be turned')
  const card = await sign(actor)
  await expect(card).toContainText('Tension only')
  await expect(card).toContainText('slaps on the guide')
})

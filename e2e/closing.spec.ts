import { expect } from '@playwright/test'
import { MouseHand } from './actor'
import { allWritten } from './allWritten'
import { violations } from './axe'
import { beginFor, startTicks } from './beginEngine'
import { goToStep, newEngine } from './byMarks/steps'
import { inLong } from './inLong'

/* Looked at only: a clip that is never put back, a tensioner left so on purpose; closed with its fuel bled and a leak owed. */
inLong(
  'looked at, closed and first run: what is renewed with what, what is left so and why, and what is owed',
  async ({ page }) => {
    const actor = new MouseHand(page)
    await newEngine(actor, 'Winch boat', [
      ['Cylinders stand', 'in line'],
      ['How many', '2'],
    ])
    await allWritten(page)
    await beginFor(actor, 'Look only')
    await startTicks(page)
    await goToStep(actor, /^Look it over/)
    const of = (name: string) => page.getByRole('group', { name, exact: true })
    await of('Chain').getByRole('button', { name: 'cracked across' }).click()
    await of('Chain').getByRole('combobox').selectOption({ label: 'renew as a set' })
    await expect(of('Chain')).toContainText('cracked across: renew as a set, with tensioner, sprocket or pulley, guide')
    await of('Tensioner').getByRole('button', { name: 'far out' }).click()
    await of('Tensioner').getByRole('combobox').selectOption({ label: 'left on purpose' })
    await expect(of('Tensioner').getByRole('button', { name: 'It is left so' })).toBeDisabled()
    await actor.write('Why it is left so, tensioner', 'goes with the chain in spring')
    await actor.press('It is left so')
    await expect(of('Tensioner')).toContainText('far out: left on purpose: goes with the chain in spring')
    await actor.open(/^Something else looked at/)
    await actor.write('Which one', 'of the idler')
    await actor.press('Look at it')
    await expect(of('Clip of the idler')).toContainText('never put back, whatever it looks like')
    await of('Clip of the idler').getByRole('button', { name: 'cracked', exact: true }).click()
    await of('Clip of the idler').getByRole('combobox').selectOption({ label: 'renew now' })
    await expect(of('Clip of the idler')).toContainText('cracked: renew now')
    expect(await violations(page)).toEqual([])

    await goToStep(actor, /^Card/)
    await actor.open(/^Closing and first run/)
    await page.getByLabel('What was read or seen: Oil pressure comes up').fill('3.5 bar hot')
    await of('Oil pressure comes up').getByRole('button', { name: 'Done' }).click()
    await expect(of('Oil pressure comes up')).toContainText('done, 3.5 bar hot')
    await of('No leaks').getByRole('button', { name: 'Owed' }).click()
    await expect(of('No leaks')).toContainText('owed')
    expect(await violations(page)).toEqual([])
    await page.getByRole('link', { name: 'Look at the card' }).click()
    const card = page.locator('main')
    await expect(card).toContainText('Clip of the idler, looked at')
    await expect(card).toContainText('goes with the chain in spring')
    await expect(card).toContainText('Oil pressure comes up (3.5 bar hot)')
    await expect(card).toContainText('No leaks')
  },
)

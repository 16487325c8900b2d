import { expect, type Page } from '@playwright/test'
import type { Actor } from './actor'

/** How it is said that the crank stands where it should: by the crank's own mark while no zero is known. */
export const AT_ITS_PLACE = /^(It stands at the timing position|The .* is at .*)$/

/** Of two camshafts on one chain or belt: the inlet's is the last before the crank. */
export async function sayPulled(actor: Actor) {
  const name = 'The pulled run goes to the crank from the'
  if ((await actor.page.getByRole('radiogroup', { name }).count()) > 0)
    await actor.pick(
      name,
      (await actor.page.getByText('fuel camshaft', { exact: true }).count()) > 0 ? 'fuel camshaft' : 'inlet camshaft',
    )
}

/** A build sheet begun by hand: an engine in line with so many cylinders, driven by a shape, its running direction and whether it can hit. */
export async function beginEngine(
  actor: Actor,
  {
    name,
    cylinders,
    drive,
    meet,
    at = '',
  }: { name: string; cylinders: string; drive: string; meet: string; at?: string },
) {
  await actor.page.goto(`${at}/own`)
  await actor.press('New engine')
  await actor.write('What you call it', name)
  await actor.choose('Cylinders stand', 'in line')
  await actor.choose('How many', cylinders)
  await actor.choose('Camshafts are driven by', drive)
  await sayPulled(actor)
  await actor.press('Begin its build sheet')
  await expect(actor.page.getByRole('heading', { name })).toBeVisible()
  await actor.choose('The crank runs, seen from the timing side', 'clockwise')
  await actor.choose('Can valves and pistons meet?', meet)
}

/** A job started, everything that makes it safe ticked. */
export async function startSafely(actor: Actor) {
  await actor.press('Start a job')
  await actor.press(/^Begin: /)
  await startTicks(actor.page)
}

/** Everything that makes a begun job safe, ticked. */
export async function startTicks(page: Page) {
  await expect(page.getByRole('heading', { name: 'Make safe' })).toBeVisible()
  for (const tick of await page.getByRole('checkbox').all()) await tick.click()
}

/** A job begun for one purpose; its first step is there. */
export async function beginFor(actor: Actor, purpose: string) {
  const { page } = actor
  await actor.press('Start a job')
  await expect(page.getByRole('heading', { name: 'What is it here for?' })).toBeVisible()
  await page.getByText(purpose, { exact: true }).click()
  await expect(page.getByRole('radio', { name: new RegExp(`^${purpose}`) })).toBeChecked()
  await actor.press(/^Begin: /)
  await expect(page.getByRole('heading', { name: 'Make safe' })).toBeVisible()
}

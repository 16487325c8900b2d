import { expect, test, type Page } from '@playwright/test'
import { readFile } from 'node:fs/promises'
import { MouseHand } from './actor'
import { allWritten } from './allWritten'
import { violations } from './axe'

const dialog = (page: Page) => page.getByRole('dialog')
const guard = (page: Page) => page.getByLabel('Guard', { exact: true })

async function saveEngine(page: Page): Promise<{ name: string; mimeType: string; buffer: Buffer }> {
  const saved = page.waitForEvent('download')
  await dialog(page).getByRole('button', { name: 'Save this engine to a file' }).click()
  const download = await saved
  return {
    name: download.suggestedFilename(),
    mimeType: 'application/json',
    buffer: await readFile(await download.path()),
  }
}

test('a job is said otherwise, put away, done once more, deleted and had back; what it alone said is then not known', async ({
  page,
}) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/engine/tractor')
  await actor.press('Change job 3')
  expect(await violations(page)).toEqual([])
  await actor.write('Why it is here', 'rattled at idle')
  await page.keyboard.press('Tab')
  await actor.press('Put it away')
  await actor.press('Close')
  await actor.open('Jobs put away')
  await expect(page.getByText('rattled at idle')).toBeVisible()
  await actor.press('Change job 3')
  await actor.press('Another job like it')
  await expect(page.getByLabel('Why it is here')).toHaveValue('rattled at idle')
  await actor.press(/^Begin: /)
  await expect(page.getByRole('heading', { name: 'Make safe' })).toBeVisible()
  // Nothing that was read in the first one is in it.
  await expect(page.getByText('nothing read yet').or(page.getByRole('checkbox', { checked: true }))).toHaveCount(0)
  await allWritten(page)
  await page.goto('/demo/engine/tractor')
  await actor.open('Jobs put away')
  await actor.press('Change job 3')
  await actor.press('Delete it')
  await expect(dialog(page)).toContainText('the guard holds the engine until somebody says what is on it')
  await actor.press('Delete job 3')
  await expect(page.getByText('job 3 is deleted')).toBeVisible()
  await expect(page.getByRole('button', { name: 'Change job 3' })).toHaveCount(0)
  await page.getByRole('link', { name: 'Go on, job 4' }).click()
  await expect(guard(page)).toContainText('Job 3 was deleted')
  await page.getByRole('button', { name: 'Undo' }).last().click()
  await expect(page.getByText('job 3 is back')).toBeVisible()
  await expect(guard(page)).not.toContainText('Job 3 was deleted')
  await allWritten(page)
  await page.reload()
  await expect(guard(page)).not.toContainText('Job 3 was deleted')
})

test('an engine is deleted after a file of it was saved; a file that still has it asks, and brings it back', async ({
  page,
}) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/engine/tractor')
  await actor.open('This engine')
  await actor.press('Delete this engine')
  const file = await saveEngine(page)
  await actor.press('Delete Ploughing tractor, engine 2')
  await expect(page.getByRole('heading', { name: 'On the stands' })).toBeVisible()
  await expect(page.getByRole('link', { name: /Ploughing tractor/ })).toHaveCount(0)
  await allWritten(page)
  await page.goto('/demo/engine/tractor')
  await expect(page.getByText('This engine was deleted on')).toBeVisible()
  await page.goto('/demo')
  await actor.press('Open a file')
  await page.getByLabel('File', { exact: true }).setInputFiles(file)
  await expect(dialog(page)).toContainText('Ploughing tractor, engine 2: deleted here, and left out')
  await expect(dialog(page).getByRole('button', { name: 'Add them' })).toBeDisabled()
  await dialog(page).getByRole('button', { name: 'Bring back Ploughing tractor, engine 2' }).click()
  await expect(dialog(page)).toContainText('and kept')
  expect(await violations(page)).toEqual([])
  await dialog(page).getByRole('button', { name: 'Add them' }).click()
  await expect(dialog(page)).toHaveCount(0)
  await allWritten(page)
  await page.goto('/demo/engine/tractor')
  await expect(page.getByRole('heading', { name: 'Ploughing tractor, engine 2' })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Change job 3' })).toBeVisible()
})

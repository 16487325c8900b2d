import { expect, type Page } from '@playwright/test'
import { MouseHand } from './actor'
import { allWritten } from './allWritten'
import { violations } from './axe'
import { beginFor, startTicks } from './beginEngine'
import { goToStep, newEngine } from './byMarks/steps'
import { inLong } from './inLong'

const panel = (page: Page) => page.locator('.step-panel').filter({ visible: true }).first()

/** A picture that the page draws itself: bright above, dark below, three wide and two high. */
const drawnPicture = async (page: Page) =>
  Buffer.from(
    await page.evaluate(() => {
      const canvas = document.createElement('canvas')
      canvas.width = 600
      canvas.height = 400
      const pen = canvas.getContext('2d')
      if (!pen) throw new Error('no canvas')
      pen.fillStyle = '#9aa5a9'
      pen.fillRect(0, 0, 600, 200)
      pen.fillStyle = '#262c2f'
      pen.fillRect(0, 200, 600, 200)
      return canvas.toDataURL('image/jpeg').split(',')[1] ?? ''
    }),
    'base64',
  )

async function takePicture(page: Page, of: string) {
  const before = await page.locator('.picture-look').count()
  await page
    .getByLabel(`File of a picture of ${of}`, { exact: true })
    .first()
    .setInputFiles({ name: 'p.jpg', mimeType: 'image/jpeg', buffer: await drawnPicture(page) })
  await expect(page.locator('.picture-look')).toHaveCount(before + 1)
}

/** From one place of the picture to another, in parts of its width and height. */
async function stroke(page: Page, from: readonly [number, number], to: readonly [number, number]) {
  const box = await page.getByRole('application').boundingBox()
  if (!box) throw new Error('no picture')
  const at = ([x, y]: readonly [number, number]) => [box.x + x * box.width, box.y + y * box.height] as const
  await page.mouse.move(...at(from))
  await page.mouse.down()
  await page.mouse.move(...at(to), { steps: 3 })
  await page.mouse.up()
}

const drawing = (page: Page) => page.getByRole('application')

inLong('look-only findings with two marked-up pictures, to the card', async ({ page }) => {
  const actor = new MouseHand(page)
  await newEngine(actor, 'Winch engine', [
    ['Cylinders stand', 'in line'],
    ['How many', '1'],
  ])
  await allWritten(page)
  await beginFor(actor, 'Look only')
  await startTicks(page)
  await goToStep(actor, /^Wear/)

  const finding = panel(page)
    .getByRole('group')
    .filter({ has: page.getByRole('button', { name: 'It goes on' }) })
    .first()
  const name = (await finding.getAttribute('aria-label')) ?? ''
  const inLine = name.charAt(0).toLowerCase() + name.slice(1)
  await finding.getByLabel(`Otherwise, ${inLine}`).selectOption({ label: 'renew now' })
  await expect(finding).toContainText('Usually renewed with it')
  await takePicture(page, `the ${inLine}`)
  await finding.getByRole('button', { name: /look closer/ }).click()
  await expect(drawing(page)).toBeVisible()
  await stroke(page, [0.8, 0.2], [0.5, 0.5])
  await expect(drawing(page)).toHaveAccessibleName(/Drawn on it: an arrow\./)
  await page.getByText('Circle', { exact: true }).click()
  await stroke(page, [0.5, 0.5], [0.6, 0.5])
  await page.getByText('Word', { exact: true }).click()
  await actor.write('The word', 'hooked')
  await stroke(page, [0.8, 0.1], [0.8, 0.1])
  await expect(drawing(page)).toHaveAccessibleName(/an arrow, a circle, “hooked”\./)
  await page.getByRole('checkbox', { name: 'Show it on the card' }).click()
  await expect(page.getByRole('checkbox', { name: 'Show it on the card' })).toBeChecked()
  expect(await violations(page)).toEqual([])
  // What is drawn and not yet done with outlives the page.
  await allWritten(page)
  await page.reload()
  await finding.getByRole('button', { name: /look closer/ }).click()
  await expect(drawing(page)).toHaveAccessibleName(/an arrow, a circle, “hooked”\./)
  await actor.press('Done')
  await expect(drawing(page)).toBeHidden()

  // The second of a mark or part, all by keys.
  await actor.open(/^Pictures/)
  const subject = page.getByLabel('What it is of')
  await subject.selectOption({ index: 1 })
  await takePicture(
    page,
    `the ${await subject
      .locator('option:checked')
      .innerText()
      .then((words) => words.charAt(0).toLowerCase() + words.slice(1))}`,
  )
  await page
    .getByRole('button', { name: /look closer/ })
    .last()
    .click()
  await expect(drawing(page)).toBeVisible()
  await page.getByRole('button', { name: 'Put one in the middle' }).press('Enter')
  await drawing(page).focus()
  await page.keyboard.press('ArrowLeft')
  await page.keyboard.press('+')
  await page.getByText('Circle', { exact: true }).click()
  await page.getByRole('button', { name: 'Put one in the middle' }).press('Enter')
  await drawing(page).focus()
  await page.keyboard.press('Delete')
  await expect(drawing(page)).toHaveAccessibleName(/Drawn on it: an arrow\./)
  await page.getByRole('checkbox', { name: 'Show it on the card' }).click()
  await expect(page.getByRole('checkbox', { name: 'Show it on the card' })).toBeChecked()
  await page.keyboard.press('Escape')
  await expect(drawing(page)).toBeHidden()
  await allWritten(page)

  await page.goto(`${new URL(page.url()).pathname}/card`)
  const pictures = page.getByRole('region', { name: 'Pictures' })
  await expect(pictures.getByRole('img')).toHaveCount(2)
  await expect(pictures.getByRole('img').first()).toHaveAccessibleName(/hooked$/)
  await expect(pictures.locator('.picture-marks')).toHaveCount(2)
  await expect(page.locator('main')).toContainText('renew now')
  expect(await violations(page)).toEqual([])
  const saved = page.waitForEvent('download')
  await actor.press('PDF')
  expect((await saved).suggestedFilename()).toMatch(/\.pdf$/)
})

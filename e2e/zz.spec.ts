import { expect, test } from '@playwright/test'
import { MouseHand } from './actor'
import { startTicks } from './beginEngine'
import { goOn } from './byMarks/steps'
test('look', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto(`/demo/engine/launch/job`)
  await page.getByText('Look only', { exact: true }).click()
  await page.screenshot({ path: `/tmp/zz-1.png` })
  await page.setViewportSize({ width: 390, height: 844 })
  await page.screenshot({ path: `/tmp/zz-2.png`, fullPage: true })
  await page.setViewportSize({ width: 1280, height: 800 })
  await actor.press(/^Begin: /)
  await startTicks(page)
  await goOn(actor)
  await page.screenshot({ path: `/tmp/zz-3.png` })
  await page.getByRole('button', { name: /^Pressures/ }).click()
  await page.screenshot({ path: `/tmp/zz-4.png` })
  await page.getByRole('button', { name: 'Change the run sheet' }).last().click()
  await page.screenshot({ path: `/tmp/zz-5.png` })
  await page.goto(`/demo/engine/tourer/job`)
  await page.getByText('Find out what is wrong', { exact: true }).click()
  await actor.press(/^Begin: /)
  await startTicks(page)
  await goOn(actor)
  await page.getByText('It rattles at idle').click()
  await page.getByText('It has no power').click()
  await page.screenshot({ path: `/tmp/zz-6.png` })
})

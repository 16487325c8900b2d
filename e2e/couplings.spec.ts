import { expect, test } from '@playwright/test'
import { MouseHand } from './actor'

const PHONE_SHOOTS = { width: 1280, height: 800 }

/* 24 splines at half speed: one is 360 / 24 = 15° of the camshaft, 30° of the crank. */
test('a splined camshaft is drawn apart, put back two splines on, and the guard wants it read', async ({ page }) => {
  const actor = new MouseHand(page)
  const guard = page.getByLabel('Guard', { exact: true })
  await page.goto('/demo/engine/fire-pump')
  await actor.choose('Can valves and pistons meet?', 'yes, interference')
  await expect(page.getByText('One is worth 30.00° at the crank.').first()).toBeVisible()
  await actor.press('Start a job')
  await actor.press('Start')
  await expect(page.getByRole('heading', { name: 'Make safe' })).toBeVisible()
  for (const tick of await page.getByRole('checkbox').all()) await tick.click()
  await actor.press('Go on')
  await actor.press(/^Set the cam: first camshaft|^Set.*first camshaft/i)
  await actor.press('Spline of the first camshaft drawn apart')
  await expect(guard).toContainText('nobody knows where the crank stands')
  await actor.press('One on, splines on')
  await actor.press('One on, splines on')
  await expect(page.getByText(/2 places on: on is .*The camshaft comes 60\.0° early at the crank/)).toBeVisible()
  await actor.press('Put together so')
  await expect(guard).toContainText('coupling together but its camshaft not read since')
  await actor.press('It meets')
  await expect(guard).not.toContainText('coupling together')
  await actor.press('Ledger')
  await expect(page.getByText('Spline of the first camshaft put together 2 places on')).toBeVisible()
})

test('a chain is put between two shafts by hand, and taken off again', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/engine/fire-pump')
  await actor.choose('It runs from', 'First camshaft')
  await actor.choose('It runs to', 'Second camshaft')
  await actor.press('Put it on the sheet')
  await expect(page.getByRole('heading', { name: 'Chain 2', level: 2 })).toBeVisible()
  await actor.write('Teeth, first camshaft sprocket', '18')
  await actor.write('Teeth, second camshaft sprocket', '18')
  await actor.write('Pitches in the whole chain 2', '60')
  await page.keyboard.press('Tab')
  await expect(page.getByText('60 pitches')).toBeVisible()
  await actor.press('Take the chain 2 off the sheet, with its wheels')
  await expect(page.getByRole('heading', { name: 'Chain 2', level: 2 })).toBeHidden()
})

test('the Face comes nearer and moves aside by wheel and by two fingers, and a shaft is drawn to its place', async ({
  browser,
}) => {
  const context = await browser.newContext({ viewport: PHONE_SHOOTS, hasTouch: true })
  const page = await context.newPage()
  await page.goto('/demo/job/job-tractor-3')
  const face = page.locator('.face')
  await expect(face).toBeVisible()
  const widthOfWheel = async () => (await face.locator('.sprocket').first().boundingBox())?.width ?? 0
  const whole = await widthOfWheel()
  const box = await face.boundingBox()
  if (!box) throw new Error('no Face')
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.wheel(0, -300)
  await expect.poll(widthOfWheel).toBeGreaterThan(whole * 1.5)
  await page.getByRole('button', { name: 'Whole', exact: true }).click()
  await expect.poll(widthOfWheel).toBeCloseTo(whole, 0)
  const touch = await context.newCDPSession(page)
  const fingers = (apart: number) => [
    { x: x - apart, y, id: 1 },
    { x: x + apart, y, id: 2 },
  ]
  await touch.send('Input.dispatchTouchEvent', { type: 'touchStart', touchPoints: fingers(40) })
  for (const apart of [60, 90, 130, 170])
    await touch.send('Input.dispatchTouchEvent', { type: 'touchMove', touchPoints: fingers(apart) })
  await touch.send('Input.dispatchTouchEvent', { type: 'touchEnd', touchPoints: [] })
  await expect.poll(widthOfWheel).toBeGreaterThan(whole * 1.5)

  await page.goto('/demo/engine/launch')
  const handle = page.getByRole('button', { name: /^First inlet camshaft: .* Arrow keys move it/ })
  const before = await handle.getAttribute('aria-label')
  const from = await handle.boundingBox()
  if (!from) throw new Error('no handle')
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2)
  await page.mouse.down()
  await page.mouse.move(from.x + from.width / 2 + 12, from.y + from.height / 2, { steps: 4 })
  await page.mouse.up()
  await expect(page.getByRole('button', { name: /^First inlet camshaft: / })).not.toHaveAccessibleName(before ?? '')
  await context.close()
})

import { expect, test } from '@playwright/test'
import { MouseHand } from './actor'
import { AT_ITS_PLACE, startSafely } from './beginEngine'
import { goOn } from './byMarks/steps'

/* 24 splines at half speed: one is 360 / 24 = 15° of the camshaft, 30° of the crank. */
test('a splined camshaft is drawn apart, put back two splines on, and the guard wants it read', async ({ page }) => {
  const actor = new MouseHand(page)
  const guard = page.getByLabel('Guard', { exact: true })
  await page.goto('/demo/engine/fire-pump')
  await actor.choose('Can valves and pistons meet?', 'yes, interference')
  await actor.findPart('Spline of the first camshaft')
  await expect(page.getByText('One is worth 30.00° at the crank.').first()).toBeVisible()
  await startSafely(actor)
  await goOn(actor)
  await actor.press(/^Set the cam: first camshaft|^Set.*first camshaft/i)
  await actor.press('Spline of the first camshaft drawn apart')
  await expect(guard).toContainText('nobody knows where the crank stands')
  await actor.press(AT_ITS_PLACE)
  await expect(guard).toContainText('Trim only: 4° either way')
  await actor.press('One on, splines on')
  await actor.press('One on, splines on')
  await expect(page.getByText(/2 places on: on is .*The camshaft comes 60\.0° early at the crank/)).toBeVisible()
  await actor.press('Put together so')
  await expect(guard).toContainText(/coupling together but its camshaft not read since/i)
  // A mark proves what it is sharp enough for: that is asked of both.
  await actor.press('A sharp line, where it belongs')
  await actor.press('Say how exact it is')
  await actor.press('A sharp line, where it belongs')
  await actor.press('It meets')
  await expect(guard).not.toContainText(/coupling together/i)
  await actor.press('Ledger')
  await expect(page.getByText('Spline of the first camshaft put together 2 places on')).toBeVisible()
})

test('a chain is put between two shafts by hand, and taken off again', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/engine/fire-pump')
  await page.goto('/demo/engine/fire-pump?part=shaft:cam-a')
  await actor.open('A chain or belt from here')
  await actor.choose('It runs from the first camshaft to', 'Second camshaft')
  await actor.press('Put it on the sheet')
  await actor.write('Teeth, first camshaft sprocket', '18')
  await actor.write('Teeth, second camshaft sprocket', '18')
  await actor.write('Pitches in the whole chain 2', '60')
  await page.keyboard.press('Tab')
  await expect(page.getByLabel('Drive and jobs')).toContainText('60 pitches')
  await expect(page.getByRole('heading', { name: 'Chain 2', level: 2 })).toBeVisible()
  await actor.press('Take the chain 2 off the sheet, with its sprockets')
  await expect(page.getByRole('heading', { name: 'Chain 2', level: 2 })).toBeHidden()
})

test('a belt is hung wheel by wheel, its camshafts locked and freed again', async ({ page }) => {
  const actor = new MouseHand(page)
  const guard = page.getByLabel('Guard', { exact: true })
  await page.goto('/demo/engine/launch')
  await actor.press('Start a job')
  await page.getByText('Belt off', { exact: true }).click()
  await actor.press(/^Begin: /)
  await actor.press(/^Belt on: count/)
  const order = page.getByRole('list', { name: 'Order of hanging the belt' }).getByRole('listitem')
  await expect(order).toHaveCount(7)
  await expect(order.first()).toContainText('Over the crank pulley first')
  await expect(order.nth(1)).toContainText('44.0 teeth from mark to mark')
  await expect(order.last()).toContainText('Past the tensioner, on its outer side: whatever is over lies here.')
  await actor.open('Locks on the camshafts')
  await actor.press('Lock on the first inlet camshaft')
  await expect(guard).toContainText('Lock in: first inlet camshaft')
  for (const wheel of ['crank pulley', 'second exhaust pulley', 'second inlet pulley'])
    await actor.press(`On the ${wheel}`)
  await actor.press('Past the middle idler')
  for (const wheel of ['first inlet pulley', 'first exhaust pulley']) await actor.press(`On the ${wheel}`)
  await actor.press('Lock off the first inlet camshaft')
  await expect(guard).not.toContainText('Lock in')
  await actor.press('Belt is on')
  await expect(guard).toContainText('belt on but not counted')
})

test('the Face comes nearer and moves aside by wheel and by two fingers, and a shaft is drawn to its place', async ({
  browser,
}) => {
  const context = await browser.newContext({ viewport: { width: 1280, height: 800 }, hasTouch: true })
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
  const handle = page.getByRole('button', { name: /^First inlet pulley, .* Arrow keys move its shaft/ })
  const from = await handle.boundingBox()
  if (!from) throw new Error('no handle')
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2)
  await page.mouse.down()
  await page.mouse.move(from.x + from.width / 2 + 40, from.y + from.height / 2, { steps: 4 })
  await page.mouse.up()
  await expect.poll(async () => (await handle.boundingBox())?.x).not.toBe(from.x)
  // What was drawn is taken back, and done again.
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect.poll(async () => Math.round((await handle.boundingBox())?.x ?? 0)).toBe(Math.round(from.x))
  await page.getByRole('button', { name: 'Redo' }).click()
  await expect.poll(async () => (await handle.boundingBox())?.x).not.toBe(from.x)
  await context.close()
})

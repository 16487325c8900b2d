import { AT_ITS_PLACE } from './beginEngine'
import { expect, test, type Page } from '@playwright/test'
import { MouseHand } from './actor'

const guard = (page: Page) => page.getByLabel('Guard', { exact: true })

test('dragging and keys move the drawing, not the engine; a turn entered does', async ({ page }) => {
  await page.goto('/demo/job/job-searchlight-1')
  const readout = page.locator('.readout')
  await expect(readout).toContainText('0.0°')
  await page.keyboard.press('Shift+ArrowRight')
  await page.keyboard.press('ArrowRight')
  await page.keyboard.press('Control+ArrowRight')
  await expect(readout).toContainText('11.1°')
  await expect(readout).toContainText('the engine stands at 0.0°')
  const face = await page.locator('.face').boundingBox()
  if (!face) throw new Error('no face')
  await page.mouse.move(face.x + face.width * 0.75, face.y + face.height * 0.5)
  await page.mouse.down()
  await page.mouse.move(face.x + face.width * 0.8, face.y + face.height * 0.7, { steps: 5 })
  await page.mouse.up()
  await expect(readout).not.toContainText('11.1°')
  await expect(readout).toContainText('the engine stands at 0.0°')
  await page.keyboard.press('Home')
  await expect(readout).toContainText('the engine stands here')

  const actor = new MouseHand(page)
  await actor.press('I have turned it')
  await actor.write('Degrees of the crank', '95')
  await page.getByText('Past it').click()
  await actor.press('Write it down')
  await expect(readout).toContainText('95.0°')
  await expect(page.getByText(/Gone past: back off 30\.0° anticlockwise/).filter({ visible: true })).toBeVisible()
})

test('the other side turns every clockwise round', async ({ page }) => {
  await page.goto('/demo/job/job-tractor-3')
  await expect(page.getByText('further round the cam sprocket, clockwise.')).toBeVisible()
  await expect(page.locator('.strip-next')).toContainText(/° clockwise/)
  await page.keyboard.press('f')
  await expect(page.getByText('further round the cam sprocket, anticlockwise.')).toBeVisible()
  await expect(page.locator('.strip-next')).toContainText(/° anticlockwise/)
  await expect(page.getByRole('img', { name: /seen from the flywheel side/ })).toBeVisible()
})

test('space counts and backspace uncounts, and the counted pins are numbered on the Face', async ({ page }) => {
  await page.goto('/demo/job/job-tractor-3')
  await page.getByRole('button', { name: 'Moved it: count again' }).click()
  await expect(page.getByRole('button', { name: /^0 counted/ })).toBeVisible()
  for (let i = 0; i < 7; i++) await page.keyboard.press('Space')
  await page.keyboard.press('Backspace')
  await expect(page.getByRole('button', { name: /^6 counted/ })).toBeVisible()
  await expect(page.locator('.pin-label')).toHaveText(['1', '6'])
  await page.keyboard.press('b')
  await expect(page.getByRole('dialog', { name: 'Bench mode' })).toContainText('6')
})

test('a figure opens to its readings, formula, ± and source', async ({ page }) => {
  await page.goto('/demo/job/job-tractor-3')
  await page.getByRole('button', { name: /^Expected count/ }).click()
  const dialog = page.getByRole('dialog', { name: 'Expected count' })
  await expect(dialog).toContainText('30.03 pitches')
  await expect(dialog).toContainText('Tangents of the two pitch circles')
})

test('undo strikes a line, and striking the strike brings it back', async ({ page }) => {
  await page.goto('/demo/job/job-tractor-3')
  await expect(page.getByText('Lay the chain one tooth further')).toBeVisible()
  await page.keyboard.press('u')
  await expect(page.getByRole('button', { name: /^0 counted/ })).toBeVisible()
  await page.keyboard.press('l')
  await page.getByRole('button', { name: 'Take back' }).first().click()
  await page.getByRole('button', { name: 'Close', exact: true }).click()
  await expect(page.getByText('Lay the chain one tooth further')).toBeVisible()
})

test('what is put on the register holds the engine and the closing of the job', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/job/job-searchlight-1')
  await expect(guard(page)).toContainText('May be turned by hand')
  await page.getByRole('button', { name: /^Guard/ }).click()
  await actor.choose('Put on the register', 'Lock in')
  await actor.write('Where', 'flywheel')
  await actor.press('It is so')
  await page.getByRole('button', { name: 'Close', exact: true }).click()
  await expect(guard(page)).toContainText('Do not turn')
  await expect(page.locator('.strip-next')).toContainText('the guard holds it')
  await actor.press(/^Card/)
  await actor.write('Signed, in the role of', 'helper')
  await expect(page.getByRole('button', { name: 'Sign and close the job' })).toBeDisabled()
  await actor.write('Closed with that still so, because', 'goes to the other shed locked')
  await actor.press('Sign and close the job')
  await actor.press('Look at the card', 'link')
  await expect(page.getByRole('article')).toContainText('Still in, out or loose: Lock in: flywheel')
  await expect(page.getByRole('article')).toContainText('goes to the other shed locked')
})

test('an engine that arrives with its chain off starts elsewhere', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/engine/tractor')
  await actor.press('Start a job')
  await page.getByText('Chain off', { exact: true }).click()
  await actor.press(/^Begin: /)
  await expect(page.getByRole('heading', { name: 'Make safe' })).toBeVisible()
  for (const tick of await page.getByRole('checkbox').all()) await tick.click()
  await expect(guard(page)).toContainText('Not known: do not turn yet')
  await actor.press('Go on')
  await actor.press(/^As found/)
  await expect(page.getByText(/nothing to read here/)).toBeVisible()
  await actor.press(/^To the timing position, chain off/)
  await actor.press(AT_ITS_PLACE)
  await expect(guard(page)).toContainText('Trim only: 4° either way')
})

test('a step is passed over with a reason and opened again', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/job/job-sidecar-1')
  await actor.press('Pass this step over, with a reason')
  await expect(page.getByRole('button', { name: 'Pass it over' })).toBeDisabled()
  await actor.write('Why it is passed over', 'set by hand later')
  await actor.press('Pass it over')
  await expect(page.getByRole('heading', { name: 'Set the cam: second camshaft' })).toBeVisible()
  await actor.press(/^Set the cam: first/)
  await expect(page.getByText('Passed over: set by hand later')).toBeVisible()
  await actor.press('Open it again')
  await expect(page.getByRole('heading', { name: 'Set the cam: first camshaft' })).toBeVisible()
})

test('wrong, empty, absurd and contradictory input gets a message and loses nothing', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/engine/tractor')
  const wrong: readonly [string, string, RegExp][] = [
    ['Stroke', 'about a hand', /is not a number/],
    ['Stroke', '-3 mm', /^From 5 to 5000 mm/],
    ['Stroke', '4 furlongs', /is no unit of length/],
    ['Teeth, crank sprocket', '19.5', /whole number from 5 to 400/],
    ['Teeth, cam sprocket', '99999999', /too large/],
    ['Camshaft stands towards', '13 o’clock', /clock face/],
    ['Inlet opens, before TDC', '400', /from -180 to 180/],
  ]
  for (const [label, text, message] of wrong) {
    await actor.write(label, text)
    await page.keyboard.press('Tab')
    await expect(page.getByText(message).first()).toBeVisible()
    await expect(page.getByLabel(label, { exact: true })).toHaveValue(text)
  }
  // The bad text is kept with its field; the sheet keeps its last good figure.
  await page.reload()
  await expect(page.getByRole('region', { name: 'Typed and not taken' })).toContainText('Camshaft “13 o’clock”')
  await actor.findPart('Camshaft stands towards')
  await expect(page.getByLabel('Camshaft stands towards', { exact: true })).toHaveValue('13 o’clock')
  await actor.write('Rod, centre to centre', '40 mm')
  await page.keyboard.press('Tab')
  await expect(page.getByText(/no longer than the throw of 56\.0 mm/)).toBeVisible()
  await actor.write('Teeth, crank sprocket', '20')
  await page.keyboard.press('Tab')
  const disagree = page.getByRole('alert', { name: 'Figures that disagree' })
  await expect(disagree).toContainText('Camshaft turns 10/19 of the crank, and should turn 1/2.')
  await expect(disagree).toContainText('20 teeth, not said where from; with 19 teeth they would agree.')
  await expect(disagree).toContainText('38 teeth, measured; with 40 teeth they would agree.')
  await actor.write('Pitches in the whole chain', '60')
  await page.keyboard.press('Tab')
  await expect(disagree).toContainText('pitches too short')
  // The one to measure again is gone to from there.
  await disagree
    .getByRole('button', { name: /^Teeth of the crank sprocket/ })
    .first()
    .click()
  await expect(page.getByRole('region', { name: 'Part', exact: true })).toContainText('Crank sprocket')
})

test('contacts that cannot be halved say why', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/job/job-searchlight-1')
  await actor.press(/^True TDC/)
  await actor.press('Stop in again, at another depth')
  for (const [first, second, message] of [
    ['50', '51', /nothing to halve/],
    ['50', '230', /top and bottom dead centre look alike/],
    ['50', '400', /from 0 to 360/],
    ['', '120', /Nothing is written here yet/],
  ] as const) {
    await actor.write(/^First contact/, first || ' ')
    await actor.write(/^Second contact/, second)
    await actor.press('Write both down')
    await expect(page.getByText(message).first()).toBeVisible()
    await expect(page.getByLabel(/^Second contact/)).toHaveValue(second)
  }
})

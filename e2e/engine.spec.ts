import { expect, test, type Page } from '@playwright/test'
import { KeyHand, MouseHand, TouchHand, type Actor } from './actor'
import { allWritten } from './allWritten'
import { violations } from './axe'
import { sayPulled, startSafely } from './beginEngine'
import { countTo } from './countTo'

/** An engine begun by a shape, without a figure. */
async function begin(actor: Actor, name: string, shape: readonly (readonly [string, string])[]) {
  await actor.page.goto('/own')
  await actor.press('New engine')
  await actor.write('What you call it', name)
  for (const [label, option] of shape) await actor.choose(label, option)
  await sayPulled(actor)
  await actor.press('Begin its build sheet')
  await expect(actor.page.getByRole('heading', { name, exact: true })).toBeVisible()
}

const answers = (page: Page) => page.getByRole('region', { name: 'What can be answered now' })
const part = (page: Page) => page.getByRole('region', { name: 'Part', exact: true })

async function settle(page: Page) {
  await page.keyboard.press('Tab')
}

test('what one tooth is worth in three fields, an expected count from geometry in nine', async ({ page }) => {
  const actor = new MouseHand(page)
  await begin(actor, 'Sawmill', [])
  await actor.write('Teeth, cam sprocket', '38')
  await settle(page)
  await expect(answers(page)).toContainText('One tooth is worth18.95° crank')
  expect(actor.tally.fields).toBeLessThanOrEqual(3)
  for (const [label, text] of [
    ['Teeth, crank sprocket', '19'],
    ['Chain pitch', '9.525 mm'],
    ['Pitches in the whole chain', '70'],
    ['Centre of the crank to centre of the camshaft', '193.781 mm'],
    ['Camshaft stands towards', '4.143'],
    ['Crank mark points to, in the timing position', '105'],
    ['Cam mark points to, in the timing position', '20'],
  ] as const)
    await actor.write(label, text)
  await settle(page)
  await expect(answers(page)).toContainText(/Expected counts[\d., ]+ pitches/)
  expect(actor.tally.fields).toBeLessThanOrEqual(9)
  // From where it comes is said once, and goes with what is typed from then on.
  await actor.findPart('Chain pitch')
  await actor.open('Where are the figures from?')
  await actor.pick('What is typed from now on is', 'from a book or the manual')
  await actor.write('Which book and page, or measured with what', 'the manual, p. 41')
  await actor.write('Chain pitch', '9.53 mm')
  await settle(page)
  await expect(page.getByLabel('Where it comes from: Chain pitch')).toHaveValue('manual')
  await expect(part(page).getByTitle('from a book or the manual: the manual, p. 41')).toBeVisible()
})

test('a tooth out is told in six fields, by a count alone', async ({ page }) => {
  const actor = new MouseHand(page)
  await begin(actor, 'Thresher', [])
  await actor.write('Teeth, cam sprocket', '34')
  await actor.write('From cam mark to crank mark', '27')
  await settle(page)
  await startSafely(actor)
  await actor.press(/^As found/)
  await actor.open('Count the tight run')
  await actor.press('First no, last yes')
  await countTo(actor, 26, /^At the crank mark: 26/)
  await expect(page.locator('.count-result')).toContainText('Short by1 pitch')
  expect(actor.tally.fields).toBeLessThanOrEqual(6)
})

test('by touching the drawing: an idler on a run, a mark on a tooth, a belt between shafts, the firing order; undone and done again', async ({
  page,
}) => {
  const actor = new MouseHand(page)
  await begin(actor, 'Pump twin', [
    ['How many', '4'],
    ['Camshafts are driven by', 'one chain, camshaft and pump'],
  ])
  await actor.write('Teeth, crank sprocket', '20')
  await actor.write('Teeth, cam sprocket', '40')
  await settle(page)
  await actor.press(/^Put on the drive/)
  await actor.press('Idler')
  await expect(page.getByText('Touch the run that it bears on.')).toBeVisible()
  await page.getByRole('button', { name: 'Cam sprocket, 40 teeth' }).click()
  await expect(page.getByText('It bears on a free run: touch one.')).toBeVisible()
  // By key: of a line as thin as a run the middle may lie under something.
  await page.getByRole('button', { name: 'Chain, run from the cam sprocket to the pump sprocket' }).press('Enter')
  await expect(part(page).getByRole('heading', { name: 'Idler', exact: true })).toBeVisible()
  await expect(page.getByRole('button', { name: 'Idler, its place not known' })).toBeVisible()
  await actor.press('Undo')
  await expect(page.getByRole('button', { name: 'Idler, its place not known' })).toHaveCount(0)
  await actor.press('Redo')
  await expect(page.getByRole('button', { name: 'Idler, its place not known' })).toBeVisible()
  await actor.press(/^Put on the drive/)
  await actor.press('Mark')
  const wheel = page.getByRole('button', { name: 'Cam sprocket, 40 teeth' })
  const box = await wheel.boundingBox()
  if (!box) throw new Error('no wheel')
  // At three o'clock.
  await page.mouse.click(box.x + box.width - 14, box.y + box.height / 2)
  await expect(part(page).getByRole('heading', { name: 'Cam sprocket mark 2', exact: true })).toBeVisible()
  const mark = page.getByRole('button', { name: /^Cam sprocket mark 2\. Arrow/ })
  const before = await mark.boundingBox()
  expect(Math.abs((before?.y ?? 0) + (before?.height ?? 0) / 2 - (box.y + box.height / 2))).toBeLessThan(14)
  await mark.press('ArrowLeft')
  await expect.poll(async () => (await mark.boundingBox())?.y).not.toBe(before?.y)
  await actor.press(/^Put on the drive/)
  await actor.press('Chain or belt')
  await page.getByRole('button', { name: 'Pump sprocket, teeth not counted' }).press('Enter')
  await expect(page.getByText('Touch the shaft that it goes to.')).toBeVisible()
  await page.getByRole('button', { name: 'Cam sprocket, 40 teeth' }).press('Enter')
  await expect(part(page).getByRole('heading', { name: 'Chain 2', exact: true })).toBeVisible()
  await page.getByText('Valves', { exact: true }).click()
  await expect(page.getByRole('button', { name: 'The inlet of cylinder 2, worked by the camshaft' })).toBeVisible()
  await page.getByText('Cylinders', { exact: true }).click()
  await actor.press('Touch them in firing order')
  for (const n of [1, 3, 4, 2]) await page.getByRole('button', { name: `Cylinder ${n}`, exact: true }).press('Enter')
  await actor.press('They fire so')
  await actor.findPart('Firing order')
  await expect(page.getByLabel('Firing order', { exact: true })).toHaveValue('1-3-4-2')
  expect(await violations(page)).toEqual([])
})

test('a run pulled over a wheel passes it on its other side, and is taken back', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/engine/tractor?part=wheel:cam-sprocket')
  const passes = (side: string) => part(page).getByRole('radio', { name: side, exact: true })
  await expect(passes('inside')).toBeChecked()
  const [run, wheel, svg] = [
    page.locator('path.hit-run').last(),
    page.getByRole('button', { name: /^Cam sprocket, 38 teeth/ }).locator('circle.hit'),
    page.getByRole('group', { name: /^The drive seen from/ }),
  ]
  const [line, circle, box] = [await run.getAttribute('d'), await wheel.boundingBox(), await svg.boundingBox()]
  if (!line || !circle || !box) throw new Error('Nothing to pull')
  const [x1 = 0, y1 = 0, x2 = 0, y2 = 0] = (line.match(/-?[\d.]+/g) ?? []).map(Number)
  const centre = { x: circle.x + circle.width / 2 - box.x, y: circle.y + circle.height / 2 - box.y }
  const share = ((centre.x - x1) * (x2 - x1) + (centre.y - y1) * (y2 - y1)) / ((x2 - x1) ** 2 + (y2 - y1) ** 2)
  const beside = { x: x1 + share * (x2 - x1), y: y1 + share * (y2 - y1) }
  // Taken in the middle of the run, let go beyond the middle of the wheel.
  await page.mouse.move(box.x + (x1 + x2) / 2, box.y + (y1 + y2) / 2)
  await page.mouse.down()
  const beyond = { x: centre.x + 0.4 * (centre.x - beside.x), y: centre.y + 0.4 * (centre.y - beside.y) }
  await page.mouse.move(box.x + beyond.x, box.y + beyond.y, { steps: 8 })
  await page.mouse.up()
  await expect(passes('outside')).toBeChecked()
  await actor.press('Undo')
  await expect(passes('inside')).toBeChecked()
})

test('the next figure is written where it is asked for, or passed over; valves are put on another camshaft by touch', async ({
  page,
}) => {
  const actor = new MouseHand(page)
  await begin(actor, 'Twin', [['Camshafts are driven by', 'one chain, two camshafts']])
  await actor.choose('The crank runs, seen from the timing side', 'clockwise')
  await actor.choose('Can valves and pistons meet?', 'yes, interference')
  const next = page.getByRole('region', { name: 'Measure next' })
  // An open answer, touched, asks for what it wants itself, one after the other.
  await actor.press(/TDC by stop or dial/)
  await expect(next).toContainText('For: TDC by stop or dial')
  await expect(next.getByLabel('Stroke', { exact: true })).toBeFocused()
  await page.keyboard.type('82 mm')
  await settle(page)
  await expect(next).toContainText('Next: rod, centre to centre')
  await next.getByLabel('Rod, centre to centre', { exact: true }).fill('164 mm')
  await settle(page)
  await expect(next).toContainText('TDC by stop or dial, with its ±: known')
  await actor.press('What else to measure')
  // Teeth settle what a tooth is worth: nothing settles more while lash and counts are passed over.
  for (let i = 0; i < 6; i++) {
    const asked = await next.getByRole('heading').innerText()
    if (asked.includes('Next: teeth of the')) break
    await actor.press('Cannot get at it')
    await expect(next.getByRole('heading')).not.toHaveText(asked)
  }
  await expect(next).toContainText('Next: teeth of the exhaust sprocket')
  await next.getByLabel('Teeth, exhaust sprocket', { exact: true }).fill('38')
  await settle(page)
  await expect(next).toContainText('Next: teeth of the inlet sprocket')
  await next.getByLabel('Teeth, inlet sprocket', { exact: true }).fill('38')
  await settle(page)
  await expect(answers(page)).toContainText('One tooth is worth18.95° crank')
  await page.getByText('Valves', { exact: true }).click()
  await actor.press('Put valves on another camshaft')
  await page.getByRole('button', { name: 'Exhaust camshaft', exact: true }).click()
  await page.getByRole('button', { name: 'The inlet of cylinder 1, worked by the inlet camshaft' }).click()
  await expect(
    page.getByRole('button', { name: 'The inlet of cylinder 1, worked by the exhaust camshaft' }),
  ).toBeVisible()
  await actor.press('They are put so')
  expect(await violations(page)).toEqual([])
})

test('an engine is renamed, tagged, found by its tag, copied to be checked, and put away', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/engine/tourer')
  await actor.open('This engine')
  await actor.write('You call the engine', 'Tourer, the green one')
  await actor.write('Tags, with a comma between', 'club, wants a chain')
  await settle(page)
  await expect(page.getByRole('heading', { name: 'Tourer, the green one', level: 1 })).toBeVisible()
  await actor.open('Another engine like it')
  await actor.press('With these figures, to be checked')
  await expect(page.getByText(/It needs a name/)).toBeVisible()
  await actor.write('You call the other engine', 'Tourer, spare')
  await actor.press('With these figures, to be checked')
  await expect(page.getByRole('heading', { name: 'Tourer, spare', level: 1 })).toBeVisible()
  await actor.findPart('Teeth, inlet sprocket')
  await expect(page.getByLabel('Teeth, inlet sprocket', { exact: true })).toHaveValue('27')
  await expect(
    part(page)
      .getByTitle(/from another engine, to be checked/)
      .first(),
  ).toBeVisible()
  await actor.open('This engine')
  await actor.press('Put it away')
  await expect(page.getByRole('button', { name: 'Back on the stands' })).toBeVisible()
  await allWritten(page)
  await page.goto('/demo')
  const stands = page.locator('.stand h2')
  await expect(page.getByRole('region', { name: 'Put away' })).toContainText('Tourer, spare')
  await actor.press('Find')
  await actor.write('Find an engine', 'clib')
  await expect(stands).toHaveText(['Tourer, the green one'])
  await actor.write('Find an engine', 'steam')
  await expect(page.getByText('No engine is called so.')).toBeVisible()
  expect(await violations(page)).toEqual([])
})

test('a length without a unit is asked about once for a list, or never where the workshop has its unit', async ({
  page,
}) => {
  const actor = new MouseHand(page)
  await begin(actor, 'Pump', [['How many', '2']])
  await actor.findPart('Stroke')
  await actor.write('Stroke', '82')
  await actor.write('Rod, centre to centre', '164')
  await settle(page)
  const rod = page.getByLabel('Rod, centre to centre', { exact: true })
  await page.getByRole('group', { name: 'Unit of Rod, centre to centre' }).getByText('164 mm').click()
  // The first of them is taken as well, and nobody asks again.
  await settle(page)
  await expect(page.getByLabel('Stroke', { exact: true })).toHaveValue('82 mm')
  await expect(rod).toHaveValue('164 mm')
  await expect(page.getByText('In which unit?')).toHaveCount(0)
  await allWritten(page)
  await page.goto('/own')
  await actor.press('Units')
  await actor.pick('A length typed without a unit is', 'thou')
  expect(await violations(page)).toEqual([])
  await actor.press('Close')
  await allWritten(page)
  await page.getByRole('link', { name: /Pump/ }).first().click()
  await actor.write('Inlet lash, cold', '8')
  await expect(page.getByText('= 8 thou = 0.203 mm')).toBeVisible()
  await settle(page)
  await expect(page.getByLabel('Inlet lash, cold', { exact: true })).toHaveValue('8 thou')
})

test('what its camshafts are called is asked, and goes into every name', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/own')
  await actor.press('New engine')
  await actor.write('What you call it', 'Fire engine')
  await actor.choose('Camshafts are driven by', 'a chain to each camshaft')
  await expect(page.getByText('Its camshafts: exhaust camshaft, inlet camshaft')).toBeVisible()
  await actor.write('Instead of “exhaust” you say', 'front')
  await actor.write('Instead of “inlet” you say', 'rear')
  expect(await violations(page)).toEqual([])
  await actor.press('Begin its build sheet')
  await actor.findPart('Teeth, front sprocket')
  await expect(page.getByLabel('Teeth, front sprocket', { exact: true })).toBeVisible()
  await actor.findPart('Front chain pitch')
  await expect(page.getByLabel('Front chain pitch', { exact: true })).toBeVisible()
})

test('on paper an engine is two pages at most, named after it', async ({ page }) => {
  await page.goto('/demo/engine/tourer')
  await expect(page).toHaveTitle('Tourer of 1934 · Link Count')
  await page.emulateMedia({ media: 'print' })
  await expect(page.locator('.data-sheet')).toContainText('Inlet sprocket, teeth27m')
  const pdf = (await page.pdf({ format: 'A4' })).toString('latin1')
  expect(pdf.match(/\/Type\s*\/Page\b/g)?.length).toBeLessThanOrEqual(2)
})

test('a twelve-cylinder engine with quills, by keyboard alone', async ({ page }) => {
  const actor = new KeyHand(page)
  await begin(actor, 'Lifeguard', [
    ['Cylinders stand', 'in a V'],
    ['How many', '12'],
    ['Camshafts are driven by', 'gears, then quills to each bank'],
  ])
  await actor.choose('The crank runs, seen from the timing side', 'clockwise')
  for (const [label, text] of [
    ['Teeth, crank gear', '24'],
    ['Teeth, idler gear', '36'],
    ['Teeth, half-speed gear', '48'],
    ['Splines, quill of the first camshaft, first end', '10'],
    ['Splines, quill of the first camshaft, other end', '11'],
  ] as const)
    await actor.write(label, text)
  await settle(page)
  await expect(part(page)).toContainText('One is worth 72.00° at the crank.')
  await actor.write('First bank stands towards', '-30')
  await actor.write('Second bank stands towards', '30')
  await settle(page)
  await expect(page.getByRole('button', { name: 'Cylinder 12, when it fires is not known' })).toBeVisible()
  expect(await page.evaluate(() => document.documentElement.scrollHeight)).toBeLessThanOrEqual(2 * 800)
})

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  test('a V6 with one belt round four camshafts, by touch, to its counts', async ({ page }) => {
    const actor = new TouchHand(page)
    await begin(actor, 'Ferry', [
      ['Cylinders stand', 'in a V'],
      ['How many', '6'],
      ['Camshafts are driven by', 'one belt, four camshafts'],
    ])
    await actor.choose('The crank runs, seen from the timing side', 'clockwise')
    for (const [label, teeth] of [
      ['crank pulley', '24'],
      ['first exhaust pulley', '48'],
      ['first inlet pulley', '48'],
      ['second inlet pulley', '48'],
      ['second exhaust pulley', '48'],
    ] as const) {
      await page
        .getByRole('button', { name: new RegExp(`^${label}`, 'i') })
        .first()
        .tap()
      await actor.write(`Teeth, ${label}`, teeth)
    }
    await settle(page)
    await expect(answers(page)).toContainText('One tooth is worth15.00° crank')
    await actor.write('Teeth in the whole belt', '211')
    for (const [from, to, n] of [
      ['crank pulley', 'first exhaust pulley', '52'],
      ['first exhaust pulley', 'first inlet pulley', '24'],
      ['first inlet pulley', 'second inlet pulley', '66'],
      ['second inlet pulley', 'second exhaust pulley', '24'],
    ] as const)
      await actor.write(`From ${from} mark to ${to} mark${from === 'crank pulley' ? ', slack' : ''}`, n)
    await settle(page)
    await expect(answers(page)).toContainText('Expected counts52.0, 24.0, 66.0, 24.0, 45.0 teeth')
    expect(await page.evaluate(() => document.documentElement.scrollHeight)).toBeLessThanOrEqual(3 * 844)
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    expect(await violations(page)).toEqual([])
  })
})

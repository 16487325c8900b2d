import { readFile } from 'node:fs/promises'
import { expect, test, type Page } from '@playwright/test'
import jsqr from 'jsqr'
import { MouseHand, TouchHand, type Actor } from './actor'
import { allWritten } from './allWritten'
import { inLong } from './inLong'
import { violations } from './axe'
import { figures, goOn, goToStep, guard, newEngine, passOver, sign } from './byMarks/steps'
import { startTicks } from './beginEngine'

/** A purpose chosen, how it came in, and the job begun and made safe. */
async function begin(actor: Actor, purpose: string, { cameIn = '', why = '' } = {}) {
  const { page } = actor
  await actor.press('Start a job')
  await expect(page.getByRole('heading', { name: 'What is it here for?' })).toBeVisible()
  await page.getByText(purpose, { exact: true }).click()
  await expect(page.getByRole('radio', { name: new RegExp(`^${purpose}`) })).toBeChecked()
  if (cameIn) await page.getByText(cameIn, { exact: true }).click()
  if (why) await actor.write('Why it is here', why)
  await actor.press(/^Begin: /)
  await startTicks(page)
}

const stepPanel = (page: Page) => page.locator('.step-panel').filter({ visible: true }).first()

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  test('a symptom followed to its cause: the cheapest reading is put in, and what it reads settles it', async ({
    page,
  }) => {
    const actor = new TouchHand(page)
    await page.goto('/demo/engine/launch')
    await begin(actor, 'Find out what is wrong')
    await goOn(actor)
    await page.getByText('It runs badly since a belt or chain was fitted').tap()
    await expect(page.getByText(/Next: is it this\? The tensioner has given up/)).toBeVisible()
    await actor.press('Not this: The tensioner has given up')
    await expect(page.getByText(/Next: is it this\? A camshaft is a tooth out/)).toBeVisible()
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390)
    expect(await violations(page)).toEqual([])
    await actor.press(/^To the step: as found/)
    await expect(page.getByRole('heading', { name: /^As found/ })).toBeVisible()
    await goToStep(actor, /^What it does, and why/)
    await actor.press('It is this: A camshaft is a tooth out')
    await expect(page.getByText('it is this, by word')).toBeVisible()
    const card = await sign(actor)
    await expect(card).toContainText('A camshaft is a tooth out.')
    await expect(card).toContainText('Not: The tensioner has given up')
  })
})

test('timing kept by paint: teeth painted, counted, laid by the same counts and turned', async ({ page }) => {
  const actor = new MouseHand(page)
  await newEngine(actor, 'Thresher', [])
  await figures(actor, [
    ['Teeth, crank sprocket', '19'],
    ['Teeth, cam sprocket', '38'],
  ])
  await begin(actor, 'A new chain or belt, timing kept')
  await goOn(actor)
  await expect(page.getByRole('heading', { name: 'Paint and count the chain' })).toBeVisible()
  const paint = page.getByRole('button', { name: 'Painted: a tooth of each' })
  if ((await paint.count()) > 0) await actor.press('Painted: a tooth of each')
  await actor.press('First no, last yes')
  await actor.count(29)
  await actor.press(/: 29$/)
  await actor.press('Lay the new chain by these counts')
  await goOn(actor)
  await actor.press(/^(It stands at the timing position|The .* is at .*)$/)
  await allWritten(page)
  if ((await page.getByRole('button', { name: 'Tensioner held back, its pin in' }).count()) > 0)
    await actor.press('Tensioner held back, its pin in')
  await actor.press('Chain is off')
  await goOn(actor)
  await actor.press('Chain is on')
  await expect(page.getByText('Expect 29 pins')).toBeVisible()
  await actor.count(29)
  await actor.press(/: 29$/)
  await goOn(actor)
  await actor.press('Fitted, seated, held back')
  await actor.press(/^Pin is out/)
  await actor.press(/^Pushed the run/)
  await goOn(actor)
  await expect(guard(actor)).toContainText('May be turned')
  await actor.press('One full turn done')
  await actor.press('One full turn done')
  const card = await sign(actor)
  await expect(card).toContainText('A new chain or belt, timing kept')
  await expect(card).toContainText('29, expected 29.0')
})

test('a run sheet changed, kept, and used on another engine; what is left out stands on the card', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/engine/launch')
  await begin(actor, 'Tension only')
  await actor.press('Change the run sheet')
  const dialog = page.getByRole('dialog', { name: 'The run sheet' })
  await dialog.getByLabel('Put in a step').selectOption({ label: 'Wear' })
  await dialog.getByRole('button', { name: 'Put it in' }).click()
  await expect(dialog.getByRole('list', { name: 'Steps' })).toContainText('Wear')
  // A step never comes before what it needs: it says what.
  await dialog.getByRole('button', { name: /^Earlier: full turns/ }).click()
  await expect(dialog.getByRole('alert')).toContainText('needs what')
  await dialog.getByRole('button', { name: /^Leave out: wear/ }).click()
  await dialog.getByLabel(/^Why wear is left out/).fill('measured last month')
  await dialog.getByRole('button', { name: 'Leave it out' }).click()
  await expect(dialog.getByRole('region', { name: 'Left out' })).toContainText('measured last month')
  await dialog.getByLabel('Put in a step').selectOption({ label: 'Look it over' })
  await dialog.getByRole('button', { name: 'Put it in' }).click()
  await expect(dialog.getByRole('list', { name: 'Steps' })).toContainText('Look it over')
  expect(await violations(page)).toEqual([])
  await dialog.getByLabel('Keep it, called').fill('spring service')
  await dialog.getByLabel('Offer it on every engine').check()
  await dialog.getByRole('button', { name: 'Keep this run sheet' }).click()
  await expect(dialog).toContainText('Kept as “spring service”')
  await page.keyboard.press('Escape')
  const card = await sign(actor)
  await expect(card).toContainText('Wear left out: measured last month')
  await page.goto('/demo/engine/lifeboat')
  await begin(actor, 'As we do it: spring service')
  await expect(page.getByRole('button', { name: /^Look it over/ }).first()).toBeVisible()
})

test('stepped out of order, a step that is done leads back to where one was, also after the page was closed', async ({
  page,
}) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/job/job-searchlight-1')
  const title = page.locator('#step-title')
  await expect(title).toHaveText('To the timing position, chain off')
  await actor.press(/^Full turns/)
  await expect(title).toHaveText('Full turns, read again')
  await actor.press(/^Lash as left/)
  await expect(title).toHaveText('Lash as left')
  await actor.write('Lash, 1 inlet', '0.30 mm')
  await actor.press('Write down lash, 1 inlet')
  await actor.press(/^Go on/)
  await expect(title).toHaveText('Full turns, read again')
  await allWritten(page)
  await page.reload()
  await expect(title).toHaveText('Full turns, read again')
})

test('a table and a calendar are read back; the code of a short card holds its settings', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/engine/lifeboat/log')
  await expect(page.getByRole('heading', { name: 'Log of settings' })).toBeVisible()
  expect(await violations(page)).toEqual([])
  const csv = await saved(page, () => actor.press('CSV'))
  expect(csv.name).toBe('lifeboat-starboard-engine-log-of-settings.csv')
  expect(csv.text).toContain('Job 2,12 November 2026,Look only,2 480 hours')
  await actor.open('Keep one more')
  await actor.press(/^Timing chain, every 4 000 hours/)
  await expect(page.getByText(/^Timing chain: due/)).toBeVisible()
  const calendar = await saved(page, () => actor.press('Calendar file'))
  expect(calendar.text).toContain('BEGIN:VEVENT')
  expect(calendar.text).toMatch(/SUMMARY:.*Timing chain/)
  await page.goto('/demo/job/job-lifeboat-2/card/short')
  const short = page.getByRole('article', { name: 'Short card' })
  await expect(short).toContainText('Job 2, 12 November 2026')
  const code = page.getByRole('img', { name: /to be scanned/ })
  await expect(code).toHaveJSProperty('complete', true)
  const text = decoded(await pixels(page, await code.screenshot()))
  expect(new TextEncoder().encode(text).length).toBeLessThanOrEqual(600)
  for (const line of text.split('\n').slice(1)) await expect(short).toContainText(line)
  expect(text).toContain('Job 2, 12 November 2026')
  // As PDF and as a picture, named after engine, job and date.
  await page.goto('/demo/job/job-lifeboat-2/card')
  const pdf = await saved(page, () => actor.press('PDF'))
  expect(pdf.name).toBe('lifeboat-starboard-engine-job-2-2026-11-12-card.pdf')
  expect(pdf.text.startsWith('%PDF')).toBe(true)
  const picture = await saved(page, () => actor.press('Picture'))
  expect(picture.name).toBe('lifeboat-starboard-engine-job-2-2026-11-12-card.png')
})

inLong(
  'look only on an oil engine: looked over, read, measured, and a verdict of wear on the card',
  async ({ page }) => {
    const actor = new MouseHand(page)
    await page.goto('/demo/engine/lifeboat')
    await actor.press('Start a job')
    await page.getByText('Look only', { exact: true }).click()
    await actor.choose('Wear is judged by', 'road diesel, single chain')
    await actor.choose('True TDC is proved by', 'the marks alone')
    await actor.press(/^Begin: /)
    await startTicks(page)
    await goOn(actor)
    for (const button of await page.getByRole('button', { name: 'It goes on' }).all()) await button.click()
    await goOn(actor)
    await passOver(actor, 'no blades here')
    await goToStep(actor, /^Wear/)
    await actor.write('Over how many pitches', '20')
    await actor.write('Measured, pulled lightly', '255.5 mm')
    await actor.press('Write it down: chain')
    await expect(stepPanel(page)).toContainText('longer than new')
    await goToStep(actor, /^Pressures/)
    await actor.write('Cylinder 1', '28 bar')
    await actor.press('Write down cylinder 1')
    await actor.write('Cylinder 2', '260 psi')
    await actor.press('Write down cylinder 2')
    await expect(stepPanel(page)).toContainText('Cylinder 2 is the lowest, 64% of the best')
    const card = await sign(actor)
    await expect(card).toContainText('Look only')
    await expect(card).toContainText('looked at')
    await expect(card).toContainText('Lowest 64% of the best')
  },
)

inLong(
  'a broken belt on an engine nobody knows: timed from nothing, and nothing is said to be as found',
  async ({ page }) => {
    const actor = new MouseHand(page)
    await newEngine(actor, 'Fork lift', [['Camshafts are driven by', 'one belt, two camshafts']])
    await begin(actor, 'Time it from nothing', { cameIn: 'Belt broken' })
    await expect(guard(actor)).toContainText(/Not known|Do not turn/)
    await expect(page.getByRole('button', { name: /^As found/ })).toHaveCount(0)
    await goOn(actor)
    await expect(page.getByRole('heading', { name: 'True TDC' })).toBeVisible()
    await passOver(actor, 'no wheel on a fork lift')
    await goToStep(actor, /^Which TDC/)
    await expect(stepPanel(page)).toContainText('It came in with its belt off')
    const card = await sign(actor)
    await expect(card).toContainText('Came in belt broken')
    await expect(card).toContainText('broken: renew now')
  },
)

inLong(
  'lash and shims with the camshaft out: the chain that hangs is held before the crank turns',
  async ({ page }) => {
    const actor = new MouseHand(page)
    await newEngine(actor, 'Hill climber', [])
    await figures(actor, [
      ['Inlet lash, cold', '0.20 mm'],
      ['Exhaust lash, cold', '0.20 mm'],
      ['Thinnest shim you can buy', '2.00 mm'],
      ['Thickest shim you can buy', '3.00 mm'],
      ['They come in steps of', '0.05 mm'],
    ])
    await actor.press('Set by these shims')
    await allWritten(page)
    await begin(actor, 'Valve clearances')
    await goOn(actor)
    for (const valve of ['1 inlet', '1 exhaust']) {
      await actor.write(`Lash, ${valve}`, '0.30 mm')
      await actor.press(`Write down lash, ${valve}`)
      await actor.write(`Shim, ${valve}`, '2.50 mm')
      await actor.press(`Write down shim, ${valve}`)
    }
    await expect(page.getByRole('region', { name: 'Shims' })).toContainText('2.60')
    await goOn(actor)
    await actor.press(/^(It stands at the timing position|The .* is at .*)$/)
    await actor.press('Tensioner held back, its pin in')
    await actor.press('Chain is off')
    await goOn(actor)
    await guard(actor)
      .getByRole('button', { name: /^Guard/ })
      .click()
    await actor.open('Camshafts')
    await actor.press('Out')
    await expect(page.getByRole('dialog')).toContainText('hangs free and jams at the crank')
    await actor.press('It is held taut')
    await expect(page.getByRole('dialog')).not.toContainText('hangs free and jams at the crank')
    await page.keyboard.press('Escape')
    const card = await sign(actor, 'shims are on their way')
    await expect(card).toContainText('Valve clearances')
    await expect(card).toContainText('too wide by')
  },
)

inLong('a walk by the lobes: one lobe wrong, and one that cannot have come from stop to stop', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/engine/tourer')
  await begin(actor, 'Prove what was done')
  await goToStep(actor, /^Full turns/)
  await actor.press('One full turn done')
  await actor.press('One full turn done')
  await actor.open('Walk round the cycle')
  await actor.choose('Cylinder 1: inlet, its lobe', 'lobe to 3')
  await actor.press('Turned on by half a turn')
  await actor.choose('Cylinder 1: inlet, its lobe', 'lobe to 3')
  await expect(page.getByRole('alert').filter({ hasText: 'Both cannot be' })).toBeVisible()
  const card = await sign(actor)
  await expect(card).toContainText('Walk round the cycle')
  await expect(card).toContainText('Both cannot be')
})

/** What is saved when something is pressed: its name, and its text. */
async function saved(page: Page, press: () => Promise<void>) {
  const [download] = await Promise.all([page.waitForEvent('download'), press()])
  const text = await readFile(await download.path(), 'latin1')
  return { name: download.suggestedFilename(), text: Buffer.from(text, 'latin1').toString('utf8') }
}

interface Pixels {
  readonly data: readonly number[]
  readonly width: number
  readonly height: number
}

/** A picture of the page as pixels, by another page that has no rules against it. */
async function pixels(page: Page, png: Buffer): Promise<Pixels> {
  const other = await page.context().newPage()
  const read = await other.evaluate(async (base64) => {
    const image = new Image()
    image.src = `data:image/png;base64,${base64}`
    await image.decode()
    const canvas = document.createElement('canvas')
    canvas.width = image.width
    canvas.height = image.height
    const context = canvas.getContext('2d')
    context?.drawImage(image, 0, 0)
    const { data, width, height } = context?.getImageData(0, 0, image.width, image.height) ?? new ImageData(1, 1)
    return { data: [...data], width, height }
  }, png.toString('base64'))
  await other.close()
  return read
}

/** The package is called by its own name or as the default of a module, as it was loaded. */
const decode = ('default' in jsqr ? jsqr.default : jsqr) as typeof jsqr
const decoded = ({ data, width, height }: Pixels) => decode(Uint8ClampedArray.from(data), width, height)?.data ?? ''

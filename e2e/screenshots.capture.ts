import { expect, test, type Page } from '@playwright/test'

/* One picture of each main view, from the demo workshop, into docs/screenshots/. */
interface Shot {
  readonly name: string
  readonly path: string
  readonly ready: string
  readonly dark?: boolean
  readonly phone?: boolean
  readonly then?: (page: Page) => Promise<void>
}

const COUNT = 'Lay the chain one tooth further'
const shots: readonly Shot[] = [
  { name: 'workshop', path: '/demo', ready: 'On the stands' },
  { name: 'workshop-phone', path: '/demo', ready: 'On the stands', phone: true },
  {
    name: 'engine',
    path: '/demo/engine/tourer?part=wheel:inlet-sprocket',
    ready: 'Teeth, inlet sprocket',
  },
  { name: 'count', path: '/demo/job/job-tractor-3', ready: COUNT },
  { name: 'bolts-dark', path: '/demo/job/job-fire-pump-3', ready: 'Lash as left', dark: true, then: showBolts },
  { name: 'counting-phone', path: '/demo/job/job-tractor-3', ready: COUNT, phone: true, then: countAgain },
  { name: 'true-tdc', path: '/demo/job/job-sidecar-1', ready: 'It meets', then: showTrueTdc },
  { name: 'by-marks', path: '/demo/job/job-tricycle-1', ready: 'Moved it: look again' },
  { name: 'pump', path: '/demo/job/job-locomotive-3', ready: 'move it earlier' },
  { name: 'slack', path: '/demo/job/job-tourer-3', ready: 'Slack, place by place' },
  { name: 'valves', path: '/demo/job/job-tourer-1', ready: 'Card', then: showValves },
  { name: 'ear-phone', path: '/demo/engine/launch/job', ready: 'What is it here for?', phone: true, then: showEar },
  { name: 'belt', path: '/demo/engine/launch?part=loop:belt', ready: 'What can be answered now', then: showLinkMap },
  { name: 'paper', path: '/demo/engine/sidecar/paper', ready: 'Marks along the rim' },
  { name: 'new-job', path: '/demo/engine/lifeboat/job', ready: 'What is it here for?', then: showLookOnly },
  { name: 'bench-mode', path: '/demo/job/job-tractor-3', ready: COUNT, then: (page) => page.keyboard.press('b') },
  {
    name: 'guard',
    path: '/demo/job/job-tractor-3',
    ready: COUNT,
    then: (page) => page.getByRole('button', { name: /^Guard/ }).click(),
  },
  { name: 'log', path: '/demo/engine/lifeboat/log', ready: 'visit by visit' },
  { name: 'card', path: '/demo/job/job-lifeboat-1/card', ready: 'proved by two witnesses' },
]

/** A purpose chosen, with how it is done here for that. */
async function showLookOnly(page: Page) {
  await page.getByText('Look only', { exact: true }).click()
  await expect(page.getByRole('radio', { name: /^Look only/ })).toBeChecked()
}

/** A belt listened to by the simulated microphone. */
async function showEar(page: Page) {
  await page.getByText('Tension only', { exact: true }).click()
  await page.getByLabel('Tension is judged by').selectOption({ label: 'pitch in hertz' })
  await page.getByRole('button', { name: /^Begin: / }).click()
  await expect(page.getByRole('heading', { name: 'Make safe' })).toBeVisible()
  for (const tick of await page.getByRole('checkbox').all()) await tick.click()
  await page.getByRole('button', { name: /^Go on/ }).click()
  await page.getByRole('button', { name: 'Simulated microphone' }).click()
  await expect(page.getByText(/that agree/)).toBeVisible()
  await page.getByText('Simulated: no engine was listened to.').scrollIntoViewIfNeeded()
}

/** Head bolts in hand, half way through their angle. */
async function showBolts(page: Page) {
  await page
    .getByRole('button', { name: /^Tighten: head bolts/ })
    .filter({ visible: true })
    .click()
  await expect(page.getByText('You were interrupted')).toBeVisible()
}

async function countAgain(page: Page) {
  await page.getByRole('button', { name: 'Moved it: count again' }).click()
  const counter = page.getByRole('button', { name: /counted\. Touch for each pin/ })
  for (let i = 0; i < 28; i++) await counter.click()
  await expect(counter).toHaveAccessibleName(/^28 counted/)
  await page.evaluate(() => window.scrollTo(0, 0))
}

async function showTrueTdc(page: Page) {
  await page
    .getByRole('button', { name: /^True TDC/ })
    .filter({ visible: true })
    .click()
  await page.getByText('Wheel', { exact: true }).click()
  await expect(page.getByRole('img', { name: /^Degree wheel/ })).toBeVisible()
}

/** What is wrong and the one move, beside the valves of the first cylinder. */
async function showValves(page: Page) {
  await page
    .getByRole('button', { name: /^As found: inlet/ })
    .filter({ visible: true })
    .click()
  await page.getByText('Valves', { exact: true }).click()
  await expect(page.getByRole('figure', { name: /^Valve lift over the cycle/ })).toBeVisible()
  const wrong = page.getByRole('region', { name: 'What is wrong' })
  await expect(page.getByRole('region', { name: 'The one move' }).getByText('Other ways')).toBeVisible()
  await wrong.evaluate((node) => node.scrollIntoView({ block: 'start' }))
}

async function showLinkMap(page: Page) {
  await page.locator('summary').filter({ hasText: 'Link map' }).click()
  await page.locator('.link-map').evaluate((node) => node.scrollIntoView({ block: 'center' }))
}

for (const { name, path, ready, dark, phone, then } of shots) {
  test.describe(name, () => {
    test.use({
      colorScheme: dark ? 'dark' : 'light',
      viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
      isMobile: phone ?? false,
      hasTouch: phone ?? false,
    })
    test('picture', async ({ page }) => {
      await page.goto(path)
      await expect(page.getByText(ready).filter({ visible: true }).first()).toBeVisible()
      await then?.(page)
      await page.evaluate(() => document.fonts.ready.then(() => undefined))
      await page.screenshot({ path: `docs/screenshots/${name}.png` })
    })
  })
}

import { expect, test, type Page } from '@playwright/test'
import { violations } from './axe'

const screens: readonly (readonly [name: string, path: string, ready: string, then?: (page: Page) => Promise<void>])[] =
  [
    ['workshop', '/demo', 'On the stands'],
    ['empty workshop', '/own', 'No engine on the stands yet.'],
    ['new engine', '/demo', 'On the stands', (page) => page.getByRole('button', { name: 'New engine' }).click()],
    ['build sheet', '/demo/engine/tractor', 'What can be answered now'],
    ['build sheet of a V-twin', '/demo/engine/sidecar?part=firing:', 'Fires 1 at 0°'],
    [
      'build sheet of a belt',
      '/demo/engine/launch?part=loop:belt',
      'Sums at the bench',
      async (page) => {
        await page.getByText('Sums at the bench').click()
        await page.getByText('Runs and wraps').click()
        await page.locator('summary').filter({ hasText: 'Link map' }).click()
      },
    ],
    ['on paper', '/demo/engine/sidecar/paper', 'Marks along the rim'],
    [
      'readings of the zero',
      '/demo/job/job-sidecar-1',
      'It meets',
      async (page) => {
        await page
          .getByRole('button', { name: /^True TDC/ })
          .filter({ visible: true })
          .click()
        await page.getByText('Marks', { exact: true }).click()
        await page.getByText('Plan the reading').click()
        await expect(page.getByRole('figure', { name: /^± of TDC against drop/ })).toBeVisible()
      },
    ],
    [
      'to another cylinder',
      '/demo/job/job-lifeboat-1',
      'Next:',
      (page) => page.getByRole('button', { name: 'To another cylinder' }).click(),
    ],
    [
      'one cylinder after the other, by marks',
      '/demo/job/job-tricycle-1',
      'Moved it: look again',
      async (page) => {
        await page
          .getByRole('radiogroup', { name: /^Where the .*mark stands/ })
          .getByText('Off', { exact: true })
          .click()
      },
    ],
    ['card by marks', '/demo/job/job-locomotive-1/card', 'Flywheel line'],
    ['a sprocket of an engine', '/demo/engine/tourer?part=wheel:inlet-sprocket', 'Teeth, inlet sprocket'],
    ['a valve of an engine', '/demo/engine/tourer?part=valve:inlet', 'Inlet top lift'],
    ['cylinders of an engine', '/demo/engine/launch?part=firing:', 'Firing order'],
    ['half-filled build sheet', '/demo/engine/locomotive', 'What can be answered now'],
    ['count', '/demo/job/job-tractor-3', 'Lay the chain one tooth further'],
    ['set the cam', '/demo/job/job-sidecar-1', 'It meets'],
    ['degree wheel', '/demo/job/job-sidecar-1', 'It meets', (page) => page.getByText('Wheel', { exact: true }).click()],
    [
      'true TDC',
      '/demo/job/job-searchlight-1',
      'To the timing position',
      (page) =>
        page
          .getByRole('button', { name: /^True TDC/ })
          .filter({ visible: true })
          .click(),
    ],
    [
      'as found',
      '/demo/job/job-searchlight-1',
      'To the timing position',
      (page) =>
        page
          .getByRole('button', { name: /^As found/ })
          .filter({ visible: true })
          .click(),
    ],
    [
      'valves, causes and the one move',
      '/demo/job/job-tourer-1',
      'Card',
      async (page) => {
        await page
          .getByRole('button', { name: /^As found: inlet/ })
          .filter({ visible: true })
          .click()
        for (const way of [
          'Opening and closing',
          'Lobe centre',
          'Both valves rocking',
          'Pin, slot or flat',
          'Lobe as a clock',
        ])
          await page.locator('summary').filter({ hasText: way }).click()
        await page.getByText('Valves', { exact: true }).click()
        await expect(page.getByRole('figure', { name: /^Valve lift over the cycle/ })).toBeVisible()
        await expect(page.getByRole('region', { name: 'The one move' }).getByText('Other ways')).toBeVisible()
      },
    ],
    [
      'hanging a belt',
      '/demo/engine/launch',
      'What can be answered now',
      async (page) => {
        await page.getByRole('button', { name: 'Start a job' }).click()
        await page.getByText('Belt off', { exact: true }).click()
        await page.getByRole('button', { name: /^Begin: / }).click()
        await page
          .getByRole('button', { name: /^Belt on: count/ })
          .filter({ visible: true })
          .click()
        await page.locator('summary').filter({ hasText: 'Locks on the camshafts' }).click()
      },
    ],
    [
      'guard',
      '/demo/job/job-tractor-3',
      'Lay the chain one tooth further',
      (page) => page.getByRole('button', { name: /^Guard/ }).click(),
    ],
    ['ledger', '/demo/job/job-tractor-3', 'Lay the chain one tooth further', (page) => page.keyboard.press('l')],
    ['bench mode', '/demo/job/job-tractor-3', 'Lay the chain one tooth further', (page) => page.keyboard.press('b')],
    ['card', '/demo/job/job-lifeboat-1/card', 'proved by two witnesses'],
    ['card, not proved', '/demo/job/job-tourer-1/card', 'Not proved'],
  ]

/** What a page asks for elsewhere, and what it complains of. */
function listen(
  page: Page,
  baseURL: string | undefined,
): { readonly outside: string[]; readonly complaints: string[] } {
  const [outside, complaints]: [string[], string[]] = [[], []]
  page.on('request', (request) => {
    if (!request.url().startsWith(baseURL ?? '') && !/^(blob|data):/.test(request.url())) outside.push(request.url())
  })
  page.on('console', (message) => message.type() === 'error' && complaints.push(message.text()))
  page.on('pageerror', (error) => complaints.push(error.message))
  return { outside, complaints }
}

/* In one visit each, as opening the workshop takes longer than looking at a screen. */
const middle = Math.ceil(screens.length / 2)
for (const [which, some] of [
  ['first', screens.slice(0, middle)],
  ['second', screens.slice(middle)],
] as const) {
  test(`axe finds nothing, light and dark, no request leaves the origin, nothing breaks the policy: ${which} half of the screens`, async ({
    page,
    baseURL,
  }) => {
    const { outside, complaints } = listen(page, baseURL)
    for (const [name, path, ready, then] of some)
      await test.step(name, async () => {
        await page.emulateMedia({ colorScheme: 'light' })
        await page.goto(path)
        await expect(page.getByText(ready).filter({ visible: true }).first()).toBeVisible()
        await then?.(page)
        expect.soft(await violations(page), `${name}, light`).toEqual([])
        await page.emulateMedia({ colorScheme: 'dark' })
        await expect(page.locator('html')).toHaveAttribute('data-mantine-color-scheme', 'dark')
        // Nothing but the colours is another.
        const colours = { part: 'html', rule: 'color-contrast' }
        expect.soft(await violations(page, colours), `${name}, dark`).toEqual([])
        expect.soft(outside.splice(0), name).toEqual([])
        expect.soft(complaints.splice(0), name).toEqual([])
      })
  })
}

for (const path of ['/demo/job/job-tractor-3', '/demo'])
  test(`words can be read under the pointer and with the focus, light and dark: ${path}`, async ({ page }) => {
    for (const colorScheme of ['light', 'dark'] as const) {
      await page.emulateMedia({ colorScheme })
      await page.goto(path)
      await expect(page.locator('h1, h2').filter({ visible: true }).first()).toBeVisible()
      // One of each look is enough.
      const looks = await page.locator('button:visible, a:not(.skip):visible, summary:visible').evaluateAll((all) => {
        const seen = new Set<string>()
        return all.flatMap((one, i) => {
          const look = `${one.tagName} ${one.className} ${one.getAttribute('data-variant') ?? ''} ${one.closest('header') ? 'header' : ''}`
          if (seen.has(look) || (one as HTMLButtonElement).disabled) return []
          seen.add(look)
          one.setAttribute('data-look', String(i))
          return [i]
        })
      })
      expect(looks.length).toBeGreaterThan(3)
      for (const look of looks) {
        const part = `[data-look="${look}"]`
        await page.locator(part).hover()
        expect.soft(await violations(page, { part, rule: 'color-contrast' }), `${path} hovered ${part}`).toEqual([])
        await page.locator(part).focus()
        expect.soft(await violations(page, { part, rule: 'color-contrast' }), `${path} focused ${part}`).toEqual([])
      }
    }
  })

test.describe('on a phone', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  test('every screen fits the width and axe finds nothing', async ({ page }) => {
    for (const [name, path, ready] of screens.filter(([, , , then]) => !then))
      await test.step(name, async () => {
        await page.goto(path)
        await expect(page.getByText(ready).filter({ visible: true }).first()).toBeVisible()
        expect.soft(await page.evaluate(() => document.documentElement.scrollWidth), name).toBeLessThanOrEqual(390)
        expect.soft(await violations(page), name).toEqual([])
      })
  })
})

test.describe('offline', () => {
  test.use({ serviceWorkers: 'allow' })
  test('once visited, everything opens and works without the network', async ({ page, context }) => {
    await page.goto('/demo')
    await expect(page.getByRole('heading', { name: 'On the stands' })).toBeVisible()
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => undefined))
    await context.setOffline(true)
    await page.goto('/demo/job/job-tractor-3')
    await page.getByRole('button', { name: 'Moved it: count again' }).click()
    await expect(page.getByRole('button', { name: /^0 counted/ })).toBeVisible()
    await page.goto('/demo/engine/sidecar')
    await expect(page.getByRole('heading', { name: 'Sidecar outfit' })).toBeVisible()
    await page.goto('/demo/job/job-lifeboat-1/card')
    await expect(page.getByRole('article', { name: 'Timing card' })).toBeVisible()
  })
})

for (const [what, path, scriptKb, allKb] of [
  ['an own workshop', '/own', 220, 277],
  ['the demo', '/demo', 248, 306],
] as const)
  test(`a first visit to ${what} loads little`, async ({ page }) => {
    const client = await page.context().newCDPSession(page)
    await client.send('Network.enable')
    const types = new Map<string, string>()
    let [script, all] = [0, 0]
    client.on('Network.responseReceived', ({ requestId, type }) => types.set(requestId, type))
    client.on('Network.loadingFinished', ({ requestId, encodedDataLength }) => {
      all += encodedDataLength
      if (types.get(requestId) === 'Script') script += encodedDataLength
    })
    await page.goto(path)
    await expect(page.getByRole('heading', { name: 'On the stands' })).toBeVisible()
    await page.waitForLoadState('networkidle')
    console.log(`\n${path}: ${(script / 1000).toFixed(1)} kB of script, ${(all / 1000).toFixed(1)} kB in all`)
    expect(script).toBeLessThan(scriptKb * 1000)
    expect(all).toBeLessThan(allKb * 1000)
  })

import { expect, test } from '@playwright/test'

/** The tractor's chain lengthened by moving its cam away: half of what is added on each run. */
const chains = [
  { links: 120, distance: '430.1 mm' },
  { links: 400, distance: '1763.6 mm' },
] as const

for (const { links, distance } of chains) {
  /** Script per frame while the Face is turned: measured by the browser's own tracer, not by the page's clock. */
  test(`turning the Face with ${links} links`, async ({ page, browser }) => {
    await page.goto('/demo')
    await expect(page.getByRole('heading', { name: 'On the stands' })).toBeVisible()
    await page.goto('/demo/engine/tractor')
    await page.getByLabel('Crank centre to cam centre', { exact: true }).fill(distance)
    await page.getByLabel('Pitches in the whole chain', { exact: true }).fill(String(links))
    await page.keyboard.press('Tab')
    await expect(page.getByText(`${links} pitches`)).toBeVisible()
    await page.getByRole('button', { name: 'Start a job' }).click()
    await page.getByRole('button', { name: 'Start', exact: true }).click()
    await expect(page.getByRole('heading', { name: 'Make safe' })).toBeVisible()
    const frames = 300
    const client = await page.context().newCDPSession(page)
    await client.send('Performance.enable')
    const scriptSeconds = async () => {
      const { metrics } = await client.send('Performance.getMetrics')
      return metrics.find(({ name }) => name === 'ScriptDuration')?.value ?? NaN
    }
    const before = await scriptSeconds()
    const wallMs = await page.evaluate(async (n) => {
      const start = performance.now()
      for (let i = 0; i < n; i++) {
        window.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }))
        await new Promise((resolve) => requestAnimationFrame(resolve))
      }
      return performance.now() - start
    }, frames)
    const scriptMs = ((await scriptSeconds()) - before) * 1000
    console.log(
      `\nFace, ${links} links: ${(scriptMs / frames).toFixed(2)} ms of script a frame, ${(wallMs / frames).toFixed(1)} ms a frame in all, ${browser.version()}`,
    )
  })
}

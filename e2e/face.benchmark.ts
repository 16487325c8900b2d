import { expect, test } from '@playwright/test'

/** Script per frame while the Face is turned, on a chain of 120 links: measured by the browser's own tracer, not by the page's clock. */
test('turning the Face with 120 links', async ({ page, browser }) => {
  await page.goto('/demo')
  await expect(page.getByRole('heading', { name: 'On the stands' })).toBeVisible()
  // The tractor's chain lengthened to 120 pitches by moving its cam away: 24 more pitches on each run.
  await page.goto('/demo/engine/tractor')
  await page.getByLabel('Crank centre to cam centre', { exact: true }).fill('430.1 mm')
  await page.getByLabel('Pitches in the whole chain', { exact: true }).fill('120')
  await page.keyboard.press('Tab')
  await expect(page.getByText('120 pitches')).toBeVisible()
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
    `\nFace, 120 links: ${(scriptMs / frames).toFixed(2)} ms of script a frame, ${(wallMs / frames).toFixed(1)} ms a frame in all, ${browser.version()}`,
  )
})

import { expect, test, type Page } from '@playwright/test'
import { fileText, makeFile } from '@link-count/core/file'
import { firstJob } from '@link-count/core/testing/oneChain'
import { lifetime } from '@link-count/core/testing/lifetime'
import { goal } from './goal'
import { workSoFar } from './mainThread'

/* A workshop after a day, and after a lifetime: opened, written in, looked at, saved and brought back. */

const fileOf = (engines: number, entries: number) =>
  Buffer.from([...fileText(makeFile(lifetime(engines, entries), firstJob.at))].join(''))

const median = (numbers: readonly number[]) => [...numbers].sort((a, b) => a - b)[Math.floor(numbers.length / 2)] ?? NaN

/** Opens a file of so many engines in an empty workshop, and waits until every engine is summed up. */
async function fill(page: Page, engines: number, entries: number): Promise<void> {
  await page.goto('/own')
  await page.getByRole('button', { name: 'Open a file' }).click()
  const buffer = fileOf(engines, entries)
  const client = await page.context().newCDPSession(page)
  await client.send('Performance.enable')
  const begun = Date.now()
  await page
    .getByLabel('File', { exact: true })
    .setInputFiles({ name: 'all.linkcount.json', mimeType: 'application/json', buffer })
  await expect(page.getByRole('button', { name: 'Add them' })).toBeVisible({ timeout: 120_000 })
  const read = Date.now()
  const before = await workSoFar(client)
  await page.getByRole('button', { name: 'Add them' }).click()
  await expect(page.getByRole('dialog')).toBeHidden({ timeout: 300_000 })
  console.log(
    `\n${engines} engines, ${entries} lines: file read in ${read - begun} ms, taken in ${Date.now() - read} ms, ${Math.round((await workSoFar(client)) - before)} ms of it on the page's thread`,
  )
  const waiting = () =>
    page.evaluate(
      () =>
        new Promise<number>((resolve, reject) => {
          const open = indexedDB.open('link-count-own')
          open.onerror = () => reject(open.error ?? new Error('not opened'))
          open.onsuccess = () => {
            const all = open.result.transaction('summaries').objectStore('summaries').getAll()
            all.onsuccess = () => {
              open.result.close()
              resolve(all.result.filter((row: { summary?: unknown }) => row.summary).length)
            }
          }
        }),
    )
  await expect.poll(waiting, { timeout: 300_000, intervals: [1000] }).toBe(engines)
}

/** From the address to the first engine with what it needs next, the median of some. */
async function opens(page: Page): Promise<number> {
  const times: number[] = []
  for (let i = 0; i < 5; i++) {
    await page.goto('about:blank')
    const begun = Date.now()
    await page.goto('/own')
    await expect(page.locator('.stand-progress .chain-progress').first()).toBeVisible()
    times.push(Date.now() - begun)
  }
  return median(times)
}

test('a workshop opens as fast after a lifetime as after a day', async ({ browser }) => {
  test.setTimeout(900_000)
  const took: number[] = []
  for (const [engines, entries] of [
    [10, 1000],
    [100, 10_000],
    [1000, 100_000],
  ] as const) {
    const context = await browser.newContext()
    const page = await context.newPage()
    await fill(page, engines, entries)
    took.push(await opens(page))
    console.log(`${engines} engines, ${entries} lines: the workshop opens in ${took.at(-1)} ms`)
    await context.close()
  }
  goal('the largest against the smallest', (took[2] ?? NaN) / (took[0] ?? NaN), { most: 2, unit: 'times' })
})

test('a job of 5,000 lines is written in, and its ledger typed in', async ({ page }) => {
  test.setTimeout(300_000)
  await fill(page, 1, 5000)
  const client = await page.context().newCDPSession(page)
  await client.send('Performance.enable')
  await page.getByRole('link', { name: /^Go on/ }).click()
  await expect(page.locator('.step-panel')).toBeVisible()
  const tick = page.getByRole('checkbox').first()
  await expect(tick).toBeVisible()
  const works: number[] = []
  const acks: number[] = []
  for (let i = 0; i < 21; i++) {
    const isOn = await tick.isChecked()
    const before = await workSoFar(client)
    const begun = Date.now()
    await tick.click()
    await expect(tick).toBeChecked({ checked: !isOn })
    acks.push(Date.now() - begun)
    works.push((await workSoFar(client)) - before)
  }
  console.log(`\nwritten in a job of 5,000 lines, shown as written after ${median(acks)} ms`)
  goal('work on the page’s thread for a line', median(works), { most: 16, unit: 'ms' })
  await page.getByRole('button', { name: 'Ledger' }).click()
  const note = page.getByLabel('Note, or words for a picture')
  await note.click()
  const keys = 'the same line as in every other job of that year'
  const before = await workSoFar(client)
  await page.keyboard.type(keys, { delay: 40 })
  await expect(note).toHaveValue(keys)
  const each = ((await workSoFar(client)) - before) / keys.length
  goal('work on the page’s thread for a key in the ledger', each, { most: 8, unit: 'ms' })
})

import { expect, test, type Page } from '@playwright/test'
import { MouseHand } from './actor'

/* Forty things that nobody means, typed into every field that the pages have, found by walking them. Whatever is typed, nothing breaks, nothing that was
 * typed goes without being taken, and nothing is refused only when it is written. ABSURD=all types all of them into every field. */

const ABSURD = [
  '-1',
  '0',
  '60 mm',
  '1e9',
  '1e999',
  '-1e999',
  'NaN',
  'Infinity',
  '--5',
  '5--',
  '1,5',
  '1.2.3',
  '1,2,3',
  '0x10',
  '٣',
  '½',
  '3/0',
  '0/0',
  '1/3/5',
  '9999999999999999999999',
  '0.0000000001',
  '-0',
  '+7',
  '1 000 000 mm',
  '12 parsecs',
  '4.8 mm 5',
  'mm',
  'in',
  '-400 in',
  '7200',
  '361',
  "13 o'clock",
  '99:99',
  '<script>alert(1)</script>',
  '"; drop table',
  '\u202e321',
  '🔧',
  'constructor',
  '__proto__',
  'x'.repeat(300),
] as const
const EACH = process.env['ABSURD'] === 'all' ? ABSURD.length : 2

interface Tried {
  readonly label: string
  readonly typed: string
  readonly after: string
}

/** Types into every text field in sight, leaves it and presses Enter in it; gives what a field then held that did not keep what was typed. */
async function typeAbsurd(page: Page, from: number, within: string): Promise<{ fields: number; lost: Tried[] }> {
  return page.evaluate(
    async ([things, each, start, within]) => {
      const settle = async () => {
        for (let i = 0; i < 400; i++) {
          await new Promise((resolve) => setTimeout(resolve))
          if ((document.documentElement.dataset['unwritten'] ?? '0') === '0') return
        }
      }
      const labelOf = (field: HTMLInputElement | HTMLTextAreaElement) =>
        field.labels?.[0]?.textContent ?? field.getAttribute('aria-label') ?? field.name
      const fields = () =>
        [
          ...document.querySelectorAll<HTMLInputElement | HTMLTextAreaElement>(`${within} input, ${within} textarea`),
        ].filter(
          (one) =>
            (one.tagName === 'TEXTAREA' || one.type === 'text') &&
            !one.disabled &&
            !one.readOnly &&
            !one.closest('.part-list'),
        )
      const set = (field: HTMLInputElement | HTMLTextAreaElement, text: string) => {
        field.focus()
        const proto = field instanceof HTMLTextAreaElement ? HTMLTextAreaElement : HTMLInputElement
        Object.getOwnPropertyDescriptor(proto.prototype, 'value')?.set?.call(field, text)
        field.dispatchEvent(new Event('input', { bubbles: true }))
      }
      // How many lines the ledgers have: what was written away is taken.
      const entries = () =>
        new Promise<number>((resolve, reject) => {
          const open = indexedDB.open('link-count-demo')
          open.onerror = () => reject(open.error ?? new Error('no store'))
          open.onsuccess = () => {
            const count = open.result.transaction('entries').objectStore('entries').count()
            count.onsuccess = () => {
              open.result.close()
              resolve(count.result)
            }
          }
        })
      let before = await entries()
      const lost: { label: string; typed: string; after: string }[] = []
      const count = fields().length
      for (let k = 0; k < count; k++) {
        for (let n = 0; n < each; n++) {
          const field = fields()[k]
          if (!field) break
          const typed = (things[(start + 7 * k + n) % things.length] ?? '').slice(
            0,
            field.maxLength > 0 ? field.maxLength : undefined,
          )
          set(field, typed)
          await settle()
          field.dispatchEvent(new KeyboardEvent('keydown', { key: 'Enter', bubbles: true }))
          field.blur()
          await settle()
          const now = field.isConnected ? field : fields()[k]
          const after = now?.value ?? ''
          if (after.trim() === typed.trim() || after !== '' || !now) continue
          const written = await entries()
          if (written === before) lost.push({ label: labelOf(now), typed, after })
          before = written
        }
      }
      return { fields: count, lost }
    },
    [ABSURD as readonly string[], EACH, from, within] as const,
  )
}

test('every field of every page takes forty absurd things with a word beside it, and loses none', async ({ page }) => {
  test.setTimeout(60_000 + EACH * 90_000)
  const errors: string[] = []
  page.on('pageerror', (error) => errors.push(error.message))
  const seen = new Map<string, number>()
  const check = async (where: string, within = 'body') => {
    const { fields, lost } = await typeAbsurd(page, seen.size, within)
    seen.set(where, fields)
    expect(lost, where).toEqual([])
    expect(errors, where).toEqual([])
    await expect(page.locator('.notice.failed'), where).toHaveCount(0)
    await expect(page.getByText('Something of ours went wrong'), where).toHaveCount(0)
  }
  const actor = new MouseHand(page)
  await page.goto('/demo')
  await page.locator('.stand').first().waitFor()
  const engines = await page
    .locator('.stand h2')
    .evaluateAll((all) => all.map((one) => one.closest('a')?.getAttribute('href') ?? ''))
  for (const address of EACH === ABSURD.length ? engines : engines.slice(0, 1)) {
    await page.goto(address)
    await page.locator('details.part-list > summary').click()
    await page.locator('details').evaluateAll((all) => all.forEach((one) => one.setAttribute('open', '')))
    await check(address)
    await page.getByLabel('Find a part or a figure').fill('')
    const parts = await page.locator('.part-line').evaluateAll((all) => all.map((one) => one.getAttribute('data-part')))
    for (const part of parts) {
      await page.goto(`${address}?part=${part ?? ''}`)
      await page.locator('.part-panel').waitFor()
      await page.locator('.part-panel details').evaluateAll((all) => all.forEach((one) => one.setAttribute('open', '')))
      await check(`${address} ${part ?? ''}`, '.part-panel')
    }
    await page.goto(`${address}/paper`)
    await page.locator('main').waitFor()
    await check(`${address}/paper`)
  }
  await page.goto('/demo/job/job-tractor-3')
  await page.locator('.step-panel').waitFor()
  const steps = await page.locator('.sheet-list button:visible').count()
  for (let i = 0; i < steps; i++) {
    await page.locator('.sheet-list button:visible').nth(i).click()
    await page.locator('.step-panel details').evaluateAll((all) => all.forEach((one) => one.setAttribute('open', '')))
    await check(`step ${i + 1}`)
  }
  await actor.press('Ledger')
  await check('ledger')
  const total = [...seen.values()].reduce((sum, n) => sum + n, 0)
  console.log(`${total} fields on ${seen.size} pages, ${EACH} absurd things each`)
  expect(total).toBeGreaterThan(60)
})

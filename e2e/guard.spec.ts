import { AT_ITS_PLACE } from './beginEngine'
import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { MouseHand } from './actor'

const guard = (page: Page) => page.getByLabel('Guard', { exact: true })
const openGuard = (page: Page) => page.getByRole('button', { name: /^Guard/ }).click()
const close = (page: Page) => page.getByRole('button', { name: 'Close', exact: true }).click()

async function putIn(actor: MouseHand, what: string, where: string) {
  await actor.choose('Put on the register', what)
  await actor.write('Where', where)
  await actor.press('It is so')
  await expect(actor.page.getByRole('dialog').getByText(`${what}: ${where}`).first()).toBeVisible()
}

/** The lines that the verdict and its reason take, and whether any of it is cut or out of sight. */
const verdictLines = (page: Page) =>
  page.evaluate(() => {
    const parts = [...document.querySelectorAll<HTMLElement>('.guard-main strong, .guard-main .guard-why')].filter(
      (part) => part.offsetParent !== null,
    )
    const lines = (part: HTMLElement) => {
      const range = document.createRange()
      range.selectNodeContents(part)
      return new Set([...range.getClientRects()].map(({ bottom }) => Math.round(bottom))).size
    }
    const cut = (part: HTMLElement) => {
      const { left, right, top, bottom, width } = part.getBoundingClientRect()
      const inside = left >= 0 && right <= innerWidth + 0.5 && top >= 0 && bottom <= innerHeight + 0.5
      return (
        !inside || width < 40 || part.scrollWidth > part.clientWidth + 1 || part.scrollHeight > part.clientHeight + 2
      )
    }
    const beside = innerWidth > 900
    const each = parts.map(lines)
    return {
      shown: parts.length,
      lines: beside ? Math.max(...each) : each.reduce((sum, n) => sum + n, 0),
      cut: parts.some(cut),
    }
  })

test('the verdict is whole however long the names on the register are, and they are seen without opening it', async ({
  page,
}) => {
  const actor = new MouseHand(page)
  for (const path of ['/demo/job/job-searchlight-1', '/demo/job/job-tractor-3']) {
    await page.goto(path)
    await openGuard(page)
    await putIn(actor, 'Rag in', 'inlet port of cylinder 2, behind the manifold and the stay')
    await putIn(actor, 'Tie on', 'camshaft sprocket to the head, both sides of the tunnel')
    await putIn(actor, 'Bolts finger tight', 'timing cover, lower row, four of them and the dowel')
    await close(page)
    for (const [width, height] of [
      [320, 640],
      [390, 844],
      [1024, 768],
      [1280, 800],
    ] as const) {
      await page.setViewportSize({ width, height })
      const where = `${path} at ${width}`
      await expect.poll(() => verdictLines(page), where).toEqual({ shown: 2, lines: expect.any(Number), cut: false })
      expect((await verdictLines(page)).lines, where).toBeLessThanOrEqual(3)
      const chips = page.locator('.guard .chip, .guard-inside span').filter({ visible: true })
      await expect(chips.first()).toBeVisible()
      for (const chip of await chips.all()) expect((await chip.boundingBox())?.width ?? 0, where).toBeGreaterThan(40)
      expect(await page.evaluate(() => document.documentElement.scrollWidth), where).toBeLessThanOrEqual(width)
    }
  }
})

test('a new job takes over what the last one left, says so, and wants the crank looked at before it is trimmed', async ({
  page,
}) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/engine/sidecar')
  await actor.press('Start a job')
  const left = page.getByRole('region', { name: 'Taken over' })
  await expect(left).toContainText('Still on this engine from job 1')
  await expect(left).toContainText('Rag in: chain tunnel')
  await expect(left).toContainText('first chain off at the timing position')
  await expect(page.getByRole('radio', { name: 'Chain off' })).toBeChecked()
  await expect(page.getByRole('checkbox', { name: 'First chain off' })).toBeChecked()
  await expect(page.getByRole('checkbox', { name: 'Second chain off' })).toBeChecked()
  await actor.press(/^Begin: /)
  await expect(guard(page)).toContainText('Do not turn')
  for (const tick of await page.getByRole('checkbox').all()) await tick.click()
  await expect(guard(page)).toContainText('Not known: do not turn yet')
  await expect(guard(page)).toContainText('Rag in')
  await expect(page.locator('.readout')).toContainText('reckoned, not proven')
  await actor.press(/^To the timing position, chain off: first/)
  await expect(page.locator('.instruction').first()).toContainText(
    'By the last job it stands at the timing position: firing TDC, cylinder 1. Look, and say so',
  )
  await actor.press(AT_ITS_PLACE)
  await expect(guard(page)).toContainText('Trim only: 4° either way')
  // Camshafts: out, or every valve of them relieved, frees the crank; the rag still does not.
  await openGuard(page)
  await actor.choose('Valves relieved: rockers off or slack', 'Cylinder 1')
  await actor.press('They are relieved')
  await expect(page.getByRole('dialog')).toContainText('Valves relieved: cylinder 1')
  await expect(page.getByRole('dialog')).toContainText('Interference engine, second chain off')
  await actor.open('Camshafts')
  await page.getByRole('group', { name: 'Second camshaft' }).getByRole('button', { name: 'Out', exact: true }).click()
  await expect(page.getByRole('dialog')).toContainText('Second chain off; valves and pistons cannot meet')
  for (const out of ['Rag is out', 'Pin is out', 'Pin is out']) await actor.press(out)
  // Its camshaft out, a chain hangs: it is held before the crank turns.
  await expect(page.getByRole('dialog')).toContainText('hangs free and jams at the crank')
  await actor.choose('Put on the register', 'Chain or belt held taut by hand')
  await actor.press('It is so')
  await close(page)
  await expect(guard(page)).toContainText('May be turned by hand')
})

test('said to stand where the turns written do not lead, it is asked which is wrong', async ({ page }) => {
  const actor = new MouseHand(page)
  const readout = page.locator('.readout')
  await page.goto('/demo/job/job-searchlight-1')
  await actor.press('I have turned it')
  await actor.write('Degrees of the crank', '95')
  await actor.press('Write it down')
  await expect(readout).toContainText('95.0°')
  await actor.press(AT_ITS_PLACE)
  const asked = page.getByRole('dialog', { name: 'The turns written do not lead there' })
  await expect(asked).toContainText('95° away from it')
  await actor.press('I looked again: it does not')
  await expect(readout).toContainText('95.0°')
  await actor.press(AT_ITS_PLACE)
  await actor.press('It stands there: the ledger is wrong')
  await expect(readout).toContainText('0.0°')
  await actor.press('Ledger')
  await expect(page.getByText('the crank stands where it was said to, the turns written are wrong')).toBeVisible()
})

test('a strike that changes what may be turned asks, and every strike can be undone from its notice', async ({
  page,
}) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/job/job-sidecar-1')
  await expect(guard(page)).toContainText('Rag in')
  await page.keyboard.press('u')
  const asked = page.getByRole('dialog', { name: 'This changes what may be turned' })
  await expect(asked).toContainText('Rag in: chain tunnel')
  await actor.press('Leave it')
  await expect(guard(page)).toContainText('Rag in')
  await page.keyboard.press('u')
  await actor.press('Strike it')
  await expect(guard(page)).not.toContainText('Rag in')
  await expect(page.getByText('Struck: Rag in: chain tunnel')).toBeVisible()
  await actor.press('Undo')
  await expect(guard(page)).toContainText('Rag in')
})

test('starting a count again, and putting the demo back, are undone from their notices', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/job/job-tractor-3')
  await actor.press('Moved it: count again')
  await actor.count(7)
  await actor.press('Start again')
  await expect(page.getByRole('button', { name: /^0 counted/ })).toBeVisible()
  await actor.press('Undo')
  await expect(page.getByRole('button', { name: /^7 counted/ })).toBeVisible()
  await page.goto('/demo')
  await actor.press('Put the demo back')
  await expect(page.getByText('The demo is as it was made.')).toBeVisible()
  await actor.press('Undo')
  await expect(page.getByText('The demo is as you had it.')).toBeVisible()
  await page.goto('/demo/job/job-tractor-3')
  await expect(page.getByRole('button', { name: /^7 counted/ })).toBeVisible()
})

test('single letters do nothing once they are turned off', async ({ page }) => {
  await page.goto('/demo/job/job-tractor-3')
  const side = page.getByRole('button', { name: /^Seen from/ })
  await expect(side).toContainText('timing side')
  await page.keyboard.press('f')
  await expect(side).toContainText('flywheel side')
  await page.keyboard.press('?')
  await page.getByLabel('Single letters do this').click()
  await close(page)
  await page.keyboard.press('f')
  await page.keyboard.press('u')
  await expect(side).toContainText('flywheel side')
  await expect(page.getByRole('dialog')).toBeHidden()
  await page.reload()
  await page.keyboard.press('f')
  await expect(side).toContainText('timing side')
})

test('a chain off by one device and on by another is not known until somebody says what is on the engine', async ({
  page,
}) => {
  const actor = new MouseHand(page)
  const file = JSON.parse(readFileSync(new URL('../app/db/fixtures/version-4.json', import.meta.url), 'utf8')) as {
    entries: Record<string, unknown>[]
  }
  const [first] = file.entries
  const line = (id: string, device: string, change: string) => ({
    ...first,
    ...{ id, device, counter: 900, seen: {}, kind: 'loop', loopId: 'chain', change },
    scale: undefined,
  })
  const entries = [line('one', 'd-8', 'off'), line('two', 'd-9', 'on')]
  await page.goto('/own')
  await actor.press('Open a file')
  await page.getByLabel('File', { exact: true }).setInputFiles({
    name: 'two.linkcount.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ ...file, entries })),
  })
  await actor.press(/^Add/)
  await expect(page.getByRole('dialog')).toBeHidden()
  await page.goto('/own/job/job')
  await expect(guard(page)).toContainText('Chain on and off, by two devices')
  await openGuard(page)
  await page
    .getByRole('group', { name: 'What do you see on the engine?' })
    .getByRole('button', { name: 'It is off' })
    .click()
  await expect(page.getByRole('dialog')).not.toContainText('by two devices')
  await expect(page.getByRole('dialog')).toContainText('chain off, and')
  await close(page)
  await actor.press('Ledger')
  await expect(page.getByText('Looked at the engine: Chain off')).toBeVisible()
  await expect(page.getByText('Written beside work on another device')).toHaveCount(2)
})

import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { expect, test, type Page } from '@playwright/test'
import { makeRandom } from '@link-count/core/random'
import { MouseHand } from '../actor'
import { allWritten } from '../allWritten'
import { beginEngine } from '../beginEngine'
import { PORT } from '../playwright.config'
import { Killable } from './killable'
import { readStored, type Raw } from './stored'

/* The browser is killed while something is written, again and again on one profile. What the page had acknowledged must be there at the next start, and
 * nothing may be there by half. KILLS says how often, KILL_SEED which moments. */

const KILLS = Number(process.env['KILLS'] ?? 10)
const SEED = Number(process.env['KILL_SEED'] ?? 1)
const base = `http://localhost:${PORT}`
const PNG = Buffer.from(
  'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mNkYPhfDwAChwGA60e6kgAAAABJRU5ErkJggg==',
  'base64',
)
const FIELDS = ['Stroke', 'Rod, centre to centre', 'Plug seat to crown, at the top']

/** What was tried and what the page had acknowledged before it was killed. */
class Ledger {
  readonly tried = new Map<string, string>()
  readonly acknowledged = new Map<string, string>()
  readonly notes: string[] = []
  pictures = 0
  readonly imports: { readonly engines: string[]; done: boolean }[] = []
}

type Work = () => Promise<never>

/** Each gets ready and gives the work that goes on until the kill. */
async function editSheet(page: Page, ledger: Ledger, serial: () => number): Promise<Work> {
  await page.getByLabel('Stroke', { exact: true }).waitFor()
  return async () => {
    for (;;) {
      for (const label of FIELDS) {
        const text = `${serial()} mm`
        ledger.tried.set(label, text)
        await page.getByLabel(label, { exact: true }).fill(text)
        await page.keyboard.press('Tab')
        await allWritten(page)
        ledger.acknowledged.set(label, text)
      }
    }
  }
}

async function openLedger(page: Page, job: string): Promise<void> {
  await page.goto(job)
  await expect(page.getByRole('heading', { name: 'Make safe' })).toBeVisible()
  await page.getByRole('button', { name: 'Ledger' }).first().click()
}

async function writeNotes(page: Page, job: string, ledger: Ledger, serial: () => number): Promise<Work> {
  await openLedger(page, job)
  return async () => {
    for (;;) {
      const text = `note ${serial()}`
      await page.getByLabel('Note, or words for a picture').fill(text)
      await page.getByRole('button', { name: 'Write the note' }).click()
      await page.getByText(text, { exact: true }).first().waitFor()
      await allWritten(page)
      ledger.notes.push(text)
    }
  }
}

async function addPictures(page: Page, job: string, ledger: Ledger): Promise<Work> {
  await openLedger(page, job)
  return async () => {
    for (;;) {
      const before = await page.getByRole('dialog').locator('img').count()
      await page
        .getByLabel('File of a picture of the job', { exact: true })
        .setInputFiles({ name: 'p.png', mimeType: 'image/png', buffer: PNG })
      await expect(page.getByRole('dialog').locator('img')).toHaveCount(before + 1)
      await allWritten(page)
      ledger.pictures++
    }
  }
}

async function openFiles(page: Page, file: string, ledger: Ledger, serial: () => number): Promise<Work> {
  await page.goto(`${base}/own`)
  await page.getByRole('button', { name: 'Open a file' }).waitFor()
  return async () => {
    for (;;) {
      const round = serial()
      const text = file.replaceAll('FRESH', `n${round}`)
      const engines = [0, 1, 2].map((k) => `n${round}-${k}`)
      const one = { engines, done: false }
      await page.getByRole('button', { name: 'Open a file' }).click()
      await page
        .getByLabel('File', { exact: true })
        .setInputFiles({ name: 'x.json', mimeType: 'application/json', buffer: Buffer.from(text) })
      ledger.imports.push(one)
      await page.getByRole('button', { name: 'Add them' }).click()
      await page.getByRole('dialog').waitFor({ state: 'detached' })
      await allWritten(page)
      one.done = true
    }
  }
}

function check(raw: Raw, ledger: Ledger): void {
  expect(raw.notes).toEqual(expect.arrayContaining(ledger.notes))
  expect(new Set(raw.notes).size, 'no note twice').toBe(raw.notes.length)
  expect(raw.pictured.length).toBeGreaterThanOrEqual(ledger.pictures)
  expect([...raw.pictures].sort(), 'each picture with its line, each line with its picture').toEqual(
    [...raw.pictured].sort(),
  )
  for (const { engines, done } of ledger.imports) {
    const there = engines.filter((id) => raw.engines.includes(id)).length
    expect([0, engines.length], 'a file is in whole or not at all').toContain(there)
    if (done) expect(there).toBe(engines.length)
  }
  expect([...raw.engines].sort(), 'each engine with its build sheet').toEqual([...new Set(raw.sheetsOf)].sort())
}

test(`killed ${KILLS} times while it writes, nothing acknowledged is lost and nothing is half there`, async () => {
  test.setTimeout(KILLS * 30_000)
  const random = makeRandom(SEED)
  const profile = mkdtempSync(join(tmpdir(), 'link-count-kills-'))
  const ledger = new Ledger()
  let last = 0
  const serial = () => 100 + last++
  let browser = await Killable.launch(profile)
  let recoveries = 0
  try {
    const { page } = browser
    const actor = new MouseHand(page)
    await page.goto(`${base}/own`)
    await beginEngine(actor, {
      at: base,
      name: 'Saw bench',
      cylinders: '1',
      drive: 'one chain, one camshaft',
      meet: 'no, free-running',
    })
    const engine = page.url().split('/').at(-1) ?? ''
    await actor.press('Start a job')
    await actor.press(/^Begin: /)
    await expect(page.getByRole('heading', { name: 'Make safe' })).toBeVisible()
    const job = page.url()
    const file = await freshFile(page)
    await page.goto(`${base}/own/engine/${engine}?part=crank:`)
    for (let round = 0; round < KILLS; round++) {
      const { page: now } = browser
      const work = [
        () => editSheet(now, ledger, serial),
        () => writeNotes(now, job, ledger, serial),
        () => editSheet(now, ledger, serial),
        () => addPictures(now, job, ledger),
        () => editSheet(now, ledger, serial),
        () => openFiles(now, file, ledger, serial),
      ][round % 6]
      const working = (await work?.())?.().catch(() => undefined)
      // The moment of the kill is what is tried: it is drawn, not waited for.
      const moment = new Promise((resolve) => setTimeout(resolve, 200 + 1500 * random()))
      await Promise.race([working, moment])
      await browser.kill()
      browser = await Killable.launch(profile)
      const after = browser.page
      await after.goto(`${base}/own/engine/${engine}?part=crank:`)
      await expect(after.getByRole('heading', { name: 'Saw bench' })).toBeVisible()
      const raw = await readStored(after)
      if (raw.recovered) recoveries++
      check(raw, ledger)
      for (const label of FIELDS) {
        const shown = await after.getByLabel(label, { exact: true }).inputValue()
        const may = [ledger.acknowledged.get(label) ?? '', ledger.tried.get(label) ?? '']
        expect(may, `${label} after kill ${round + 1}`).toContain(shown)
        ledger.acknowledged.set(label, shown)
      }
    }
    console.log(
      `${KILLS} kills from seed ${SEED}: ${last} fields and notes, ${ledger.notes.length} notes, ${ledger.pictures} pictures and ${ledger.imports.length} files acknowledged; the store came back from its copy ${recoveries} times`,
    )
  } finally {
    await browser.kill().catch(() => undefined)
    rmSync(profile, { recursive: true, force: true, maxRetries: 5 })
  }
})

/** A file of three engines whose ids are made fresh each time it is opened. */
async function freshFile(page: Page): Promise<string> {
  await page.goto(`${base}/own`)
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save to a file' }).click(),
  ])
  const stream = await download.createReadStream()
  let text = ''
  for await (const part of stream) text += String(part)
  const file = JSON.parse(text) as { engines: object[]; sheets: object[] }
  const copies = (list: object[], key: 'id' | 'engineId') =>
    [0, 1, 2].map((k) => ({
      ...list[0],
      [key]: `FRESH-${k}`,
      ...(key === 'engineId' ? { id: `FRESH-sheet-${k}` } : {}),
    }))
  return JSON.stringify({
    ...file,
    engines: copies(file.engines, 'id'),
    sheets: copies(file.sheets, 'engineId'),
    jobs: [],
    entries: [],
    checksums: undefined,
  })
}

import { expect, test, type Page } from '@playwright/test'
import { MouseHand } from './actor'
import { allWritten } from './allWritten'
import { violations } from './axe'
import { beginEngine, startSafely } from './beginEngine'
import { eraseCopy, eraseStore, fillDisk, makeRoom, outside } from './raw'
import { readStored } from './kills/stored'

const engine = { name: 'Saw bench', cylinders: '1', drive: 'one chain, one camshaft', meet: 'no, free-running' }

async function begin(page: Page) {
  const actor = new MouseHand(page)
  await beginEngine(actor, engine)
  await startSafely(actor)
  await allWritten(page)
  return { actor, job: page.url() }
}

async function note(page: Page, text: string) {
  await page.getByLabel('Note, or words for a picture').fill(text)
  await page.getByRole('button', { name: 'Write the note' }).click()
}
const openLedger = (page: Page) => page.getByRole('button', { name: 'Ledger' }).first().click()
const written = (page: Page, text: string) =>
  page.getByRole('dialog').locator('.ledger').getByText(text, { exact: true })

test('a store that was erased comes back from its copy by itself, and says so', async ({ page }) => {
  const { job } = await begin(page)
  await openLedger(page)
  await note(page, 'before the loss')
  await expect(written(page, 'before the loss')).toBeVisible()
  await outside(page, eraseStore)
  await page.goto('/own')
  await expect(page.getByRole('heading', { name: 'Saw bench' })).toBeVisible()
  await expect(page.getByText(/The browser had lost \d+ records, and they are back/)).toBeVisible()
  expect(await violations(page)).toEqual([])
  await page.getByRole('button', { name: 'I have read it' }).click()
  await expect(page.getByText(/they are back/)).toHaveCount(0)
  await page.goto(job)
  await openLedger(page)
  await expect(written(page, 'before the loss')).toBeVisible()
  await note(page, 'after it')
  await expect(written(page, 'after it')).toBeVisible()
  const { devices } = await readStored(page)
  expect(new Set(devices).size, 'it writes under a new name').toBe(2)
})

test('with the copy gone as well, what is missing is told, and the last file brings it back', async ({ page }) => {
  await begin(page)
  await page.goto('/own')
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save to a file' }).click(),
  ])
  const path = await download.path()
  await outside(page, eraseStore)
  await outside(page, eraseCopy)
  await page.goto('/own')
  await expect(page.getByText(/This workshop had \d+ records; the browser’s storage now holds 0/)).toBeVisible()
  await page.getByRole('button', { name: 'Open the last file' }).click()
  await page.getByLabel('File', { exact: true }).setInputFiles(path)
  await page.getByRole('button', { name: 'Add them' }).click()
  await expect(page.getByRole('heading', { name: 'Saw bench' })).toBeVisible()
  await page.getByRole('button', { name: 'Nothing is missing' }).click()
  await expect(page.getByText(/This workshop had/)).toHaveCount(0)
})

test('a write that fails keeps what was typed, says why, and is done once when it is tried again', async ({ page }) => {
  const { actor } = await begin(page)
  await openLedger(page)
  await page.evaluate(fillDisk)
  await note(page, 'not lost')

  const failed = page.getByText('This line of the ledger was not written.')
  await expect(failed).toBeVisible()
  await expect(page.getByText(/The disk is full/).first()).toBeVisible()
  await expect(page.getByLabel('Note, or words for a picture')).toHaveValue('not lost')
  await expect(written(page, 'not lost')).toHaveCount(0)
  expect(await violations(page)).toEqual([])
  const notice = page.getByRole('alert').filter({ has: failed })
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    notice.getByRole('button', { name: 'Save a file now' }).click(),
  ])
  expect(download.suggestedFilename()).toMatch(/linkcount\.json$/)
  await page.evaluate(makeRoom)
  await notice.getByRole('button', { name: 'Try again' }).click()
  await expect(written(page, 'not lost')).toHaveCount(1)
  await expect(page.getByLabel('Note, or words for a picture')).toHaveValue('')
  await expect(failed).toHaveCount(0)
  // Written anew instead, it takes the place of the one that failed: it is there once.
  await page.evaluate(fillDisk)
  await note(page, 'pressed again')
  await expect(failed).toBeVisible()
  await page.evaluate(makeRoom)
  await page.getByRole('button', { name: 'Write the note' }).click()
  await expect(written(page, 'pressed again')).toHaveCount(1)
  await expect(failed).toHaveCount(0)
  // A field of the build sheet holds on as well, and a dialog stays open.
  await page.goto('/own')
  await page.getByRole('link', { name: 'Saw bench' }).first().click()
  await page.evaluate(fillDisk)
  await actor.write('Stroke', '80 mm')
  await page.keyboard.press('Tab')
  await expect(page.getByText('The build sheet was not written.')).toBeVisible()
  await expect(page.getByLabel('Stroke', { exact: true })).toHaveValue('80 mm')
  await page.getByRole('button', { name: 'Start a job' }).click()
  await page.getByRole('button', { name: /^Begin: / }).click()
  await expect(page.getByText('The job was not written.')).toBeVisible()
  await expect(page.getByRole('heading', { name: 'What is it here for?' })).toBeVisible()
})

/** The engine’s page with a part open. */
const partOf = (page: Page, part: string) => `${new URL(page.url()).pathname}?part=${part}`

test('two tabs on one build sheet change a field each, and both stay; with and without a channel', async ({
  context,
}) => {
  const [a, b] = [await context.newPage(), await context.newPage()]
  await beginEngine(new MouseHand(a), engine)
  for (const deaf of [false, true]) {
    if (deaf) await b.addInitScript(() => Reflect.deleteProperty(window, 'BroadcastChannel'))
    await a.goto(partOf(a, 'crank:'))
    await b.goto(a.url())
    await expect(b.getByLabel('Stroke', { exact: true })).toBeVisible()
    const [stroke, rod] = deaf ? ['81 mm', '141 mm'] : ['80 mm', '140 mm']
    await a.getByLabel('Stroke', { exact: true }).fill(stroke)
    await b.getByLabel('Rod, centre to centre', { exact: true }).fill(rod)
    await Promise.all([a.keyboard.press('Tab'), b.keyboard.press('Tab')])
    await allWritten(b)
    await allWritten(a)
    await a.reload()
    await expect(a.getByLabel('Stroke', { exact: true })).toHaveValue(stroke)
    await expect(a.getByLabel('Rod, centre to centre', { exact: true })).toHaveValue(rod)
  }
})

test('a database that is deleted under the page is told, and nothing is taken in any more', async ({
  page,
  context,
}) => {
  await begin(page)
  const other = await context.newPage()
  await other.goto('/icon.svg')
  await other.evaluate(eraseStore)
  await expect(page.getByText('Nothing more can be written here.')).toBeVisible()
  expect(await violations(page)).toEqual([])
  await page.getByRole('button', { name: 'Load it again' }).click()
  await expect(page.getByRole('heading', { name: 'Make safe' })).toBeVisible()
})

test('a browser without channel, local storage, locks, private files or its own ids works, and says what is missing', async ({
  page,
}) => {
  await page.addInitScript(() => {
    Reflect.deleteProperty(window, 'BroadcastChannel')
    Reflect.deleteProperty(Crypto.prototype, 'randomUUID')
    Reflect.deleteProperty(Navigator.prototype, 'locks')
    Reflect.deleteProperty(Navigator.prototype, 'storage')
    Object.defineProperty(window, 'localStorage', {
      get: () => {
        throw new DOMException('denied', 'SecurityError')
      },
    })
  })
  await begin(page)
  await page.goto('/own')
  await expect(page.getByText('Kept in this browser only, and once: it has no place for a second copy.')).toBeVisible()
  await page.addInitScript(() => Object.defineProperty(window, 'isSecureContext', { value: false }))
  await page.goto('/own')
  await expect(page.getByText(/this address is not secure, so there is no second copy/)).toBeVisible()
})

test('storage that is refused, or never answers, is told with what to do', async ({ page, context }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('denied', 'SecurityError')
    }
  })
  await page.goto('/own')
  await expect(page.getByRole('alert')).toContainText('This browser gives pages no storage.')
  const silent = await context.newPage()
  await silent.clock.install()
  await silent.addInitScript(() => {
    IDBFactory.prototype.open = () => new EventTarget() as IDBOpenDBRequest
  })
  await silent.goto('/own')
  await expect(silent.getByText('Opening the workshop.')).toBeVisible()
  await silent.clock.fastForward(10_000)
  await expect(silent.getByRole('alert')).toContainText('The browser’s storage has not answered yet.')
})

test('one job that cannot be read fails alone, holds the guard of the others, and can be taken out', async ({
  page,
}) => {
  const { job } = await begin(page)
  await page.goto('/icon.svg')
  await page.evaluate(async () => {
    const db = await new Promise<IDBDatabase>((resolve) => {
      const request = indexedDB.open('link-count-own')
      request.onsuccess = () => resolve(request.result)
    })
    const transaction = db.transaction(['jobs', 'summaries'], 'readwrite')
    const store = transaction.objectStore('jobs')
    // Summed up anew, whenever it was summed up last.
    transaction.objectStore('summaries').clear()
    const [good] = await new Promise<Record<string, unknown>[]>((resolve) => {
      const request = store.getAll()
      request.onsuccess = () => resolve(request.result as Record<string, unknown>[])
    })
    await new Promise((resolve) => {
      // Kept once its transaction is through: leaving the page before that would take it back.
      transaction.oncomplete = resolve
      store.put({ ...good, id: 'bad-job', number: 2, sheetId: 'nowhere' })
    })
    db.close()
  })
  await page.goto('/own')
  await expect(page.getByText('Job 2 cannot be read')).toBeVisible()
  await page.goto(job)
  await expect(page.getByRole('heading', { name: 'Make safe' })).toBeVisible()
  await expect(page.getByText(/Job 2 cannot be read/).first()).toBeVisible()
  await page.goto('/own/job/bad-job')
  await expect(page.getByRole('heading', { name: 'Job 2 cannot be read' })).toBeVisible()
  expect(await violations(page)).toEqual([])
  await page.getByRole('button', { name: 'Take the job out' }).click()
  await page.getByRole('button', { name: 'Take it out' }).click()
  await expect(page.getByRole('heading', { name: 'Saw bench' })).toBeVisible()
  await page.goto(job)
  await expect(page.getByText(/Job 2 was deleted/).first()).toBeVisible()
})

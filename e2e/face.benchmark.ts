import { readFileSync } from 'node:fs'
import { expect, test, type Page } from '@playwright/test'
import { goal } from './goal'
import { percentile, tasksOf } from './mainThread'

const FRAMES = 300

/** The tasks of the page's main thread while the Face is turned, as they are and on a machine four times as slow: by the browser's own tracer. */
async function turnTheFace(page: Page, what: string) {
  const client = await page.context().newCDPSession(page)
  for (const [rate, limitMs] of [
    [1, 16],
    [4, 33],
  ] as const) {
    await client.send('Emulation.setCPUThrottlingRate', { rate })
    const tasks = await tasksOf(page, () =>
      page.evaluate(async (n) => {
        for (let i = 0; i < n; i++) {
          window.dispatchEvent(new KeyboardEvent('keydown', { key: 'ArrowRight', bubbles: true }))
          await new Promise((resolve) => requestAnimationFrame(resolve))
        }
      }, FRAMES),
    )
    // Tasks that do next to nothing are no frames.
    const own = tasks.filter((ms) => ms >= 0.1)
    const slow = percentile(own, 0.95)
    console.log(`\nFace, ${what}: half of the tasks within ${percentile(own, 0.5).toFixed(1)} ms`)
    const where = rate === 1 ? 'as it is' : `${rate} times slower`
    goal(`Face, ${what}, ${where}: 19 of 20 tasks within`, slow, { most: limitMs, unit: 'ms' })
  }
}

async function startJob(page: Page) {
  await page.getByRole('button', { name: 'Start a job' }).click()
  await page.getByRole('button', { name: /^Begin: / }).click()
  await expect(page.getByRole('heading', { name: 'Make safe' })).toBeVisible()
}

test('turning the Face with 120 links and 3 members', async ({ page }) => {
  await page.goto('/demo/engine/tractor?part=shaft:camshaft')
  await page.getByLabel('Centre of the crank to centre of the camshaft', { exact: true }).fill('430.1 mm')
  await page.keyboard.press('Tab')
  await page.goto('/demo/engine/tractor?part=loop:chain')
  await page.getByLabel('Pitches in the whole chain', { exact: true }).fill('120')
  await page.keyboard.press('Tab')
  await expect(page.getByText('120 pitches').first()).toBeVisible()
  await startJob(page)
  await turnTheFace(page, '120 links, 3 members')
})

const PITCH_MM = 9.525
const [LINKS, MEMBERS, TEETH] = [400, 14, 20]
const known = (value: number | string) => ({ value, typed: String(value), trust: 'measured' })

/** An engine of one chain over fourteen sprockets, evenly round a circle: one full wrap in all, the rest between them, a tenth of a pitch slack. */
function fourteenMembers() {
  const fixture = JSON.parse(readFileSync('app/db/fixtures/version-3.json', 'utf8'))
  const [engine] = fixture.engines
  const [sheet] = fixture.sheets
  const side = ((LINKS - 0.1 - TEETH) * PITCH_MM) / MEMBERS
  const radius = side / (2 * Math.sin(Math.PI / MEMBERS))
  const at = (i: number) => {
    const rad = (2 * Math.PI * i) / MEMBERS
    return [radius * Math.sin(rad), radius * (Math.cos(rad) - 1)] as const
  }
  const names = Array.from({ length: MEMBERS }, (_, i) => `part-${i}`)
  const shafts = names.map((id, i) => {
    const [x, y] = at(i)
    return i === 0
      ? { id: 'crank', name: 'Crank', kind: 'crank', ratio: { num: 1, den: 1 }, position: { how: 'origin' } }
      : {
          id,
          name: `Shaft ${i}`,
          kind: 'idler',
          ratio: { num: 1, den: 1 },
          position: { how: 'xy', xMm: known(x), yMm: known(y) },
        }
  })
  const members = names.map((id, i) => ({
    id: `wheel-${i}`,
    name: `Sprocket ${i}`,
    kind: 'sprocket',
    shaftId: i === 0 ? 'crank' : id,
    teeth: known(TEETH),
  }))
  const marks = members.map(({ id, name }) => ({
    id: `mark-${id}`,
    name: `${name} mark`,
    memberId: id,
    halfTeeth: 0,
    cutFor: 'pose',
    meets: '',
    pointsAtDeg: known(90),
  }))
  const path = members.map(({ id }) => ({ memberId: id, passed: 'inside' }))
  const loop = {
    id: 'chain',
    name: 'Chain',
    kind: 'rollerChain',
    pitchMm: known(PITCH_MM),
    pitches: known(LINKS),
    path,
  }
  return {
    ...fixture,
    engines: [{ ...engine, name: 'Fourteen' }],
    sheets: [
      {
        ...sheet,
        running: known('clockwise'),
        shafts,
        members,
        marks,
        loops: [loop],
        couplings: [],
        adjusters: [],
        cams: [],
        witnesses: [],
        counts: [],
      },
    ],
    jobs: [],
    entries: [],
  }
}

async function openFourteen(page: Page) {
  await page.goto('/own')
  await page.getByRole('button', { name: 'Open a file' }).click()
  await page.getByLabel('File', { exact: true }).setInputFiles({
    name: 'fourteen.linkcount.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify(fourteenMembers())),
  })
  await page.getByRole('button', { name: 'Add them' }).click()
  await page
    .getByRole('link', { name: /Fourteen/ })
    .first()
    .click()
  await expect(page.getByText('400 pitches')).toBeVisible()
}

test('turning the Face with 400 links and 14 members', async ({ page }) => {
  await openFourteen(page)
  await startJob(page)
  await turnTheFace(page, '400 links, 14 members')
})

test('dragging a shaft of a drive of 400 links and 14 members', async ({ page }) => {
  await openFourteen(page)
  const wheel = page.getByRole('button', { name: /^Sprocket 3, 20 teeth/ })
  const box = await wheel.boundingBox()
  if (!box) throw new Error('Nothing to drag')
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2]
  await page.mouse.move(x, y)
  await page.mouse.down()
  await page.mouse.move(x + 12, y + 12)
  await expect(page.locator('.held')).toHaveCount(1)
  const tasks = await tasksOf(page, async () => {
    for (let i = 0; i < FRAMES; i++) await page.mouse.move(x + 20 * Math.sin(i / 20), y + 20 * Math.cos(i / 20))
  })
  await page.mouse.up()
  const own = tasks.filter((ms) => ms >= 0.1)
  console.log(`\nDragging, 400 links, 14 members: half of the tasks within ${percentile(own, 0.5).toFixed(1)} ms`)
  goal('Dragging a shaft, 400 links, 14 members: 19 of 20 tasks within', percentile(own, 0.95), {
    most: 16,
    unit: 'ms',
  })
})

import { expect, test } from '@playwright/test'
import { MouseHand } from './actor'
import { allWritten } from './allWritten'
import { violations } from './axe'
import { beginFor, startTicks } from './beginEngine'
import { goToStep, newEngine } from './byMarks/steps'
import { inLong } from './inLong'

const CAME_OFF = [
  'upper cover',
  'fan belt',
  'crank pulley',
  'lower cover',
  'guide plate',
  'crank washer',
  'tensioner',
  'left guide',
  'right guide',
  'rocker cover',
  'oil pipe',
  'inlet stub',
] as const

/* Twelve things off, put back in the other order; the guide plate had its bevel inward, and goes back the other way round. */
test('a removal list of twelve turned round, one of them put back the other way round', async ({ page }) => {
  const actor = new MouseHand(page)
  await newEngine(actor, 'Cutter engine', [
    ['Cylinders stand', 'in line'],
    ['How many', '2'],
  ])
  await allWritten(page)
  await beginFor(actor, 'Valve clearances')
  await actor.open(/^Getting in/)
  for (const what of CAME_OFF) {
    await actor.write('What comes off next', what)
    if (what === 'guide plate') {
      await page.getByRole('checkbox', { name: 'It fits two ways' }).click()
      await expect(page.getByText('which way it was is written first')).toBeVisible()
      await expect(page.getByRole('button', { name: 'It is off' })).toBeDisabled()
      await actor.write('Which way round it was', 'bevel inward')
    }
    if (what === 'inlet stub') {
      await page.getByRole('checkbox', { name: 'It is undone above an open hole' }).click()
      await expect(page.getByRole('group', { name: 'What covers the hole' })).toContainText('Nothing covers it')
      await actor.press('Towel in')
      await expect(page.getByRole('group', { name: 'What covers the hole' })).toContainText('Towel in: open hole')
    }
    await actor.press('It is off')
    await expect(page.locator('.removals li').filter({ hasText: what })).toBeVisible()
  }
  await actor.open('Small parts, counted')
  await actor.write('What they are', 'copper washers')
  await actor.write('How many of them', '4')
  await actor.press('Came out')
  await expect(page.getByText('copper washers: 4 out, 0 fitted')).toBeVisible()
  expect(await violations(page)).toEqual([])
  await startTicks(page)

  await goToStep(actor, /^Card/)
  // What came off after it, and lies on the bench, goes on before it.
  await actor.press('crank pulley')
  await expect(page.getByRole('group', { name: 'Goes back: crank pulley' })).toContainText(
    'lower cover, guide plate, crank washer',
  )
  await actor.press('inlet stub')
  for (const what of [...CAME_OFF].reverse()) {
    const part = page.getByRole('group', { name: `Goes back: ${what}` })
    await expect(part).toBeVisible()
    if (what === 'guide plate') {
      await expect(part).toContainText('It fits two ways. As found: bevel inward.')
      await actor.press('Not as it was')
      await actor.write('Why it is not as it was', 'the bevel belongs outward')
      await actor.press('Put back the other way round')
    } else await actor.press(/^Back, |^Back as it was/)
    await expect(part).toHaveCount(0)
  }
  await expect(page.getByText('copper washers: 4 came out, 0 fitted.')).toBeVisible()
  await expect(page.getByRole('alert').filter({ hasText: 'Still in, out or loose' })).toContainText('Towel in')
  await page.getByRole('link', { name: 'Look at the card' }).click()
  const card = page.locator('main')
  await expect(card).toContainText('12 of 12 back.')
  await expect(card).toContainText('Put back the other way round: guide plate, the bevel belongs outward.')
  await expect(card).toContainText('4 came out, 0 fitted')
})

/* A book that says 19 teeth where 20 are counted; two bags, one label each; a thing that is to be got stands first in the next job. */
inLong(
  'kit, look-alikes and labels: what is to be got is owed, what is counted holds, each bag has its label',
  async ({ page }) => {
    const actor = new MouseHand(page)
    await newEngine(actor, 'Pump trolley', [
      ['Cylinders stand', 'in line'],
      ['How many', '1'],
    ])
    await allWritten(page)
    await beginFor(actor, 'Valve clearances')
    await actor.open(/^Kit/)
    await actor.choose('Feeler gauges', 'here')
    await actor.write('Something more', 'gasket of the rocker cover')
    await actor.press('Put it on the list')
    await expect(page.getByRole('combobox', { name: 'gasket of the rocker cover' })).toHaveValue('owed')
    await expect(page.locator('summary', { hasText: /^Kit/ })).toContainText('1 to be got')

    await actor.open(/^Getting in/)
    for (const [what, bag] of [
      ['rocker cover', '1'],
      ['front sprocket', '2'],
    ] as const) {
      await actor.write('What comes off next', what)
      await actor.write(/^Bag/, bag)
      await actor.press('It is off')
      await expect(page.getByRole('listitem').filter({ hasText: `${what}, bag ${bag}` })).toBeVisible()
    }
    await actor.open(/^Look-alikes/)
    await actor.write('What looks alike', 'sprockets')
    await actor.choose('Told apart by', 'teeth')
    await actor.write('Which, 1', 'front')
    await actor.write('Counted, 1', 'many')
    await expect(page.getByText('That is no teeth: as 19.')).toBeVisible()
    await actor.write('Counted, 1', '20')
    await actor.write('Book or model year says, 1', '19 teeth')
    await actor.write('Which, 2', 'rear')
    await actor.write('Counted, 2', '20')
    await actor.press('They are told apart so')
    await expect(page.getByText('What is counted holds.')).toBeVisible()
    await expect(page.getByText('Front and rear read the same')).toBeVisible()
    expect(await violations(page)).toEqual([])
    await allWritten(page)

    const job = new URL(page.url()).pathname
    await page.getByRole('link', { name: 'Print labels for the bags' }).click()
    const labels = page.getByRole('list', { name: 'Bag labels' }).getByRole('listitem')
    await expect(labels).toHaveCount(2)
    await expect(labels.first()).toContainText('rocker cover')
    await expect(labels.first().getByRole('img')).toHaveAccessibleName('Bag 1 as plain text, to be scanned')
    expect(await violations(page)).toEqual([])
    await page.goto(`${job}/card`)
    await expect(page.locator('main')).toContainText('gasket of the rocker cover')
    await expect(page.locator('main')).toContainText('Front: the book or model year says 19 teeth, 20 is counted.')
  },
)

import { expect, test } from '@playwright/test'
import { MouseHand } from './actor'
import { allWritten } from './allWritten'
import { violations } from './axe'
import { startTicks } from './beginEngine'
import { goToStep, newEngine } from './byMarks/steps'

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
  await actor.press('Start a job')
  await expect(page.getByRole('heading', { name: 'What is it here for?' })).toBeVisible()
  await page.getByText('Valve clearances', { exact: true }).click()
  await expect(page.getByRole('radio', { name: /^Valve clearances/ })).toBeChecked()
  await actor.press(/^Begin: /)
  await expect(page.getByRole('heading', { name: 'Make safe' })).toBeVisible()
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
    await expect(page.getByRole('listitem').filter({ hasText: what })).toBeVisible()
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

import { expect, test } from '@playwright/test'
import { MouseHand, TouchHand } from './actor'
import { singleByMarks, twinByCounts, veeByMarks } from './byMarksJourney'

test.describe('by touch', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

  test('a single by marks and pins only, in twelve fields at most', async ({ page }) => {
    const actor = new TouchHand(page)
    await singleByMarks(actor)
    expect(actor.tally.fields).toBeLessThanOrEqual(12)
  })

  test('a twin-cam by counts, its crank mark buried', async ({ page }) => {
    await twinByCounts(new TouchHand(page))
  })
})

test('a V-twin by lines and marks, its second cylinder at its own TDC, one cylinder after the other', async ({
  page,
}) => {
  await veeByMarks(new MouseHand(page))
})

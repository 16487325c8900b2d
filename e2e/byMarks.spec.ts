import { expect, test } from '@playwright/test'
import { TouchHand } from './actor'
import { singleByMarks } from './byMarksJourney'

test.describe('by touch', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })
  test('a single by marks and pins only, in twelve fields at most', async ({ page }) => {
    const actor = new TouchHand(page)
    await singleByMarks(actor)
    expect(actor.tally.fields).toBeLessThanOrEqual(12)
  })
})

import { expect, test } from '@playwright/test'
import { MouseHand, TouchHand, type Actor } from './actor'
import { singleByMarks, twinByCounts, veeByMarks } from './byMarksJourney'

/** A journey, and what it took: values typed or options chosen, and every other press. The figures are kept in docs/performance.md. */
async function counted(actor: Actor, journey: (actor: Actor) => Promise<void>) {
  await journey(actor)
  const { fields, clicks } = actor.tally
  console.log(`${journey.name}: ${fields} fields, ${clicks} clicks`)
}

test.describe('by touch', () => {
  test.use({ viewport: { width: 390, height: 844 }, hasTouch: true, isMobile: true })

  test('a single by marks and pins only, in twelve fields at most', async ({ page }) => {
    const actor = new TouchHand(page)
    await counted(actor, singleByMarks)
    expect(actor.tally.fields).toBeLessThanOrEqual(12)
  })

  test('a twin-cam by counts, its crank mark buried', async ({ page }) => {
    await counted(new TouchHand(page), twinByCounts)
  })
})

test('a V-twin by lines and marks, its second cylinder at its own TDC, one cylinder after the other', async ({
  page,
}) => {
  await counted(new MouseHand(page), veeByMarks)
})

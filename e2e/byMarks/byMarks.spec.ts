import { expect, test } from '@playwright/test'
import { MouseHand, TouchHand, type Actor } from '../actor'
import { beltReadBackwards } from './beltReadBackwards'
import { fourCamBelt } from './fourCamBelt'
import { marineByPin } from './marineByPin'
import { quillBanks } from './quillBanks'
import { reversedByLobes } from './reversedByLobes'
import { singleByMarks } from './single'
import { twinByCounts } from './twin'
import { veeByMarks } from './vee'
import { veeByTrial } from './veeByTrial'

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
test('a belt whose lines were read backwards is turned round', async ({ page }) => {
  await counted(new MouseHand(page), beltReadBackwards)
})

if (process.env['JOURNEYS'] === 'all') {
  test('a V-twin hung by trial, its crank creeping', async ({ page }) => {
    await counted(new MouseHand(page), veeByTrial)
  })
  test('a belt over four camshafts by its printed lines, teeth known and no distance', async ({ page }) => {
    test.slow()
    await counted(new MouseHand(page), fourCamBelt)
  })
  test('two banks on quill splines, each set at an opening of its own', async ({ page }) => {
    await counted(new MouseHand(page), quillBanks)
  })
  test('an engine that runs the other way, told by lobes that point inwards', async ({ page }) => {
    await counted(new MouseHand(page), reversedByLobes)
  })
  test('a two-stroke with two camshafts, read by a pin gauge against the limit', async ({ page }) => {
    await counted(new MouseHand(page), marineByPin)
  })
}

import { expect } from '@playwright/test'
import type { Actor } from '../actor'
import {
  addLine,
  camAtItsMark,
  countRun,
  figures,
  goOn,
  guard,
  newEngine,
  releaseAndTurn,
  setCam,
  sharp,
  sign,
  standsAtItsMark,
  startAtTdc,
} from './steps'

/** Two camshafts on one chain, counts from a book and nothing measured; the crank's own mark is buried. */
export async function twinByCounts(actor: Actor) {
  const { page } = actor
  await newEngine(actor, 'Twin', [['Camshafts are driven by', 'one chain, two camshafts']])
  await figures(actor, [
    ['Teeth, crank sprocket', '19'],
    ['Teeth, exhaust sprocket', '38'],
    ['Teeth, inlet sprocket', '38'],
    ['Pitches in the whole chain', '104'],
    ['From exhaust sprocket mark to inlet sprocket mark', '20'],
    ['From inlet sprocket mark to crank sprocket mark', '32'],
  ])
  await expect(page.getByLabel('Drive and jobs')).not.toContainText('too short')
  await startAtTdc(actor)
  await actor.open('No degree wheel: work by a mark')
  await addLine(actor, 'Crank line')
  await actor.choose('The crank is seen by', /Crank line/)
  await sharp(actor)
  await standsAtItsMark(actor)
  await goOn(actor)
  await actor.press('Air pushed past')
  await actor.press('Both shut, lash felt')
  await goOn(actor)
  await camAtItsMark(actor, { first: true })
  await actor.press('First no, last yes')
  await expect(page.getByText('Expect 20 pins.')).toBeVisible()
  await countRun(actor, 20)
  await actor.press('Count the next run: inlet sprocket mark to crank sprocket mark')
  await actor.open('A mark of this run cannot be seen')
  await actor.press('The crank sprocket mark')
  await expect(page.getByText(/With the crank line at its pointer the cam marks tell the same/)).toBeVisible()
  await goOn(actor)
  await camAtItsMark(actor, { first: true })
  await goOn(actor)
  await actor.press('Tensioner held back, its pin in')
  await actor.press('Chain is off')
  await goOn(actor)
  await setCam(actor)
  await setCam(actor)
  await actor.press('Chain is on')
  await countRun(actor, 20)
  // A count between the camshafts says nothing of the crank: what can be had is asked for, by name.
  await expect(guard(actor)).toContainText('See the exhaust sprocket mark level, the crank at its own mark')
  for (const camshaft of ['exhaust', 'inlet']) {
    await actor.open(`see the ${camshaft} camshaft at its mark`)
    await camAtItsMark(actor)
    await expect(page.getByText('On its tooth:').filter({ visible: true }).first()).toBeVisible()
    await page.locator('summary', { hasText: `see the ${camshaft} camshaft` }).click()
  }
  await goOn(actor)
  await releaseAndTurn(actor)
  await camAtItsMark(actor)
  const card = await sign(actor)
  await expect(card).toContainText('20, expected 20.0 pins: right')
}

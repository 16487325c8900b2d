import { expect } from '@playwright/test'
import type { Actor } from '../actor'
import {
  camAtItsMark,
  countRun,
  crankByItsMark,
  figures,
  goOn,
  guard,
  newEngine,
  releaseAndTurn,
  setCam,
  sign,
  startAtTdc,
} from './steps'

/** One belt over four camshafts, known by its printed lines and the teeth of its pulleys, no distance measured. */
export async function fourCamBelt(actor: Actor) {
  const { page } = actor
  await newEngine(actor, 'Cruiser', [
    ['Cylinders stand', 'in a V'],
    ['How many', '4'],
    ['Camshafts are driven by', 'one belt, four camshafts'],
  ])
  await figures(actor, [
    ['Teeth, crank pulley', '24'],
    ['Teeth, first exhaust pulley', '48'],
    ['Teeth, first inlet pulley', '48'],
    ['Teeth, second inlet pulley', '48'],
    ['Teeth, second exhaust pulley', '48'],
    ['Teeth in the whole belt', '170'],
    ['From first exhaust pulley mark to first inlet pulley mark', '22'],
    ['From first inlet pulley mark to second inlet pulley mark', '41'],
    ['From second inlet pulley mark to second exhaust pulley mark', '22'],
    ['From second exhaust pulley mark to crank pulley mark', '44'],
  ])
  await expect(page.getByText(/too short/)).toBeHidden()
  await startAtTdc(actor)
  await crankByItsMark(actor)
  for (let i = 0; i < 4; i++) {
    await camAtItsMark(actor, { first: true })
    await goOn(actor)
  }
  await actor.press('Tensioner held back, its pin in')
  await actor.press('Belt is off')
  await goOn(actor)
  for (let i = 0; i < 4; i++) await setCam(actor)
  await actor.press('Belt is on')
  await actor.press('First no, last yes')
  await countRun(actor, 22)
  for (const n of [41, 22, 45]) {
    await actor.press(/^Count the next run/)
    await countRun(actor, n)
  }
  // One over on the run to the crank: all four stand a tooth late, and one move over the crank pulley puts them right.
  await expect(page.getByText(/All stand out alike:/)).toBeVisible()
  await actor.press('Moved it over the crank pulley')
  await countRun(actor, 44)
  await goOn(actor)
  await releaseAndTurn(actor)
  await expect(guard(actor)).toContainText('May be turned')
  const card = await sign(actor)
  await expect(card).toContainText('44, expected 44.0 teeth')
}

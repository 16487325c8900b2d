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

/** A single, one chain: 17 and 34 teeth, 27 pins from cam mark to crank mark, and nothing else known. */
export async function singleByMarks(actor: Actor) {
  const { page } = actor
  await newEngine(actor, 'Mower', [])
  await figures(actor, [
    ['Teeth, crank sprocket', '17'],
    ['Teeth, cam sprocket', '34'],
    ['From cam mark to crank mark', '27'],
  ])
  await startAtTdc(actor)
  await crankByItsMark(actor)
  await camAtItsMark(actor, { first: true })
  await actor.press('First no, last yes')
  await expect(page.getByText('Expect 27 pins.')).toBeVisible()
  await countRun(actor, 27)
  await expect(page.locator('.step-panel .proved').first()).toBeVisible()
  await goOn(actor)
  await actor.press('Tensioner held back, its pin in')
  await actor.press('Chain is off')
  await expect(guard(actor)).toContainText('Trim only: 4° either way')
  await goOn(actor)
  await setCam(actor)
  await actor.press('Chain is on')
  await expect(guard(actor)).toContainText('Trim only')
  await countRun(actor, 26)
  await expect(page.getByText('Lay the chain one tooth further round the cam sprocket, clockwise.')).toBeVisible()
  await actor.press('Moved it: count again')
  await countRun(actor, 27)
  await goOn(actor)
  await releaseAndTurn(actor)
  await camAtItsMark(actor)
  const card = await sign(actor)
  await expect(card).toContainText('by the mark')
}

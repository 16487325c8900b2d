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

/** A belt round crank, camshaft and an intermediate shaft, two of its runs known from its printed lines: laid on by lines read backwards it counts its runs the
 *  other way, and is turned round. */
export async function beltReadBackwards(actor: Actor) {
  const { page } = actor
  await newEngine(actor, 'Launch', [['Camshafts are driven by', 'one belt, camshaft and intermediate shaft']])
  await figures(actor, [
    ['Teeth, crank pulley', '24'],
    ['Teeth, cam pulley', '48'],
    ['Teeth, intermediate pulley', '48'],
    ['Teeth in the whole belt', '120'],
    ['From cam pulley mark to intermediate pulley mark', '31'],
    ['From intermediate pulley mark to crank pulley mark', '37'],
  ])
  await startAtTdc(actor)
  await crankByItsMark(actor)
  await camAtItsMark(actor, { first: true })
  await goOn(actor)
  await actor.press('Tensioner held back, its pin in')
  await actor.press('Belt is off')
  await goOn(actor)
  await setCam(actor)
  await actor.press('Belt is on')
  await actor.press('First no, last yes')
  await countRun(actor, 31)
  await actor.press(/^Count the next run/)
  await expect(page.getByText('Expect 37 teeth.')).toBeVisible()
  // Read backwards, the line that belongs on the camshaft lies on the crank.
  await countRun(actor, 52)
  await expect(page.getByText('Turn the belt round.')).toBeVisible()
  await expect(guard(actor)).toContainText('Move the belt and count again')
  await actor.press('Belt is off again')
  await actor.press('Belt is on')
  await countRun(actor, 31)
  await actor.press(/^Count the next run/)
  await countRun(actor, 37)
  await expect(page.getByText('Turn the belt round.')).toBeHidden()
  await goOn(actor)
  await releaseAndTurn(actor)
  await camAtItsMark(actor)
  const card = await sign(actor)
  await expect(card).toContainText('37, expected 37.0 teeth, as set: right')
}

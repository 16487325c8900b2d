import { expect } from '@playwright/test'
import type { Actor } from '../actor'
import {
  camAtItsMark,
  crankByItsMark,
  figures,
  goOn,
  newEngine,
  releaseAndTurn,
  setCam,
  sign,
  startAtTdc,
} from './steps'

/** The crank looked at again, so many degrees past its mark. */
async function crankCreptPast(actor: Actor, deg: string) {
  await actor.open('Is the crank still at its mark?')
  await actor.pick(/^The crank, by the/, 'Past it')
  await actor.write('Crank degrees past it', deg)
  await actor.press('So it stands now')
}

/** Turned by what the sheet says, and written down. */
async function turnedBack(actor: Actor) {
  await actor.press('I have turned it')
  await actor.page.getByRole('dialog').getByRole('button', { name: 'Write it down' }).click()
  await expect(actor.page.getByRole('dialog')).toBeHidden()
}

/** A chain hung by trial on a V-twin of which nothing is known but its teeth: laid on, looked at, moved, the crank creeping 3° and brought back. */
export async function veeByTrial(actor: Actor) {
  const { page } = actor
  await newEngine(actor, 'Field vee', [['Cylinders stand', 'in a V']])
  await figures(actor, [
    ['Teeth, crank sprocket', '17'],
    ['Teeth, cam sprocket', '34'],
  ])
  await startAtTdc(actor)
  await crankByItsMark(actor)
  await camAtItsMark(actor, { first: true })
  await goOn(actor)
  await actor.press('Tensioner held back, its pin in')
  await actor.press('Chain is off')
  await goOn(actor)
  await setCam(actor)
  await actor.press('Chain is on')
  await crankCreptPast(actor, '3')
  await expect(page.getByText('3.0° past its place').filter({ visible: true }).first()).toBeVisible()
  await actor.open('see the cam at its mark')
  await actor.pick(/^Where the .*mark stands/, 'Off')
  await actor.write('Teeth, or part of one', '1')
  await actor.press(/^Write it down: cam mark/)
  await expect(page.getByText(/Lay the chain one tooth further round the cam sprocket/).first()).toBeVisible()
  await actor.press('Moved it: look again')
  // What is looked at now would carry the 3°: the crank goes back first, as far as it may.
  await turnedBack(actor)
  await actor.open('see the cam at its mark')
  await camAtItsMark(actor)
  await expect(page.getByText(/On its tooth:/).first()).toBeVisible()
  await goOn(actor)
  await releaseAndTurn(actor)
  await camAtItsMark(actor)
  const card = await sign(actor)
  await expect(card).toContainText('one tooth back over the cam sprocket: 0.0°')
}

import { expect } from '@playwright/test'
import type { Actor } from '../actor'
import {
  addLine,
  camAtItsMark,
  figures,
  goOn,
  guard,
  newEngine,
  setCam,
  sharp,
  sign,
  standsAtItsMark,
  startAtTdc,
  turnOn,
} from './steps'

/** A bank: its chain off, its camshaft to its mark, its chain on and the camshaft seen at its mark, its tensioner released. */
async function bankByMarks(actor: Actor, which: 'first' | 'second') {
  await actor.press('Tensioner held back, its pin in')
  await actor.press(`${which === 'first' ? 'First' : 'Second'} chain is off`)
  await expect(guard(actor)).toContainText('Trim only: 4° either way')
  await goOn(actor)
  await setCam(actor)
  await actor.press(`${which === 'first' ? 'First' : 'Second'} chain is on`)
  await actor.open('see the cam at its mark')
  await camAtItsMark(actor)
  await goOn(actor)
  await actor.press('Fitted, seated, held back')
  await actor.press(/^Pin is out/)
  await actor.press(/^Pushed the run/)
  await goOn(actor)
  await expect(guard(actor)).toContainText('May be turned')
}

/** Two cylinders on idler gears, a chain to each bank, the second set at its own TDC: one cylinder after the other, by lines and marks. */
export async function veeByMarks(actor: Actor) {
  await newEngine(actor, 'Vee', [
    ['Cylinders stand', 'in a V'],
    ['Camshafts are driven by', 'idler gears, a chain to each bank'],
  ])
  await figures(actor, [
    ['Firing TDC of 2, if it is known', '290'],
    ['Teeth, crank pinion', '24'],
    ['Teeth, first idler gear', '48'],
    ['Teeth, second idler gear', '48'],
    ['Teeth, first idler sprocket', '30'],
    ['Teeth, second idler sprocket', '30'],
    ['Teeth, first cam sprocket', '30'],
    ['Teeth, second cam sprocket', '30'],
  ])
  await actor.choose('The second camshaft is set at', 'firing TDC of cylinder 2')
  await startAtTdc(actor)
  await actor.open('No degree wheel: work by a mark')
  await addLine(actor, 'Line 1')
  await sharp(actor)
  await addLine(actor, 'Line 2', { cylinder: '2' })
  await standsAtItsMark(actor)
  await goOn(actor)
  await actor.press('Air pushed past')
  await actor.press('Both shut, lash felt')
  await goOn(actor)
  await camAtItsMark(actor, { first: true })
  await goOn(actor)
  await turnOn(actor, 'line 2')
  await sharp(actor)
  await camAtItsMark(actor, { first: true })
  await goOn(actor)
  await turnOn(actor, 'line 1')
  await bankByMarks(actor, 'first')
  await turnOn(actor, 'line 2')
  await bankByMarks(actor, 'second')
  await actor.press('One full turn done')
  await actor.press('One full turn done')
  const card = await sign(actor)
  await expect(card).toContainText('not proved; by the line 2')
  await expect(card).toContainText('Second camshaft, set by its mark')
}

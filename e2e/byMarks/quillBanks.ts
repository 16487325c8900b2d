import { expect } from '@playwright/test'
import type { Actor } from '../actor'
import {
  addLine,
  camAtItsMark,
  figures,
  goOn,
  guard,
  newEngine,
  passOver,
  setCam,
  sharp,
  sign,
  standsAtItsMark,
  startAtTdc,
  turnOn,
} from './steps'

/** A quill drawn apart, its ends put back a spline on and a spline back, and its camshaft seen to meet. */
async function bankOnQuill(actor: Actor, bank: string) {
  await actor.press(`Quill of the ${bank} camshaft drawn apart`)
  await expect(guard(actor)).toContainText('Trim only')
  await actor.press('One on, splines on')
  await actor.press('One back, splines on, other end')
  await actor.press('Put together so')
  await setCam(actor)
}

/** Two banks on quill splines, each camshaft set at an opening of its own. */
export async function quillBanks(actor: Actor) {
  await newEngine(actor, 'Runabout', [
    ['Cylinders stand', 'in a V'],
    ['Camshafts are driven by', 'a chain, then splined shafts to each bank'],
  ])
  await figures(actor, [
    ['Firing TDC of 2, if it is known', '290'],
    ['Teeth, crank sprocket', '18'],
    ['Teeth, half-speed sprocket', '36'],
    ['Inlet opens, before TDC', '20'],
  ])
  for (const bank of ['first', 'second']) {
    await actor.choose(`Half-speed shaft to ${bank} camshaft, joined by`, 'a quill, splined at both ends')
  }
  for (const bank of ['first', 'second'])
    await figures(actor, [
      [`Splines, quill of the ${bank} camshaft, first end`, '24'],
      [`Splines, quill of the ${bank} camshaft, other end`, '23'],
    ])
  await actor.choose('The first camshaft is set at', 'inlet of 1 just opening')
  await actor.choose('The second camshaft is set at', 'inlet of 2 just opening')
  await startAtTdc(actor)
  await actor.open('No degree wheel: work by a mark')
  await addLine(actor, 'Line 1', { claims: '20 before' })
  await actor.choose('The crank is seen by', /Line 1/)
  await sharp(actor)
  await addLine(actor, 'Line 2', { cylinder: '2', claims: '20 before' })
  await standsAtItsMark(actor)
  await goOn(actor)
  await actor.press('No push')
  await actor.press('Not both shut')
  await goOn(actor)
  await camAtItsMark(actor, { first: true })
  await goOn(actor)
  await turnOn(actor, 'line 2')
  await sharp(actor)
  await camAtItsMark(actor, { first: true })
  await goOn(actor)
  for (let i = 0; i < 3; i++) await passOver(actor, 'the chain stays on')
  await turnOn(actor, 'line 1', { lookAt: false })
  await bankOnQuill(actor, 'first')
  await turnOn(actor, 'line 2', { lookAt: false })
  await bankOnQuill(actor, 'second')
  await expect(guard(actor)).toContainText('May be turned')
  await actor.press('One full turn done')
  await actor.press('One full turn done')
  await camAtItsMark(actor)
  const card = await sign(actor)
  await expect(card).toContainText('Second camshaft, set by its mark')
}

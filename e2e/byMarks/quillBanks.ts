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
  startAtTdc,
  turnOn,
} from './steps'

/** Two banks on quill splines, each camshaft set at an opening of its own. */
export async function quillBanks(actor: Actor) {
  const { page } = actor
  await newEngine(actor, 'Runabout', [
    ['Cylinders stand', 'in a V'],
    ['Camshafts are driven by', 'a chain, then splined shafts to each bank'],
  ])
  await figures(actor, [
    ['Teeth, crank sprocket', '18'],
    ['Teeth, half-speed sprocket', '36'],
    ['1 inlet opens, before TDC', '20'],
  ])
  await expect(page.getByText('x')).toBeVisible()
  await startAtTdc(actor)
  await addLine(actor, 'Line 1')
  await sharp(actor)
  await camAtItsMark(actor)
  await goOn(actor)
  await expect(guard(actor)).toBeVisible()
  await setCam(actor)
  await turnOn(actor, 'line 2')
  await sign(actor)
}

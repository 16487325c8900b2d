import { expect } from '@playwright/test'
import type { Actor } from '../actor'
import { camAtItsMark, crankByItsMark, figures, goOn, guard, releaseAndTurn, setCam, sign, startAtTdc } from './steps'
import { newEngine } from './steps'

/** An engine that runs the other way, its lobes inwards at the timing position: told by its lobes first, which prove no tooth, then by its marks. */
export async function reversedByLobes(actor: Actor) {
  const { page } = actor
  await newEngine(actor, 'Sawmill', [['Camshafts are driven by', 'one chain, two camshafts']])
  await actor.choose('The crank runs, seen from the timing side', 'anticlockwise')
  await figures(actor, [
    ['Teeth, crank sprocket', '19'],
    ['Teeth, exhaust sprocket', '38'],
    ['Teeth, inlet sprocket', '38'],
  ])
  for (const name of ['exhaust', 'inlet'])
    await actor.choose(`At its place the lobes of the ${name} camshaft point`, /inwards/)
  await startAtTdc(actor)
  await crankByItsMark(actor)
  for (let i = 0; i < 2; i++) {
    await actor.pick(/^Where the .*mark stands/, 'Off')
    await actor.pick('Off it by', 'lobes')
    await actor.pick('The lobes', 'Inwards')
    await actor.press(/^Write it down: cam/)
    await expect(
      page
        .getByText(/cannot tell a tooth/)
        .filter({ visible: true })
        .first(),
    ).toBeVisible()
    await goOn(actor)
  }
  await actor.press('Tensioner held back, its pin in')
  await actor.press('Chain is off')
  await goOn(actor)
  await setCam(actor)
  await setCam(actor)
  await actor.press('Chain is on')
  await expect(guard(actor)).toContainText('See the')
  for (const camshaft of ['exhaust', 'inlet']) {
    await actor.open(`see the ${camshaft} camshaft at its mark`)
    await camAtItsMark(actor, { first: true })
    await page.locator('summary', { hasText: `see the ${camshaft} camshaft` }).click()
  }
  await goOn(actor)
  await releaseAndTurn(actor)
  const card = await sign(actor)
  await expect(card).toContainText('by the mark')
}

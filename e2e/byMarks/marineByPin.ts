import { expect } from '@playwright/test'
import type { Actor } from '../actor'
import { addLine, figures, goOn, newEngine, passOver, releaseAndTurn, setCam, sign, startAtTdc } from './steps'

/** A pin gauge on a camshaft, the crank pinned at its own mark. */
async function readByGauge(actor: Actor, deg: string, { first = false } = {}) {
  await actor.pick(/^Where the .*mark stands/, 'Off')
  await actor.pick('Off it by', 'gap, pin')
  await actor.choose('Measured by', 'A pin gauge that reads degrees')
  await actor.write('The gauge reads, degrees off', deg)
  await actor.write('Good to, degrees either way', '0.05')
  // An engine that runs either way is read differently each way: asked once.
  if (first) await actor.pick('The reversing gear stands', 'Gear ahead')
  await actor.press(/^Write it down: cam/)
}

/** A two-stroke with two camshafts at crank speed, read by a pin gauge against its limit of 2°: just under, just over, and on it. */
export async function marineByPin(actor: Actor) {
  const { page } = actor
  await newEngine(
    actor,
    'Coaster',
    [
      ['How many', '6'],
      ['Camshafts are driven by', 'two chains over an intermediate shaft'],
    ],
    { twoStroke: true },
  )
  await figures(actor, [
    ['Teeth, crank sprocket', '36'],
    ['Teeth, large intermediate sprocket', '36'],
    ['Teeth, small intermediate sprocket', '30'],
    ['Teeth, exhaust sprocket', '30'],
    ['Teeth, fuel sprocket', '30'],
  ])
  await actor.choose('It runs', 'either way, by a reversing gear')
  await actor.choose('A late cam is judged by', 'large marine, chain')
  await startAtTdc(actor)
  await actor.open('No degree wheel: work by a mark')
  await addLine(actor, 'Flywheel hole')
  await actor.choose('The crank is seen by', /Flywheel hole/)
  await actor.press('A hole: its pin goes in')
  await actor.pick(/^The crank, by the/, 'Crank at its mark')
  await actor.press('It stands there, by the mark')
  await goOn(actor)
  await readByGauge(actor, '1.9', { first: true })
  await expect(page.getByText(/1\.9° late ± 0\.1°: trim at the fuel pumps/)).toBeVisible()
  await goOn(actor)
  await readByGauge(actor, '2.1')
  await expect(page.getByText(/2\.1° late ± 0\.1°: re-set the camshaft/)).toBeVisible()
  await goOn(actor)
  await passOver(actor, 'the lower chain stays on')
  await actor.press('Tensioner held back, its pin in')
  await actor.press('Upper chain is off')
  await goOn(actor)
  await setCam(actor)
  await setCam(actor)
  await passOver(actor, 'the lower chain stayed on')
  await actor.press('Upper chain is on')
  for (const camshaft of ['exhaust', 'fuel']) {
    await actor.open(`see the ${camshaft} camshaft at its mark`)
    await readByGauge(actor, camshaft === 'fuel' ? '0.3' : '2')
    await expect(
      page
        .getByText(/On its tooth/)
        .filter({ visible: true })
        .first(),
    ).toBeVisible()
    await page.locator('summary', { hasText: `see the ${camshaft} camshaft` }).click()
  }
  await goOn(actor)
  await releaseAndTurn(actor)
  await readByGauge(actor, '2')
  await expect(
    page.getByText(/2\.0° late ± 0\.1°: trim at the fuel pumps, on the limit of 2°: read again/),
  ).toBeVisible()
  const card = await sign(actor)
  await expect(card).toContainText('Fuel camshaft, wearre-set the camshaft')
}

import { expect } from '@playwright/test'
import type { Actor } from './actor'

/** Stops at 340 and 30, 330 and 40: TDC at 5 on the wheel. */
export async function zeroAtFive(actor: Actor) {
  const heading = actor.page.getByRole('heading', { name: 'True TDC' })
  if (!(await heading.isVisible())) await actor.press(/^True TDC/)
  await actor.press('Wheel is fitted')
  for (const [first, second] of [
    ['340', '30'],
    ['330', '40'],
  ] as const) {
    await actor.press(/^Stop (is )?in/)
    await actor.write(/^First contact/, first)
    await actor.write(/^Second contact/, second)
    await actor.press('Write both down')
    await actor.press('Stop is out')
  }
  await expect(actor.page.locator('.step-panel .result').first()).toContainText('proved')
}

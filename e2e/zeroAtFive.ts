import { expect } from '@playwright/test'
import type { Actor } from './actor'

const ON_A_WHEEL = [
  ['340', '30'],
  ['330', '40'],
] as const
/** The same places on a tape round a rim of 14.4 m, where a degree is 40 mm. */
const ON_A_TAPE = [
  ['13600', '1200'],
  ['13200', '1600'],
] as const

/** Stops at 340 and 30, 330 and 40: TDC at 5 on the wheel. */
export const zeroAtFive = (actor: Actor) => zeroBy(actor, ON_A_WHEEL)

/** The same by a tape on a rim of 14.4 m, read to half a millimetre. */
export const zeroByTape = (actor: Actor) =>
  zeroBy(actor, ON_A_TAPE, async () => {
    await actor.page.getByText('Rim tape', { exact: true }).click()
    await actor.write('Once round the rim', '14400 mm')
    await actor.page.getByText('½ mm', { exact: true }).click()
  })

async function zeroBy(
  actor: Actor,
  contacts: readonly (readonly [string, string])[],
  describeIt: () => Promise<void> = () => Promise.resolve(),
) {
  const heading = actor.page.getByRole('heading', { name: 'True TDC' })
  if (!(await heading.isVisible())) await actor.press(/^True TDC/)
  await describeIt()
  await actor.press(/^(Wheel is fitted|Tape is on)$/)
  for (const [first, second] of contacts) {
    await actor.press(/^Stop (is )?in/)
    await actor.write(/^First contact/, first)
    await actor.write(/^Second contact/, second)
    await actor.press('Write both down')
    await actor.press('Stop is out')
  }
  await expect(actor.page.locator('.step-panel .result').first()).toContainText('proved')
}

import { expect } from '@playwright/test'
import type { MouseHand } from './actor'

/** Counts with the space bar, as a helper with one free hand does. */
export async function countTo(actor: MouseHand, n: number, mark: RegExp) {
  const { page } = actor
  const counter = page.getByRole('button', { name: /counted\. Touch for each/ })
  await counter.focus()
  for (let i = 0; i < n; i++) await page.keyboard.press('Space')
  await expect(counter).toHaveAccessibleName(new RegExp(`^${n} counted`))
  await actor.press(mark)
  // Written: what is pressed next reckons with it.
  await expect(page.getByRole('button', { name: 'Strike it and count again' })).toBeVisible()
}

/** A drive of two stages, 21 to 28 and 18 to 27: one half in all. */
export const stagedTeeth: readonly (readonly [string, string])[] = [
  ['Teeth, crank sprocket', '21'],
  ['Teeth, large intermediate sprocket', '28'],
  ['Teeth, small intermediate sprocket', '18'],
  ['Teeth, exhaust sprocket', '27'],
  ['Teeth, inlet sprocket', '27'],
]

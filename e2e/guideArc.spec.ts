import { expect, test } from '@playwright/test'
import { MouseHand } from './actor'
/* Ends at (60, 60) and (64, 230): 170.05 mm apart, so a radius of at least 85.02 mm. */
test('a guide is told by its two ends and its radius, and a radius that cannot be is refused', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/own')
  await actor.press('New engine')
  await actor.write('What you call it', 'Baling press')
  await actor.choose('How many', '1')
  await page.getByLabel('A fixed guide that bends the chain').click()
  await actor.press('Begin its build sheet')
  await expect(page.getByRole('heading', { name: 'Baling press' })).toBeVisible()
  await actor.choose('The crank runs, seen from the timing side', 'clockwise')
  for (const [l, t] of [
    ['Teeth, crank sprocket', '19'],
    ['Teeth, cam sprocket', '38'],
  ] as const)
    await actor.write(l, t)
  await page.keyboard.press('Tab')
  await actor.findPart('Guide, radius where the loop touches it')
  await actor.open('The guide is an arc')
  await actor.write('First end of the guide: to the right', '60 mm')
  await actor.write('First end of the guide: up', '60 mm')
  await actor.write('Other end of the guide: to the right', '64 mm')
  await actor.write('Other end of the guide: up', '230 mm')
  await actor.write('Radius of the guide, if you know it', '50 mm')
  await expect(page.getByText('Between these ends the radius is 85.02 mm')).toBeVisible()
  await actor.write('Radius of the guide, if you know it', '400 mm')
  await actor.press('Make it an arc')
  await expect(page.getByLabel('First end of the guide, from its centre', { exact: true })).toHaveValue(/^\d+\.\d\d°$/)
  await expect(page.getByLabel('Guide, radius where the loop touches it', { exact: true })).toHaveValue('400.00 mm')
  await actor.press('The guide is a whole circle')
  await actor.open('by the directions of its ends')
  await actor.write('Towards the first end of the guide, from its centre', '9 o’clock')
  await actor.write('Towards its other end, anticlockwise from there', '8 o’clock')
  await actor.press('An arc between these directions')
  await expect(page.getByLabel('First end of the guide, from its centre', { exact: true })).toHaveValue('9 o’clock')
})

import { expect, test } from '@playwright/test'
import { MouseHand } from './actor'
import { beginEngine, startSafely } from './beginEngine'
import { zeroAtFive } from './zeroAtFive'

/* 20, 33 and 40 teeth: a tooth of the cam gear is 360 / 40 at half speed, 18° of the crank. Inlet 10/50; a tooth late it opens at 350 + 18 and closes at
 * 590 + 18, read 5 later on the wheel: 13 and 253. */
test('a gear a tooth out: counted between the marks, told, meshed again, and the guard wants the camshaft read', async ({
  page,
}) => {
  const actor = new MouseHand(page)
  const guard = page.getByLabel('Guard', { exact: true })
  const wrong = page.getByRole('region', { name: 'What is wrong' })
  const move = page.getByRole('region', { name: 'The one move' })
  await beginEngine(actor, {
    name: 'Threshing engine',
    cylinders: '1',
    drive: 'gears only',
    meet: 'yes, interference',
  })
  for (const [label, text] of [
    ['Teeth, crank gear', '20'],
    ['Teeth, idler gear', '33'],
    ['Teeth, cam gear', '40'],
    ['Inlet opens, before TDC', '10'],
    ['Inlet closes, after BDC', '50'],
    ['Inlet: at a lift of', '0.5 mm'],
  ] as const)
    await actor.write(label, text)
  await page.keyboard.press('Tab')
  await startSafely(actor)
  await zeroAtFive(actor)
  await actor.press(/^As found/)
  await actor.open('Teeth between marks: Idler gear and cam gear')
  await expect(page.getByText('Look at the marks of the idler gear and the cam gear.')).toBeVisible()
  await actor.write('Teeth between the mark of the idler gear and that of the cam gear', '1')
  await actor.press('Write it down')
  // 33 and 40 have no divisor in common: a hunting tooth.
  await expect(page.getByText('This count cannot tell: whatever the tooth')).toBeVisible()
  await actor.open('Opening and closing')
  await actor.write('Opens: the degree wheel reads', '13')
  await actor.write('Closes: the degree wheel reads', '253')
  await actor.press('Write it down: opening and closing')
  await expect(wrong).toContainText(
    'Gears in mesh whole teeth out: crank gear and idler gear 1 tooth late, or idler gear and cam gear.',
  )
  await expect(wrong).toContainText('The key on the crank is sheared or offset: 18.0° at the crank.')
  await expect(wrong).toContainText('Count the teeth between the marks of the gears')
  await expect(move).toContainText(
    /out of mesh, and the .* gear in again 1 tooth (anti)?clockwise\. The idler may come out/,
  )
  await actor.press('It is moved so')
  await expect(guard).toContainText(/gears in mesh but its camshaft not read since/i)
  await actor.press('Ledger')
  await expect(page.getByText(/in mesh again, 1 tooth on/)).toBeVisible()
  await expect(
    page.getByText('Idler gear and cam gear: 1 tooth between the marks, that of the cam gear last'),
  ).toBeVisible()
})

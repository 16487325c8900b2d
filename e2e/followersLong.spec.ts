import { expect } from '@playwright/test'
import { MouseHand, type Actor } from './actor'
import { allWritten } from './allWritten'
import { inLong } from './inLong'
import { begin, panel, read } from './followerSteps'
import { zeroByTape } from './zeroAtFive'
import { figures, goOn, goToStep, newEngine, sign } from './byMarks/steps'

/** What sits on a camshaft, written down on the build sheet. */
async function writeDown(actor: Actor, address: string, kind: string, asks: string, wanted: string) {
  const { page } = actor
  await page.goto(`${address}?part=shaft:camshaft`)
  await actor.press('It works fuel pumps or a breaker: write them down')
  await actor.choose(/^The magneto is$/, kind)
  await actor.choose('Its drive end looks to', 'timing side')
  if (kind.includes('pump')) await actor.choose('The book’s figure is', 'degrees before firing TDC')
  await figures(actor, [[asks, wanted]])
  await allWritten(page)
}

/* Stroke 56, rod 110: 1.80 mm of piston before TDC is 18.5°. */
inLong('a motorcycle set by millimetres of piston, its points gap first', async ({ page }) => {
  const actor = new MouseHand(page)
  await newEngine(actor, 'Trials single', [
    ['Cylinders stand', 'in line'],
    ['How many', '1'],
  ])
  await figures(actor, [
    ['Stroke', '56 mm'],
    ['Rod, centre to centre', '110 mm'],
  ])
  await allWritten(page)
  const address = new URL(page.url()).pathname
  await writeDown(actor, address, 'contact breaker of its own', 'Degrees before TDC', '18.5')
  await actor.choose('The book’s figure is', 'piston below its top, mm')
  await figures(actor, [['Piston below its top, mm', '1.8']])
  await allWritten(page)
  await page.goto(address)
  await begin(actor, 'Spark timing')
  await actor.press('Ignition is on, for the lamp')
  await read(actor, '1.2 mm', /^It stands, of piston/)
  await expect(panel(page)).toContainText('late, short of its band')
  await goOn(actor)
  await expect(panel(page)).toContainText('of the crank)')
  await actor.write(/^Moved at the slots/, '0.8')
  await actor.press('It was moved')
  await read(actor, '1.8 mm', /^It stands, of piston/)
  await goOn(actor)
  await read(actor, '1.8 mm', /^It stands, of piston/)
  await expect(panel(page)).toContainText('In its band')
  await actor.press('Ignition is off again')
  const card = await sign(actor)
  await expect(card).toContainText('1.80 mm')
})

inLong('a distributor with two leads crossed: named, changed over, looked at again', async ({ page }) => {
  const actor = new MouseHand(page)
  await newEngine(actor, 'Delivery van', [
    ['Cylinders stand', 'in line'],
    ['How many', '4'],
  ])
  await figures(actor, [['Firing order', '1-3-4-2']])
  await allWritten(page)
  const address = new URL(page.url()).pathname
  await writeDown(actor, address, 'distributor', 'Degrees before TDC', '8')
  await page.goto(address)
  await begin(actor, 'Spark timing')
  await actor.open(/^Leads round the cap/)
  await actor.write(/^Leads as they are/, '1 4 3 2')
  await actor.press('Write it down: leads')
  await expect(panel(page)).toContainText(/The leads of cylinders (3 and 4|4 and 3) are crossed/)
  await read(actor, '8', /^It stands, before firing TDC/)
  await goOn(actor)
  await actor.open(/^Leads round the cap/)
  await actor.write(/^Leads as they are/, '1 3 4 2')
  await actor.press('Write it down: leads')
  await expect(panel(page)).toContainText('The leads are in the firing order.')
  const card = await sign(actor)
  await expect(card).toContainText('The leads are in the firing order.')
})

/* Lines at 30 and 25 before TDC: 27.5 is half way between them. Two magnetos, a bank each, the second 2° softer on purpose. */
inLong('twelve cylinders with two magnetos, half way between two lines on purpose', async ({ page }) => {
  const actor = new MouseHand(page)
  await newEngine(actor, 'Lifeboat twelve', [
    ['Cylinders stand', 'in a V'],
    ['How many', '12'],
  ])
  await allWritten(page)
  const address = new URL(page.url()).pathname
  await page.goto(`${address}?part=rim:`)
  await figures(actor, [['Once round the rim', '1440 mm']])
  for (const [name, claims] of [
    ['Line 30', '30 before'],
    ['Line 25', '25 before'],
  ] as const) {
    await actor.press('A mark on the rim')
    await actor.write('The mark', name)
    await actor.choose('Cut for', /spark/)
    await actor.write('It claims to stand', claims)
    await actor.press('Keep the mark')
    await allWritten(page)
  }
  for (const [name, wanted] of [
    ['Near magneto', '27.5'],
    ['Far magneto', '25.5'],
  ] as const) {
    await page.goto(`${address}?part=shaft:camshaft`)
    await actor.press(/^(It works fuel pumps or a breaker: write them down|Another pump or magneto on it)$/)
    await actor.write('You call the magneto', name)
    await page.keyboard.press('Tab')
    await figures(actor, [['Degrees before TDC', wanted]])
    await allWritten(page)
  }
  await page.goto(address)
  await begin(actor, 'Spark timing')
  await expect(panel(page)).toContainText('2.5°, 10.0 mm of rim, past the line “Line 30”: 0.50 of the way to “Line 25”')
  await read(actor, '27.5', /^It stands, before firing TDC/)
  await goOn(actor)
  await read(actor, '25.5', /^It stands, before firing TDC/)
  await expect(panel(page)).toContainText('2.0° later than the near magneto, meant to be 2.0° later')
  const card = await sign(actor)
  await expect(card).toContainText('27.5°')
  await expect(card).toContainText('25.5°')
})

/* A tape on a rim of 14.4 m: a millimetre is 0.025°. Read to ½ mm, with the meeting told to ± 0.05°, a camshaft is known to ± 0.05°: 1.9° late may be trimmed, 2.0° is on
 * the limit, 2.1° is the camshaft's own. */
inLong('single pumps of a marine engine, trimmed, on the limit, or the camshaft set instead', async ({ page }) => {
  const actor = new MouseHand(page)
  await newEngine(actor, 'Ferry engine', [
    ['Cylinders stand', 'in line'],
    ['How many', '2'],
  ])
  await figures(actor, [['Firing order', '1-2']])
  await allWritten(page)
  const address = new URL(page.url()).pathname
  await writeDown(actor, address, 'single pumps on a camshaft', 'Degrees before TDC', '12')
  await page.goto(address)
  await begin(actor, 'Pump timing', zeroByTape)
  const verdicts = [
    ['276', '1.9° late ± 0.05°', 'the pumps may be trimmed for it'],
    ['280', '2.0° late ± 0.05°', 'on the limit of 2°'],
    ['284', '2.1° late ± 0.05°', 'Set the camshaft, not the pumps'],
    ['276', '1.9° late ± 0.05°', 'the pumps may be trimmed for it'],
  ] as const
  for (const [n, [tape, told, says]] of verdicts.entries()) {
    await actor.open('Cam mark against the crank')
    await actor.write('The degree wheel reads', tape)
    await actor.write('How near the meeting could be told, ± degrees', '0.05')
    await actor.press('Write it down')
    await allWritten(page)
    await actor.press(/^Pump as found/)
    await expect(panel(page)).toContainText(told)
    await expect(panel(page)).toContainText(says)
    if (n === verdicts.length - 1) break
    await actor.press('Ledger')
    const dialog = page.getByRole('dialog')
    const line = dialog.getByRole('listitem').filter({ hasText: /Cam mark as found/ })
    await line.getByRole('button', { name: 'Strike', exact: true }).first().click()
    await expect(dialog.getByText(/^Struck: Cam mark as found/)).toHaveCount(n + 1)
    await page.keyboard.press('Escape')
    await actor.press(/^As found/)
  }
  for (const [cylinder, found] of [
    ['1', '10'],
    ['2', '11.8'],
  ] as const) {
    await page.getByRole('radiogroup', { name: 'Which of the pumps' }).getByText(cylinder, { exact: true }).click()
    await read(actor, found, /^It stands, before firing TDC/)
  }
  await expect(panel(page).getByRole('table')).toContainText('2.0° earlier')
  await goToStep(actor, /^Set the pump/)
  await page.getByRole('radiogroup', { name: 'Which of the pumps' }).getByText('1', { exact: true }).click()
  await actor.write(/^Moved at the slots/, '1')
  await actor.press('It was moved')
  await read(actor, '12', /^It stands, before firing TDC/)
  const card = await sign(actor)
  await expect(card).toContainText('10.0°')
  await expect(card).toContainText('12.0°')
})

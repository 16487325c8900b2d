import { expect } from '@playwright/test'
import type { Actor } from './actor'

/* One whole job on one engine, by whichever hand. The expected numbers were worked out by hand:
 *  teeth 19 and 38: one cam tooth is 360 / 38 * 2 = 18.95° of the crank;
 *  stop contacts 340 and 30 on a half-degree wheel: zero 5.00°, ± 2 * 0.5 / sqrt(12) / sqrt(2) = 0.20°;
 *  cam mark at wheel 11: 6.0° late;
 *  pitch radii 28.933 and 57.671, axes 193.781 apart: run sqrt(193.781² - 28.738²) = 191.638 mm = 20.120 pitches, touching at
 *  4.143 + acos(-28.738 / 193.781) = 102.671° from upright. Cam mark at 20°: 82.671 * 38 / 360 = 8.726; crank mark at 105°:
 *  2.329 * 19 / 360 = 0.123. Expected 28.97, so 29 pitches, 0.6° late left over. Two turns later, wheel 5.5 is 0.5° late. */

/** Begins an engine in an empty workshop and fills its build sheet. */
export async function enterEngine(actor: Actor) {
  const { page } = actor
  await page.goto('/own')
  await expect(page.getByText('No engine on the stands yet.')).toBeVisible()
  await actor.press('New engine')
  await actor.write('What you call it', 'Saw bench engine')
  await actor.write('In a few words', 'single, petrol')
  await actor.press('Begin its build sheet')
  await expect(page.getByRole('heading', { name: 'Saw bench engine' })).toBeVisible()
  await actor.choose('The crank runs, seen from the timing side', 'clockwise')
  await actor.choose('Can valves and pistons meet?', 'yes, interference')
  await actor.write('Cam may be out by, at the crank', '3')
  await actor.write('Stroke', '82 mm')
  await actor.write('Rod, centre to centre', '142 mm')
  await actor.write('Teeth, crank sprocket', '19')
  await actor.write('Teeth, cam sprocket', '38')
  await actor.write('Chain pitch', '3/8 in')
  await actor.write('Pitches in the whole chain', '70')
  await actor.write('Centre of the crank to centre of the camshaft', '193.781 mm')
  await actor.write('Camshaft stands towards', '4.143')
  await actor.write('Tensioner, radius where the loop touches it', '62 mm')
  await actor.write('Crank mark points to, in the timing position', '105')
  await actor.write('Cam mark points to, in the timing position', '20')
  await actor.write('Inlet opens, before TDC', '17')
  await actor.write('Inlet closes, after BDC', '57')
  await actor.write('Exhaust opens, before BDC', '60')
  await actor.write('Exhaust closes, after TDC', '20')
  await actor.write('Inlet lash, cold', '.010 in')
  await actor.write('Exhaust lash, cold', '12 thou')
  await page.keyboard.press('Tab')
  await expect(page.getByText('18.95° crank')).toBeVisible()
  await expect(page.getByText('70 pitches')).toBeVisible()
}

export async function startJob(actor: Actor) {
  await actor.press('Start a job')
  await expect(actor.page.getByRole('heading', { name: 'What is it here for?' })).toBeVisible()
  await actor.write('Why it is here', 'rattles')
  await actor.press(/^Begin: /)
  await expect(actor.page.getByRole('heading', { name: 'Make safe' })).toBeVisible()
}

export async function makeSafeAndLash(actor: Actor) {
  const { page } = actor
  await expect(page.getByLabel('Guard', { exact: true })).toContainText('Do not turn')
  for (const words of [/maker's manual/, /Battery off/, /Ignition off/, /Fuel shut/, /Plugs out/, /Hands clear/])
    await actor.press(words, 'checkbox')
  await expect(page.getByLabel('Guard', { exact: true })).toContainText('May be turned')
  await actor.press('Go on')
  await actor.write('Lash, 1 inlet', '.010 in')
  await actor.press('Write down lash, 1 inlet')
  await actor.write('Lash, 1 exhaust', '12')
  await actor.press(/^12 thou/)
  await actor.press('Write down lash, 1 exhaust')
  await expect(page.getByText(/Written: 0\.30 mm \(12\.0 thou\)/)).toBeVisible()
  await actor.press('Go on')
}

export async function findZero(actor: Actor) {
  const { page } = actor
  await expect(page.getByRole('heading', { name: 'True TDC' })).toBeVisible()
  await actor.press('Wheel is fitted')
  await actor.press('Stop is in cylinder 1')
  await expect(page.getByLabel('Guard', { exact: true })).toContainText('Gently onto the stop only')
  await contacts(actor, '340', '30')
  await expect(page.getByText('5.00° ± 0.20°').first()).toBeVisible()
  await actor.press('Stop is out')
  await actor.press('Stop in again, at another depth')
  await contacts(actor, '330', '40')
  await actor.press('Stop is out')
  await expect(page.locator('.step-panel .result')).toContainText('proved')
  await actor.press('Go on')
}

async function contacts(actor: Actor, first: string, second: string) {
  await actor.write(/^First contact/, first)
  await actor.write(/^Second contact/, second)
  await actor.press('Write both down')
}

export async function whichAndAsFound(actor: Actor) {
  const { page } = actor
  await actor.press(/It stands there/)
  await actor.press('Air pushed past')
  await expect(page.getByText(/read: one witness/)).toBeVisible()
  await actor.press('Both shut, lash felt')
  await expect(page.getByText('It stands at firing TDC of 1, proved')).toBeVisible()
  await actor.press('Go on')
  await expect(page.getByRole('heading', { name: 'As found' })).toBeVisible()
  await actor.write('The degree wheel reads', '11')
  await expect(page.getByText('The cam is 6.0° late at the crank')).toBeVisible()
  await actor.press('Write it down')
  await actor.open('Count the tight run')
  await actor.press('First no, last yes')
  await actor.count(29)
  await actor.press(/^At the crank mark: 29/)
  await actor.press('Go on')
}

export async function chainOffAndOn(actor: Actor) {
  const { page } = actor
  await expect(page.getByRole('heading', { name: 'To the timing position, chain off' })).toBeVisible()
  await actor.press('It stands at the timing position')
  await actor.press('Tensioner held back, its pin in')
  await actor.press('Chain is off')
  await expect(page.getByLabel('Guard', { exact: true })).toContainText('Trim only: 4° either way')
  await actor.press('Go on')
  await actor.press('It meets')
  await actor.press(/^Go on/)
  await actor.press('Chain is on')
  await actor.count(28)
  await actor.press(/^At the crank mark: 28/)
  await expect(page.getByText('Lay the chain one tooth further round the cam sprocket, clockwise.')).toBeVisible()
  await expect(page.getByText('1 pitch', { exact: true })).toBeVisible()
  await actor.press('Moved it: count again')
  await actor.count(29)
  await actor.press(/^At the crank mark: 29/)
  await expect(page.getByText('The chain lies right: nothing to move.')).toBeVisible()
  await actor.press(/^Go on/)
}

export async function proveAndClose(actor: Actor) {
  const { page } = actor
  await actor.press('Fitted, seated, held back')
  await actor.press(/^Pin is out/)
  await actor.press(/^Pushed the run/)
  await actor.press('Go on')
  await expect(page.getByLabel('Guard', { exact: true })).toContainText('May be turned')
  await actor.press('One full turn done')
  await expect(page.locator('.step-panel')).toContainText('360° of 720°')
  await actor.press('One full turn done')
  await actor.write('The degree wheel reads', '5.5')
  await actor.press('Write it down')
  await actor.open('Count the tight run')
  await actor.count(29)
  await actor.press(/^At the crank mark: 29/)
  await expect(page.getByText(/Within the sheet’s 3\.0° by/)).toBeVisible()
  await actor.press('Go on')
  await actor.write('Lash, 1 inlet', '.010 in')
  await actor.press('Write down lash, 1 inlet')
  await actor.write('Lash, 1 exhaust', '12 thou')
  await actor.press('Write down lash, 1 exhaust')
  await actor.press('Go on')
  await actor.write('Signed, in the role of', 'owner')
  await actor.press('Sign and close the job')
  await actor.press('Look at the card', 'link')
  const card = page.getByRole('article', { name: 'Timing card' })
  await expect(card).toContainText('Everything on this card is proved by two witnesses.')
  await expect(card).toContainText('6.0° late')
  await expect(card).toContainText('29, expected 29.')
  await expect(card).toContainText('Signed: owner')
}

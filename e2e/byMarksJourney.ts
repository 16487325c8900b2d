import { expect } from '@playwright/test'
import type { Actor } from './actor'
import { startTicks } from './beginEngine'

/* Whole jobs by marks and counts, without a degree wheel: from nothing to a signed card, by whichever hand. A field is a value typed or an option chosen. */

const guard = (actor: Actor) => actor.page.getByLabel('Guard', { exact: true })

export async function newEngine(actor: Actor, name: string, shape: readonly (readonly [string, string])[]) {
  await actor.page.goto('/own')
  await actor.press('New engine')
  await actor.write('What you call it', name)
  for (const [label, option] of shape) await actor.choose(label, option)
  await actor.press('Begin its build sheet')
  await expect(actor.page.getByRole('heading', { name })).toBeVisible()
  await actor.choose('The crank runs, seen from the timing side', 'clockwise')
  await actor.choose('Can valves and pistons meet?', 'yes, interference')
}

export async function figures(actor: Actor, fields: readonly (readonly [string | RegExp, string])[]) {
  for (const [label, text] of fields) await actor.write(label, text)
  await actor.page.keyboard.press('Tab')
}

/** Shows a step of the sheet; on a phone the list of them is folded away. */
export async function goToStep(actor: Actor, name: RegExp) {
  const folded = actor.page.locator('.phone-progress details')
  if (await folded.isVisible()) await actor.open(/^Step \d/)
  await actor.press(name)
}

export async function startAtTdc(actor: Actor) {
  await actor.press('Start a job')
  await actor.press('Start')
  await startTicks(actor.page)
  await actor.press('Go on')
  await expect(actor.page.getByRole('heading', { name: 'Lash as found' })).toBeVisible()
  await actor.press('Pass this step over, with a reason')
  await actor.write('Why it is passed over', 'set last week')
  await actor.press('Pass it over')
  await expect(actor.page.getByRole('heading', { name: 'True TDC' })).toBeVisible()
}

async function standsAtItsMark(actor: Actor) {
  await actor.pick(/^The crank, by the/, 'Crank at its mark')
  await actor.press('It stands there, by the mark')
}

/** The crank at a mark of its own, no wheel fitted; then which of its TDCs that is. */
export async function crankByItsMark(actor: Actor) {
  await actor.open('No degree wheel: work by a mark')
  await actor.press('A sharp line, where it belongs')
  await standsAtItsMark(actor)
  await expect(actor.page.getByText(/By the mark: the crank mark at its mark/).first()).toBeVisible()
  await actor.press(/^Go on/)
  await actor.press('Air pushed past')
  await actor.press('Both shut, lash felt')
  await actor.press('Go on')
}

/** A camshaft seen at its mark, as found, set or left; the first time it is asked how exact the mark is. */
export async function camAtItsMark(actor: Actor, { first = false } = {}) {
  await actor.pick(/^Where the .*mark stands/, 'Level: at its mark')
  if (first) await actor.press('A sharp line, where it belongs')
  await actor.press(/^Write it down: (cam mark, crank at its own)$/)
}

/** A camshaft set to its mark, its loop off. */
export async function setCam(actor: Actor) {
  await actor.press('It meets')
  await actor.press(/^Go on/)
}

/** A run counted, and the move where it is out. */
export async function countRun(actor: Actor, n: number) {
  await actor.count(n)
  await actor.press(new RegExp(`mark: ${n}$`))
}

export async function releaseAndTurn(actor: Actor) {
  await actor.press('Tensioner is fitted, seated, held back')
  await actor.press(/^Pin is out/)
  await actor.press(/^Pushed the run/)
  await actor.press('Go on')
  await expect(guard(actor)).toContainText('May be turned')
  await actor.press('One full turn done')
  await actor.press('One full turn done')
}

export async function sign(actor: Actor) {
  await goToStep(actor, /^Card/)
  await actor.write('Signed, in the role of', 'owner')
  await actor.press('Sign and close the job')
  await actor.press('Look at the card', 'link')
  const card = actor.page.getByRole('article', { name: 'Timing card' })
  await expect(card).toContainText('Signed: owner')
  return card
}

/** A single, one chain: 17 and 34 teeth, 27 pins from cam mark to crank mark, and nothing else known. */
export async function singleByMarks(actor: Actor) {
  const { page } = actor
  await newEngine(actor, 'Mower', [])
  await figures(actor, [
    ['Teeth, crank sprocket', '17'],
    ['Teeth, cam sprocket', '34'],
    ['Pitches from cam mark to crank mark, tight run', '27'],
  ])
  await startAtTdc(actor)
  await crankByItsMark(actor)
  await camAtItsMark(actor, { first: true })
  await actor.press('First no, last yes')
  await expect(page.getByText('Expect 27 pins.')).toBeVisible()
  await countRun(actor, 27)
  await expect(page.locator('.step-panel .proved').first()).toBeVisible()
  await actor.press('Go on')
  await actor.press('Tensioner held back, its pin in')
  await actor.press('Chain is off')
  await expect(guard(actor)).toContainText('Trim only: 4° either way')
  await actor.press('Go on')
  await setCam(actor)
  await actor.press('Chain is on')
  await expect(guard(actor)).toContainText('Trim only')
  await countRun(actor, 26)
  await expect(page.getByText('Lay the chain one tooth further round the cam sprocket, clockwise.')).toBeVisible()
  await actor.press('Moved it: count again')
  await countRun(actor, 27)
  await actor.press(/^Go on/)
  await releaseAndTurn(actor)
  await camAtItsMark(actor)
  const card = await sign(actor)
  await expect(card).toContainText('by the mark')
}

/** Two camshafts on one chain, counts from a book and nothing measured; the crank's own mark is buried. */
export async function twinByCounts(actor: Actor) {
  const { page } = actor
  await newEngine(actor, 'Twin', [['Camshafts are driven by', 'one chain, two camshafts']])
  await figures(actor, [
    ['Teeth, crank sprocket', '19'],
    ['Teeth, exhaust sprocket', '38'],
    ['Teeth, inlet sprocket', '38'],
    ['Pitches in the whole chain', '104'],
    ['From exhaust sprocket mark to inlet sprocket mark', '20'],
    ['From inlet sprocket mark to crank sprocket mark', '32'],
  ])
  await expect(page.getByLabel('Drive and jobs')).not.toContainText('too short')
  await startAtTdc(actor)
  await actor.open('No degree wheel: work by a mark')
  await addLine(actor, 'Crank line')
  await actor.choose('The crank is seen by', /Crank line/)
  await actor.press('A sharp line, where it belongs')
  await standsAtItsMark(actor)
  await actor.press(/^Go on/)
  await actor.press('Air pushed past')
  await actor.press('Both shut, lash felt')
  await actor.press('Go on')
  await camAtItsMark(actor, { first: true })
  await actor.press('First no, last yes')
  await expect(page.getByText('Expect 20 pins.')).toBeVisible()
  await countRun(actor, 20)
  await actor.press('Count the next run: inlet sprocket mark to crank sprocket mark')
  await actor.open('A mark of this run cannot be seen')
  await actor.press('The crank sprocket mark')
  await expect(page.getByText(/With the crank line at its pointer the cam marks tell the same/)).toBeVisible()
  await actor.press(/^Go on/)
  await camAtItsMark(actor, { first: true })
  await actor.press(/^Go on/)
  await actor.press('Tensioner held back, its pin in')
  await actor.press('Chain is off')
  await actor.press('Go on')
  await setCam(actor)
  await setCam(actor)
  await actor.press('Chain is on')
  await countRun(actor, 20)
  // A count between the camshafts says nothing of the crank: what can be had is asked for, by name.
  await expect(guard(actor)).toContainText('See the exhaust sprocket mark level, the crank at its own mark')
  for (const camshaft of ['exhaust', 'inlet']) {
    await actor.open(`Or see the ${camshaft} camshaft at its mark`)
    await camAtItsMark(actor)
    await expect(page.getByText('On its tooth:').filter({ visible: true }).first()).toBeVisible()
    await page.locator('summary', { hasText: `Or see the ${camshaft} camshaft` }).click()
  }
  await actor.press(/^Go on/)
  await releaseAndTurn(actor)
  await camAtItsMark(actor)
  const card = await sign(actor)
  await expect(card).toContainText('20, expected 20.0 pins: right')
}

/** A line on the rim of the crank, cut for the TDC of a cylinder. */
async function addLine(actor: Actor, name: string, cylinder?: string) {
  await actor.press(/^(Another mark of the crank|Add the line that is there)$/)
  await actor.write('The mark', name)
  if (cylinder) await actor.choose('Of cylinder', cylinder)
  await actor.press('Keep the mark')
}

const sharp = (actor: Actor) => actor.press('A sharp line, where it belongs')

/** Turned on from one cylinder's place to the other's, by the degrees that the plan says. */
async function turnOn(actor: Actor, line: string) {
  const { page } = actor
  await expect(page.locator('.instruction').filter({ visible: true }).first()).toContainText('Turn')
  await actor.press('I have turned it')
  await page.getByRole('dialog').getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByRole('dialog')).toBeHidden()
  await actor.press(`The ${line} is at its pointer`)
}

/** A bank: its chain off, its camshaft to its mark, its chain on and the camshaft seen at its mark, its tensioner released. */
async function bankByMarks(actor: Actor, which: 'first' | 'second') {
  await actor.press('Tensioner held back, its pin in')
  await actor.press(`${which === 'first' ? 'First' : 'Second'} chain is off`)
  await expect(guard(actor)).toContainText('Trim only: 4° either way')
  await actor.press('Go on')
  await setCam(actor)
  await actor.press(`${which === 'first' ? 'First' : 'Second'} chain is on`)
  await actor.open('Or see the cam at its mark')
  await camAtItsMark(actor)
  await actor.press(/^Go on/)
  await actor.press(/^(First|Second) tensioner is fitted, seated, held back$|^Tensioner is fitted, seated, held back$/)
  await actor.press(/^Pin is out/)
  await actor.press(/^Pushed the run/)
  await actor.press('Go on')
  await expect(guard(actor)).toContainText('May be turned')
}

/** Two cylinders on idler gears, a chain to each bank, the second set at its own TDC: one cylinder after the other, by lines and marks. */
export async function veeByMarks(actor: Actor) {
  await newEngine(actor, 'Vee', [
    ['Cylinders stand', 'in a V'],
    ['Camshafts are driven by', 'idler gears, a chain to each bank'],
  ])
  await actor.open('Each cylinder')
  await figures(actor, [
    ['Firing TDC of 2, if it is known', '290'],
    ['Teeth, crank pinion', '24'],
    ['Teeth, first idler gear', '48'],
    ['Teeth, second idler gear', '48'],
    ['Teeth, first idler sprocket', '30'],
    ['Teeth, second idler sprocket', '30'],
    ['Teeth, first cam sprocket', '30'],
    ['Teeth, second cam sprocket', '30'],
  ])
  await actor.choose('The second camshaft is set at', 'firing TDC of cylinder 2')
  await startAtTdc(actor)
  await actor.open('No degree wheel: work by a mark')
  await addLine(actor, 'Line 1')
  await sharp(actor)
  await addLine(actor, 'Line 2', '2')
  await standsAtItsMark(actor)
  await actor.press(/^Go on/)
  await actor.press('Air pushed past')
  await actor.press('Both shut, lash felt')
  await actor.press('Go on')
  await camAtItsMark(actor, { first: true })
  await actor.press(/^Go on/)
  await turnOn(actor, 'line 2')
  await sharp(actor)
  await camAtItsMark(actor, { first: true })
  await actor.press(/^Go on/)
  await turnOn(actor, 'line 1')
  await bankByMarks(actor, 'first')
  await turnOn(actor, 'line 2')
  await bankByMarks(actor, 'second')
  await actor.press('One full turn done')
  await actor.press('One full turn done')
  const card = await sign(actor)
  await expect(card).toContainText('not proved; by the mark: the line 2 at its mark')
  await expect(card).toContainText('Second camshaft, set by its mark')
}

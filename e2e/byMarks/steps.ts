import { expect } from '@playwright/test'
import type { Actor } from '../actor'
import { allWritten } from '../allWritten'
import { sayPulled, startTicks } from '../beginEngine'

/* What whole jobs by marks and counts are made of, by whichever hand. A field is a value typed or an option chosen. */

export const guard = (actor: Actor) => actor.page.getByLabel('Guard', { exact: true })

/** The step is done and the next one is there: a press made before that would land on the step that is left. */
export async function goOn(actor: Actor) {
  const heading = actor.page.locator('.step-panel h2').filter({ visible: true }).first()
  const left = await heading.innerText()
  await actor.press(/^Go on/)
  await expect(heading).not.toHaveText(left)
}

export async function newEngine(
  actor: Actor,
  name: string,
  shape: readonly (readonly [string, string])[],
  { twoStroke = false } = {},
) {
  await actor.page.goto('/own')
  await actor.press('New engine')
  await actor.write('What you call it', name)
  for (const [label, option] of shape) await actor.choose(label, option)
  if (twoStroke) await actor.pick('Strokes', 'Two-stroke')
  await sayPulled(actor)
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

export async function passOver(actor: Actor, why: string) {
  const heading = actor.page.locator('.step-panel h2').filter({ visible: true }).first()
  const left = await heading.innerText()
  await actor.press('Pass this step over, with a reason')
  await actor.write('Why it is passed over', why)
  await actor.press('Pass it over')
  await expect(heading).not.toHaveText(left)
}

export async function startAtTdc(actor: Actor) {
  await actor.press('Start a job')
  await actor.press(/^Begin: /)
  await startTicks(actor.page)
  await goOn(actor)
  await expect(actor.page.getByRole('heading', { name: 'Lash as found' })).toBeVisible()
  await passOver(actor, 'set last week')
  await expect(actor.page.getByRole('heading', { name: 'True TDC' })).toBeVisible()
}

export async function standsAtItsMark(actor: Actor) {
  await actor.pick(/^The crank, by the/, 'Crank at its mark')
  await actor.press('It stands there, by the mark')
}

/** The crank at a mark of its own, no wheel fitted; then which of its TDCs that is. */
export async function crankByItsMark(actor: Actor) {
  await actor.open('No degree wheel: work by a mark')
  await sharp(actor)
  await standsAtItsMark(actor)
  await expect(actor.page.getByText(/By the mark: the crank .*mark at its mark/).first()).toBeVisible()
  await goOn(actor)
  await actor.press('Air pushed past')
  await actor.press('Both shut, lash felt')
  await goOn(actor)
}

/** A camshaft seen at its mark, as found, set or left; the first time it is asked how exact the mark is. */
export async function camAtItsMark(actor: Actor, { first = false } = {}) {
  await actor.pick(/^Where the .*mark stands/, 'Level: at its mark')
  if (first) await sharp(actor)
  await actor.press(/^Write it down: (cam mark, crank at its own)$/)
}

/** A camshaft set to its mark, its loop off. */
export async function setCam(actor: Actor) {
  await actor.press('It meets')
  await goOn(actor)
}

/** A run counted, and the move where it is out. */
export async function countRun(actor: Actor, n: number) {
  await actor.count(n)
  await actor.press(new RegExp(`mark: ${n}$`))
}

export async function releaseAndTurn(actor: Actor) {
  await actor.press(/^(Fitted, seated, held back|Fitted and seated|Bolted on)/)
  await actor.press(/^Pin is out/)
  await actor.press(/^Pushed the run/)
  await goOn(actor)
  await expect(guard(actor)).toContainText('May be turned')
  await actor.press('One full turn done')
  await actor.press('One full turn done')
}

/** Signed, and the card looked at; with something still in, out or loose why it is left so. */
export async function sign(actor: Actor, stillSo = '') {
  await goToStep(actor, /^Card/)
  if (stillSo) await actor.write('Closed with that still so, because', stillSo)
  await actor.write('Signed, in the role of', 'owner')
  await actor.press('Sign and close the job')
  await actor.press('Look at the card', 'link')
  const card = actor.page.getByRole('article', { name: 'Timing card' })
  await expect(card).toContainText('Signed: owner')
  return card
}

/** A line on the rim of the crank, cut for the TDC of a cylinder, or for a place that it claims. */
export async function addLine(actor: Actor, name: string, { cylinder = '', claims = '' } = {}) {
  await actor.press(/^(Another mark of the crank|Add the line that is there)$/)
  await actor.write('The mark', name)
  if (claims) await actor.choose('Cut for', 'the timing position')
  if (cylinder) await actor.choose('Of cylinder', cylinder)
  if (claims) await actor.write('It claims to stand', claims)
  await actor.press('Keep the mark')
}

/** How exact a mark is, asked once: written before the next thing is pressed, which would land on what is put in its place. */
export async function sharp(actor: Actor) {
  await actor.press('A sharp line, where it belongs')
  await allWritten(actor.page)
}

/** Turned on from one cylinder's place to the other's, by the degrees that the plan says. */
export async function turnOn(actor: Actor, line: string, { lookAt = true } = {}) {
  const { page } = actor
  await expect(page.locator('.instruction').filter({ visible: true }).first()).toContainText('Turn')
  await actor.press('I have turned it')
  await page.getByRole('dialog').getByRole('button', { name: 'Write it down' }).click()
  await expect(page.getByRole('dialog')).toBeHidden()
  if (lookAt) await actor.press(`The ${line} is at its pointer`)
}

import { expect, test, type Page } from '@playwright/test'
import { MouseHand } from './actor'
import { allWritten } from './allWritten'
import { beginEngine, startSafely } from './beginEngine'
import { countTo, stagedTeeth } from './countTo'
import { zeroAtFive } from './zeroAtFive'

const FREE = 'no, free-running'

/** One cylinder, its cam on gears, the inlet 10/50; made safe, the zero found, at what is read as found. */
async function readySideValve(actor: MouseHand, more: readonly (readonly [string, string])[]) {
  await beginEngine(actor, { name: 'Side valve', cylinders: '1', drive: 'gears only', meet: FREE })
  for (const [label, text] of [['Inlet opens, before TDC', '10'], ['Inlet closes, after BDC', '50'], ...more] as const)
    await actor.write(label, text)
  await actor.page.keyboard.press('Tab')
  await startSafely(actor)
  await zeroAtFive(actor)
  await actor.press(/^As found/)
}

async function events(actor: MouseHand, opens: string, closes: string) {
  await actor.open('Opening and closing')
  await actor.write('Opens: the degree wheel reads', opens)
  await actor.write('Closes: the degree wheel reads', closes)
  await actor.press('Write it down: opening and closing')
}

const wrong = (page: Page) => page.getByRole('region', { name: 'What is wrong' })
const move = (page: Page) => page.getByRole('region', { name: 'The one move' })

/* Inlet 17/57 and exhaust 60/20 at half a millimetre, 20 and 40 teeth: a tooth is 18° of the crank. By hand, of a chain 0.55% longer over the
 * runs of this layout the exhaust is 4.6° late and the inlet 3.2°; the inlet a tooth later still is 21.2°. With TDC at 5 the inlet then opens at
 * 343 + 21.2 + 5 = 9.2 on the wheel and closes at 597 + 26.2 = 263.2; the exhaust at 120 + 9.6 = 129.6 and 380 + 9.6 = 29.6. */
test('a twin-cam engine, a tooth out on one cam and both late from the chain, put right by tooth and hub', async ({
  page,
}) => {
  const actor = new MouseHand(page)
  await beginEngine(actor, { name: 'Twin', cylinders: '4', drive: 'one chain, two camshafts', meet: FREE })
  for (const [label, text] of [
    ['Teeth, crank sprocket', '20'],
    ['Teeth, exhaust sprocket', '40'],
    ['Teeth, inlet sprocket', '40'],
    ['Centre of the crank to centre of the exhaust camshaft', '308 mm'],
    ['Exhaust camshaft stands towards', '-13.1'],
    ['Centre of the crank to centre of the inlet camshaft', '308 mm'],
    ['Inlet camshaft stands towards', '13.1'],
    ['Tensioner, radius where the loop touches it', '60 mm'],
    ['Chain pitch', '9.525 mm'],
    ['Pitches in the whole chain', '112'],
    ['Cam may be out by, at the crank', '2'],
    ['Inlet opens, before TDC', '17'],
    ['Inlet closes, after BDC', '57'],
    ['Inlet: at a lift of', '0.5 mm'],
    ['Inlet top lift', '9 mm'],
    ['Exhaust opens, before BDC', '60'],
    ['Exhaust closes, after TDC', '20'],
    ['Exhaust: at a lift of', '0.5 mm'],
    ['Exhaust top lift', '8.6 mm'],
  ] as const)
    await actor.write(label, text)
  await page.keyboard.press('Tab')
  await actor.findPart('Inlet opens, before TDC')
  await expect(page.getByText(/Follows: open for 254\.0°, lobe centre 110\.0°, lift at overlap TDC/)).toBeVisible()
  await actor.choose('These figures are for', 'cylinder 3 by itself')
  await actor.write('Inlet of 3 top lift', '9.4 mm')
  await page.keyboard.press('Tab')
  await actor.choose('These figures are for', 'all cylinders alike')
  await expect(page.getByText('3 inlet has other figures than these.')).toBeVisible()
  for (const wheel of ['Inlet sprocket', 'Exhaust sprocket']) {
    await actor.findPart(`Teeth, ${wheel.toLowerCase()}`)
    await actor.open('It can be set')
    await actor.press('Put it on the sheet: adjuster')
    await actor.write(`Places to the turn, ${wheel.toLowerCase()}`, '17')
    await page.keyboard.press('Tab')
  }
  await startSafely(actor)
  await zeroAtFive(actor)
  await actor.press(/^Which TDC/)
  await actor.press(/It stands there/)
  await actor.press('Air pushed past')
  await actor.press('Both shut, lash felt')

  await actor.press(/^As found: exhaust camshaft/)
  await events(actor, '129.6', '29.6')
  await expect(page.getByText(/Exhaust camshaft:.*4\.6° late/)).toBeVisible()
  await actor.press(/^As found: inlet camshaft/)
  await events(actor, '9.2', '263.2')
  await expect(page.getByText(/Inlet camshaft:.*21\.2° late/)).toBeVisible()
  await expect(wrong(page)).toContainText('It would fit: measure the chain before you believe it.')
  await expect(wrong(page)).toContainText('To settle it: Count the pulled runs')
  await actor.open('Measure the chain')
  await actor.write('Over how many pitches', '20')
  await actor.write('Measured, pulled lightly', '191.55 mm')
  await actor.press('Write it down: chain')
  await expect(wrong(page).getByRole('listitem').first()).toContainText(
    'Whole teeth out: inlet camshaft 1 tooth late; and The chain has stretched: 0.55% longer.',
  )
  await expect(move(page)).toContainText(
    /Hub of the inlet sprocket, \d+ places?: the inlet camshaft .* in its sprocket/,
  )
  await expect(move(page)).toContainText('The least trouble that leaves every cam within 2.0°')
  await expect(move(page)).toContainText(/Inlet camshaft then reads.*[01]\.\d° (late|early)/)
  await actor.press('It is moved so')
  await expect(move(page)).toBeHidden()
  await expect(page.getByText('What was found has been worked on since.')).toBeVisible()

  await actor.press(/^Full turns/)
  await actor.press('One full turn done')
  await actor.press('One full turn done')
  // The exhaust right on the book: opens at 120 and closes at 380 on the cycle, its centre at 250, all 5 later on the wheel.
  await events(actor, '125', '25')
  await expect(page.locator('.result', { hasText: 'Exhaust camshaft' })).toContainText('read, one witness')
  await actor.open('Lobe centre, equal lifts')
  await actor.write('Both at a lift of', '5 mm')
  await actor.write('Going up: the degree wheel reads', '205')
  await actor.write('Coming down: the degree wheel reads', '305')
  await actor.press('Write it down: lobe centre, equal lifts')
  await expect(page.locator('.result', { hasText: 'Exhaust camshaft' })).toContainText('proved')
  await actor.press('Ledger')
  await expect(page.getByText(/^Moved: Hub of the inlet sprocket/)).toBeVisible()
})

/* 21 to 28 and 18 to 27: a tooth of the upper chain is 360/27·2 = 26.67° of the crank. Both camshafts read that late though every count is the book's, so
 * the marks lie. Inlet 17/57, exhaust 60/20, TDC at 5 on the wheel: 343 + 31.67 = 14.67, 597 + 31.67 = 268.67; 120 + 31.67 = 151.67, 380 + 31.67 = 51.67. */
test('counted right and a tooth late all the same: one move for both, and the counts that then prove it', async ({
  page,
}) => {
  const actor = new MouseHand(page)
  await beginEngine(actor, {
    name: 'Marks that lie',
    cylinders: '4',
    drive: 'two chains over an intermediate shaft',
    meet: 'yes, interference',
  })
  for (const [label, text] of [
    ...stagedTeeth,
    ['Pitches in the whole lower chain', '60'],
    ['Pitches in the whole upper chain', '102'],
    ['From large intermediate sprocket mark to crank sprocket mark', '21'],
    ['From exhaust sprocket mark to inlet sprocket mark', '25'],
    ['From inlet sprocket mark to small intermediate sprocket mark', '35'],
    ['Cam may be out by, at the crank', '2'],
    ['Inlet opens, before TDC', '17'],
    ['Inlet closes, after BDC', '57'],
    ['Inlet: at a lift of', '0.5 mm'],
    ['Exhaust opens, before BDC', '60'],
    ['Exhaust closes, after TDC', '20'],
    ['Exhaust: at a lift of', '0.5 mm'],
  ] as const)
    await actor.write(label, text)
  await page.keyboard.press('Tab')
  await startSafely(actor)
  await zeroAtFive(actor)
  await actor.press(/^As found: exhaust camshaft/)
  await events(actor, '151.7', '51.7')
  await actor.press(/^As found: inlet camshaft/)
  await events(actor, '14.7', '268.7')
  await expect(move(page)).toContainText('not counted: only teeth of the last loop')
  await actor.open('Count the tight run')
  await actor.press('First no, last yes')
  await actor.choose('Counting', /Lower chain: Large intermediate/)
  await countTo(actor, 21, /^At the crank sprocket mark: 21/)
  await actor.choose('Counting', /Upper chain: Inlet sprocket mark to Small/)
  await countTo(actor, 35, /^At the small intermediate sprocket mark: 35/)
  await actor.choose('Counting', /Upper chain: Exhaust sprocket mark to Inlet/)
  await countTo(actor, 25, /^At the inlet sprocket mark: 25/)
  await expect(move(page).getByRole('listitem').first()).toHaveText(
    'Lay the upper chain one tooth further round the small intermediate sprocket, clockwise.',
  )
  await expect(move(page)).toContainText('34.0 pitches from the inlet sprocket mark')
  await expect(move(page)).not.toContainText('not counted')
  await expect(move(page)).toContainText('The marks of the upper chain then no longer meet as the book has them')
  await actor.press('It is moved so')
  const guard = page.getByLabel('Guard', { exact: true })
  await expect(guard).toContainText('chain on but not counted')
  await actor.press(/^Chain on: count: upper chain/)
  await actor.choose('Counting', 'Inlet sprocket mark to Small intermediate sprocket mark')
  await countTo(actor, 34, /^At the small intermediate sprocket mark: 34/)
  await actor.press(/^Count the next run/)
  await countTo(actor, 25, /^At the inlet sprocket mark: 25/)
  await expect(page.getByText(/The upper chain lies right/)).toBeVisible()
  await expect(guard).toContainText('May be turned by hand')
})

test('an engine set half a turn out is caught: air against the valves, and all round the cycle', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/engine/lifeboat')
  await startSafely(actor)
  await zeroAtFive(actor)
  await actor.press(/^Which TDC/)
  await actor.press(/It stands there/)
  await actor.press('Air pushed past')
  await actor.press('Not both shut')
  await expect(page.getByText(/Either the cams are half a turn out, which is a whole turn of the crank/)).toBeVisible()
  await actor.open('Walk round the cycle')
  // Half a turn out: both a little open where it should fire, and the exhaust shut where it should have opened.
  await actor.choose('Cylinder 1: piston', 'at the top')
  await actor.choose('Cylinder 1: inlet', 'open')
  await actor.choose('Cylinder 1: exhaust', 'open')
  await allWritten(page)
  await actor.press('Turned on by half a turn')
  await actor.choose('Cylinder 1: piston', 'at the bottom')
  await actor.choose('Cylinder 1: inlet', 'open')
  await actor.choose('Cylinder 1: exhaust', 'shut')
  await expect(
    page.getByText('The pistons are right and the valves are not: the cams are half a turn out'),
  ).toBeVisible()
})

/* A gap of 0.30 and a blade of 0.10: it nips at 0.20 of lift, which is this book's own. */
test('a side-valve engine by feelers: the blade nips and frees', async ({ page }) => {
  const actor = new MouseHand(page)
  await readySideValve(actor, [
    ['Inlet: at a lift of', '0.2 mm'],
    ['Inlet lash, cold', '0.3 mm'],
  ])
  await actor.open('Opening and closing')
  await page.getByText('By feeler blade').click()
  await actor.write('The blade is', '0.4 mm')
  await expect(page.getByText('The blade is thicker than the gap.')).toBeVisible()
  await actor.write('The blade is', '0.1 mm')
  await expect(page.getByText('It nips at 0.200 mm of lift.')).toBeVisible()
  // Opens at 350, read at 358 less 5: 3 late; closes at 590 = 230, read at 238 less 5.
  await actor.write('Opens: the degree wheel reads', '358')
  await actor.write('Closes: the degree wheel reads', '238')
  await expect(page.getByText(/The cam is 3\.0° late ± \d\.\d° at the crank/)).toBeVisible()
  await actor.press('Write it down: opening and closing')
  // A drive of gears is turned twice and read again as well.
  await actor.press(/^Full turns/)
  await actor.press('One full turn done')
  await actor.press('One full turn done')
  await events(actor, '355', '235')
  await expect(page.locator('.result', { hasText: 'Camshaft' })).toContainText('0.0°, on the mark')
  await actor.press('Ledger')
  await expect(page.getByText(/1 inlet as found: opens at wheel 358.*closes at 238/)).toBeVisible()
})

/* Opens 10 before and closes 50 after, at 350 and 590 on the cycle, read 6 late and 6 early on a wheel 5 on: phase 0, open for 12 less. */
test('a lobe that opens late and closes early: its top lift tells that it is worn', async ({ page }) => {
  const actor = new MouseHand(page)
  await readySideValve(actor, [
    ['Inlet: at a lift of', '0.5 mm'],
    ['Inlet top lift', '9 mm'],
    ['Inlet lash, cold', '0.3 mm'],
  ])
  await events(actor, '1', '229')
  await expect(wrong(page)).toContainText('Not enough to tell: 2 causes fit')
  await expect(wrong(page)).toContainText('Measure the lash of these valves.')
  await actor.open('Measure a top lift')
  await actor.press('Write it down: top lift')
  await expect(page.getByText('Nothing is written here yet.')).toBeVisible()
  await actor.write('Most it lifts', '8.2 mm')
  await actor.press('Write it down: top lift')
  await expect(wrong(page)).toContainText('1 inlet: 8.20 mm, the book 9.00 mm')
  await expect(wrong(page).getByRole('listitem').first()).toContainText('A lobe is worn')
  await actor.open('Measure the head or block')
  await actor.write('Lower than its book height by', '300 mm')
  await actor.press('Write it down: height')
  await expect(page.getByText('From -5 to 20 mm.')).toBeVisible()
  await expect(page.getByLabel('Lower than its book height by')).toHaveValue('300 mm')
  await actor.write('Lower than its book height by', '0.1')
  await actor.press('Write it down: height')
  await actor.press('0.1 mm = 3.9 thou')
  await actor.press('Write it down: height')
  await expect(wrong(page)).toContainText('Head or block: 0.10 mm lower than the book ± 0.10 mm')
  await actor.press('Ledger')
  await expect(page.getByText(/Top lift as found, 1 inlet: 8\.20 mm/)).toBeVisible()
})

/* Want 0.20, right within 0.025: 2.40 with 0.30 wants 2.50; 2.50 with 0.10 wants 2.40: they swap. 2.60 with 0.45 wants 2.85, new. The rest stay. */
test('shims are swapped on eight valves: two change places, one is bought', async ({ page }) => {
  const actor = new MouseHand(page)
  await beginEngine(actor, { name: 'Shimmed', cylinders: '4', drive: 'one chain, two camshafts', meet: FREE })
  for (const valve of ['Inlet', 'Exhaust']) await actor.write(`${valve} lash, cold`, '0.2 mm')
  await actor.findPart('Lash by shims')
  await actor.open('Lash by shims')
  await actor.write('Thinnest shim you can buy', '2 mm')
  await actor.write('Thickest shim you can buy', '3 mm')
  await actor.write('They come in steps of', '0.05 mm')
  await actor.press('Set by these shims')
  await startSafely(actor)
  await actor.press(/^Lash as found/)
  const valves = [
    ['1 inlet', '0.30', '2.40'],
    ['1 exhaust', '0.10', '2.50'],
    ['2 inlet', '0.20', '2.45'],
    ['2 exhaust', '0.45', '2.60'],
    ['3 inlet', '0.19', '2.45'],
    ['3 exhaust', '0.21', '2.45'],
    ['4 inlet', '0.20', '2.55'],
    ['4 exhaust', '0.22', '2.55'],
  ] as const
  await actor.write('Lash, 1 inlet', '0.07 mm')
  await expect(page.getByText(/0\.070 mm .*would be an odd gap for this valve\. Did you mean \.007 in\?/)).toBeVisible()
  for (const [name, gap, shim] of valves) {
    await actor.write(`Lash, ${name}`, `${gap} mm`)
    await actor.press(`Write down lash, ${name}`)
    await actor.write(`Shim, ${name}`, `${shim} mm`)
    await actor.press(`Write down shim, ${name}`)
  }
  const shims = page.getByRole('region', { name: 'Shims' })
  await expect(shims).toContainText('8 of 8 valves: 1 to buy, 3 moved.')
  await expect(shims.getByRole('listitem')).toHaveText([
    '1 inlet: 2.50 mm, from 1 exhaust. The gap is then 0.20 mm.',
    '1 exhaust: 2.40 mm, from 1 inlet. The gap is then 0.20 mm.',
    '2 exhaust: 2.85 mm, new. The gap is then 0.20 mm.',
  ])
  await expect(shims).toContainText('Left over: 2.60 mm.')
  await actor.press('Shims are swapped so')
  await expect(page.getByText('Written: 2.85 mm')).toBeVisible()
})

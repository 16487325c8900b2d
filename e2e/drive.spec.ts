import { expect, test, type Page } from '@playwright/test'
import { MouseHand } from './actor'
import { beginEngine, startSafely } from './beginEngine'
import { countTo, stagedTeeth } from './countTo'

const guard = (page: Page) => page.getByLabel('Guard', { exact: true })

const INTERFERENCE = 'yes, interference'

async function makeSafe(actor: MouseHand) {
  await startSafely(actor)
  await actor.press('Go on')
}

/* 21 to 28 and 18 to 27 is 1/2; one tooth of 27 at half speed is 360 / 27 · 2 = 26.67° of the crank. The inlet camshaft stands 433.5 mm
 * from the crank and, by hand, sqrt(433.5² + 168² - 2·433.5·168·cos 16°) = 276.0 mm from the intermediate shaft. The exhaust mark stands less than two teeth
 * inside the chain's wrap: a tooth further back is counted from. */
test('a two-stage twin-cam drive from calliper distances: a tooth out on one cam, moved, counted again and proved', async ({
  page,
}) => {
  const actor = new MouseHand(page)
  await beginEngine(actor, {
    name: 'Twin cam',
    cylinders: '4',
    drive: 'two chains over an intermediate shaft',
    meet: INTERFERENCE,
  })
  for (const [label, n] of stagedTeeth) await actor.write(label, n)
  await actor.write('Centre of the crank to centre of the intermediate shaft', '168 mm')
  await actor.write('Intermediate shaft stands towards', '-6')
  await actor.write('Centre of the crank to centre of the exhaust camshaft', '435.5 mm')
  await actor.write('Exhaust camshaft stands towards', '-16')
  await page.keyboard.press('Tab')
  await actor.choose('Inlet camshaft is placed by', 'two distances by calliper')
  await actor.write('Centre of the crank to centre of the inlet camshaft', '433.5 mm')
  await actor.write('Centre of the intermediate shaft to centre of the inlet camshaft', '276 mm')
  await page.keyboard.press('Tab')
  await actor.choose(/^Side of the line crank to intermediate shaft/, 'right of it')
  await expect(page.getByText(/It stands at 75\.\d mm right and 42\d\.\d mm up of the crank/)).toBeVisible()
  await actor.write('Upper tensioner, radius where the loop touches it', '70 mm')
  for (const [label, text] of [
    ['Lower chain pitch', '3/8 in'],
    ['Pitches in the whole lower chain', '60'],
    ['Upper chain pitch', '9.525 mm'],
    ['Pitches in the whole upper chain', '102'],
    ['Crank sprocket mark points to, in the timing position', '110'],
    ['Large intermediate sprocket mark points to, in the timing position', '60.7'],
    ['Small intermediate sprocket mark points to, in the timing position', '130'],
    ['Exhaust sprocket mark points to, in the timing position', '-16.4'],
    ['Inlet sprocket mark points to, in the timing position', '43.3'],
  ] as const)
    await actor.write(label, text)
  await page.keyboard.press('Tab')
  const side = page.getByLabel('Drive and jobs')
  await actor.findPart('Counts of the upper chain')
  const part = page.getByRole('region', { name: 'Part', exact: true })
  await expect(part).toContainText(
    '1st gap anticlockwise from the exhaust sprocket mark to inlet sprocket mark: 26.0 pitches',
  )
  await expect(part).toContainText('Inlet sprocket mark to small intermediate sprocket mark: 35.0 pitches')
  await actor.open('Sums at the bench')
  await actor.open('What meets again, and when')
  await expect(side).toContainText('Upper chain: same link, same toothevery 68 turns')

  await makeSafe(actor)
  await actor.press(/^Chain on: count: lower chain/)
  await actor.press('First no, last yes')
  await countTo(actor, 21, /^At the crank sprocket mark: 21/)
  await expect(page.getByText(/The lower chain lies right/)).toBeVisible()
  await actor.press(/^Chain on: count: upper chain/)
  await actor.choose('Counting', 'Inlet sprocket mark to Small intermediate sprocket mark')
  await countTo(actor, 35, /^At the small intermediate sprocket mark: 35/)
  await actor.press(/^Count the next run/)
  await countTo(actor, 25, /^At the inlet sprocket mark: 25/)
  await expect(
    page.getByText('Lay the upper chain one tooth further round the exhaust sprocket, clockwise.'),
  ).toBeVisible()
  await expect(
    page.getByText(/Then count .*26\.0 pitches from the 1st gap anticlockwise from the exhaust sprocket mark/),
  ).toBeVisible()
  await expect(page.getByText('26.67° crank').first()).toBeVisible()
  await actor.press('Moved it: count again')
  await countTo(actor, 26, /^At the inlet sprocket mark: 26/)
  await expect(page.getByText(/The upper chain lies right/)).toBeVisible()
  const tries = page.getByRole('region', { name: 'Tries at the upper chain' }).getByRole('listitem')
  await expect(tries.first()).toContainText(
    'As it was hung. Counted 25.0 of 26.0 from the 1st gap anticlockwise from the exhaust sprocket mark',
  )
  await expect(tries.last()).toContainText('one tooth further round the exhaust sprocket')
  await expect(tries.last()).toContainText(': right.')

  await expect(guard(page)).toContainText('May be turned')
  await actor.press(/^Full turns, read again/)
  await actor.press('One full turn done')
  await actor.press('One full turn done')
  await actor.open('Count the tight run')
  await actor.choose('Counting', /Upper chain: Exhaust sprocket mark to Inlet/)
  await countTo(actor, 26, /^At the inlet sprocket mark: 26/)
  await expect(page.locator('.sheet')).toContainText('720° with everything tight')
})

// In npm run long: a twin-cam by counts is done by touch.
if (process.env['JOURNEYS'] === 'all')
  test('the same with counts only: no distances, the counts of the book', async ({ page }) => {
    const actor = new MouseHand(page)
    await beginEngine(actor, {
      name: 'Counted twin',
      cylinders: '4',
      drive: 'two chains over an intermediate shaft',
      meet: INTERFERENCE,
    })
    for (const [label, n] of stagedTeeth) await actor.write(label, n)
    await actor.write('Pitches in the whole lower chain', '60')
    await actor.write('Pitches in the whole upper chain', '102')
    await actor.write('From large intermediate sprocket mark to crank sprocket mark', '21')
    await actor.write('From exhaust sprocket mark to inlet sprocket mark', '25')
    await actor.write('From inlet sprocket mark to small intermediate sprocket mark', '35')
    await page.keyboard.press('Tab')
    await expect(page.getByLabel('Drive and jobs')).toContainText('35.0 pitches')
    await actor.write('Teeth, inlet sprocket', '28')
    await page.keyboard.press('Tab')
    await expect(page.getByText(/27 on the inlet sprocket and not 28/)).toBeVisible()
    await actor.write('Teeth, inlet sprocket', '27')
    await page.keyboard.press('Tab')
    await makeSafe(actor)
    await expect(page.getByText('Not to scale:')).toBeVisible()
    await actor.press(/^Chain on: count: upper chain/)
    await actor.press('First no, last yes')
    await actor.choose('Counting', 'Inlet sprocket mark to Small intermediate sprocket mark')
    await countTo(actor, 36, /^At the small intermediate sprocket mark: 36/)
    await actor.press(/^Count the next run/)
    // The inlet cam is a tooth late, and the exhaust cam with it: counted from it, the next stretch is right.
    await countTo(actor, 25, /^At the inlet sprocket mark: 25/)
    for (const wheel of ['inlet', 'exhaust']) {
      await expect(
        page.getByText(`Lay the upper chain one tooth further round the ${wheel} sprocket, anticlockwise.`),
      ).toBeVisible()
    }
  })

test('a belt round four cams is painted from its link map', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/engine/launch?part=loop:belt')
  await actor.open('Link map')
  // Worked out by hand from the counts of its sections: 46, then 21, 60 and 22 teeth on.
  await expect(page.getByText(/Crank pulley mark: tooth 0, where counting starts/)).toBeVisible()
  await expect(page.getByText(/First exhaust pulley mark: tooth 46\. First inlet pulley mark: tooth 67/)).toBeVisible()
  await expect(
    page.getByText(/Second inlet pulley mark: tooth 127\. Second exhaust pulley mark: tooth 149/),
  ).toBeVisible()
  await expect(page.getByRole('img', { name: '193 teeth unrolled' })).toBeVisible()
  const saved = page.waitForEvent('download')
  await actor.press('Link map on paper, A4')
  expect((await saved).suggestedFilename()).toBe('survey-launch-link-map-a4.pdf')
  await actor.open('Sums at the bench')
  await actor.open('Lengths you can buy')
  await actor.write('Pitches or teeth, as offered', '190, 193 196')
  await expect(page.getByText(/closes, 0\.34 over/)).toBeVisible()
  await expect(page.getByText(/2\.66 too short/)).toBeVisible()
})

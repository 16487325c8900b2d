import { expect, test, type Page } from '@playwright/test'
import { MouseHand } from './actor'

const guard = (page: Page) => page.getByLabel('Guard', { exact: true })
const result = (page: Page) => page.locator('.step-panel .result').filter({ visible: true })

async function makeSafe(actor: MouseHand) {
  await expect(actor.page.getByRole('heading', { name: 'Make safe' })).toBeVisible()
  for (const tick of await actor.page.getByRole('checkbox').all()) await tick.click()
  await actor.press('Go on')
}

/* A 90° V-twin on one crankpin, stroke 82, rod 142. By hand: 5 mm of drop is at 25.254°, 10 mm at 36.211°; with TDC at wheel 100 a
 * quarter-degree wheel reads 74.75 and 125.25, 63.75 and 136.25. One pair: sqrt(0.0722² + 0.0073²) / sqrt(2) = 0.0513, two of them
 * 0.0363. Read turning one way both carry play: 25.25 / 20 and 36.25 / 40 degrees for each mm, of 0.08 mm. By
 * least squares with the play unknown 0.0883, shown twice: 0.18°. 90° of a rim of 534 mm is 133.5 mm, 5 1/4 in. */
test('a dial-indicator job on a V-twin, from fitting the wheel to both TDCs marked on the rim', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/own')
  await actor.press('New engine')
  await actor.write('What you call it', 'Pump twin')
  await actor.choose('Cylinders stand', 'in a V')
  await actor.choose('Camshafts are driven by', 'none, or not of this kind')
  await actor.press('Begin its build sheet')
  await actor.choose('The crank runs, seen from the timing side', 'clockwise')
  await actor.write('Stroke', '82 mm')
  await actor.write('Rod, centre to centre', '142 mm')
  await actor.write('First bank stands towards', '-45')
  await actor.write('Second bank stands towards', '45')
  await actor.choose('Crankpins', 'one throw for each pair')
  await actor.write('Firing order', '1-2')
  await page.keyboard.press('Tab')
  await expect(page.getByText('The order leaves a turn open. Which is it?')).toBeVisible()
  await expect(page.getByRole('button', { name: '2 fires 90° after 1' })).toBeVisible()
  await actor.press('2 fires 450° after 1')
  await expect(page.getByText('Fires 1 at 0°, 2 at 450°.')).toBeVisible()
  await actor.write('Once round the rim', '534 mm')
  await page.keyboard.press('Tab')
  await actor.press('Start a job')
  await actor.press(/^Begin: /)
  await makeSafe(actor)

  await page.getByText('¼°', { exact: true }).click()
  await actor.press('Wheel is fitted')
  await page.getByText('Dial', { exact: true }).click()
  await actor.press('Dial is in cylinder 1')
  await expect(guard(page)).toContainText('Gently, for the reading only')
  await actor.open('Plan the reading')
  await expect(page.getByText(/is best read from/)).toBeVisible()
  for (const [drop, up, down, plusMinus] of [
    ['5', '74.75', '125.25', '0.23'],
    ['10 mm', '63.75', '136.25', '0.18'],
  ] as const) {
    await actor.write('Drop below the top', drop)
    if (drop === '5') await actor.press(/^5 mm/)
    await actor.write('Wheel at that drop, before the top', up)
    await actor.write('Wheel at that drop, after the top', down)
    await expect(page.getByText(`± ${plusMinus}° (two sigma)`)).toBeVisible()
    await actor.press('Write the pair down')
  }
  await expect(result(page)).toContainText('100.00° ± 0.18° proved')
  await expect(page.getByRole('figure', { name: /^Readings about the zero/ })).toBeVisible()
  await actor.press('Dial is out')
  await actor.press('Go on')

  await actor.press(/It stands there/)
  await actor.press('Air pushed past')
  await expect(page.getByText('Look next: valves of this cylinder.')).toBeVisible()
  await actor.press('It fits')
  await expect(page.getByText(/counts for nothing/)).toBeVisible()
  await expect(page.getByText(/read: one witness/)).toBeVisible()
  await actor.press('Both shut, lash felt')
  await expect(page.getByText('It stands at firing TDC of 1, proved')).toBeVisible()
  await expect(page.getByText(/No cylinder stands at its other TDC/)).toBeVisible()

  await actor.press('To another cylinder')
  const dialog = page.getByRole('dialog', { name: 'To another cylinder' })
  await actor.choose('The firing TDC of', '2')
  await expect(dialog).toContainText('Turn 450.0° clockwise, seen from the timing side, to firing TDC of cylinder 2')
  await expect(dialog).toContainText('There the wheel reads 190.0°')
  await dialog.getByRole('button', { name: 'I have turned it' }).click()
  await actor.write('Degrees of the crank', '90')
  await expect(page.getByText(/^One turn short/)).toBeVisible()
  await actor.write('Degrees of the crank', '810')
  await expect(page.getByText(/^One turn too many/)).toBeVisible()
  await actor.press('Write it down')
  await page.getByRole('dialog', { name: 'To another cylinder' }).getByRole('button', { name: 'Close' }).click()
  await expect(page.locator('.strip-next')).toContainText('One turn too many')

  await actor.press('Pump twin', 'link')
  await actor.findPart('Once round the rim')
  await actor.press('Rim marks and degree wheels on paper', 'link')
  const row = page.getByRole('row', { name: /^TDC 2/ })
  await expect(row).toContainText('90.0° after TDC of 1')
  await expect(row).toContainText('133.5 mm anticlockwise')
  await expect(row).toContainText('5 1/4 in')
  await actor.write('More angles, one a line', 'spark 1: 28 before')
  await expect(page.getByRole('row', { name: /^spark 1/ })).toContainText('41.5 mm clockwise')
  for (const [button, name] of [
    [/^Tape as PDF/, 'pump-twin-rim-tape-a4.pdf'],
    ['Tape as SVG', 'pump-twin-rim-tape.svg'],
    [/^Wheel as PDF/, 'pump-twin-degree-wheel-a4.pdf'],
  ] as const) {
    const saved = page.waitForEvent('download')
    await actor.press(button)
    expect((await saved).suggestedFilename()).toBe(name)
  }
})

test('a mark found 6° out is recorded as displaced, and the build sheet keeps it', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/job/job-searchlight-1')
  await actor.press(/^True TDC/)
  await page.getByText('Marks', { exact: true }).click()
  await actor.press('Another mark on the rim')
  await actor.press('Keep the mark')
  await expect(page.getByText(/It needs a name/)).toBeVisible()
  await actor.write('The mark', 'White line')
  await actor.write('Where it is', 'fan pulley')
  await actor.press('Keep the mark')
  await actor.write('White line at its pointer: wheel reads', '91.5')
  await actor.press('Write the mark down')
  const verdict = page.locator('.mark-claim .result')
  await expect(verdict).toContainText('6.0° after its claim')
  await expect(verdict).toContainText('the ring may have slipped')
  await actor.press('Put this on the build sheet')
  await expect(verdict).toContainText('On the build sheet.')
  await actor.press('Searchlight generator', 'link')
  await actor.findPart('White line')
  await expect(page.getByText(/found 6\.0° after its claim \(job 1\)/)).toBeVisible()
  await expect(page.getByText('Build sheet 3, 2 older kept')).toBeVisible()
})

test('a wheel knocked in the middle of the job: the zero is found again and what leaned on it is shifted', async ({
  page,
}) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/job/job-searchlight-1')
  // As found the cam mark met at wheel 91.5, 6° past the zero of 85.5.
  await actor.press(/^True TDC/)
  await actor.press('Wheel or pointer was knocked')
  await actor.press('It was disturbed')
  await expect(page.getByText('The zero is in doubt.')).toBeVisible()
  await expect(page.getByText(/stop has been out since/)).toBeVisible()
  await actor.press('Stop is in cylinder 1')
  await actor.write(/^First contact/, '60')
  await actor.write(/^Second contact/, '123')
  await actor.press('Write both down')
  await expect(page.getByText('It slipped by 6.0°')).toBeVisible()
  const before = page.getByLabel('It had slipped before')
  const choice = await before.locator('option', { hasText: 'Cam mark as found' }).getAttribute('value')
  await before.selectOption(choice ?? '')
  await actor.press('Shift that and later ones by 6.0°')
  await expect(page.getByText('It slipped by')).toBeHidden()
  await expect(page.locator('.step-list, .sheet').first()).toContainText('0.0°, on the mark')

  // With the stop still in, one contact is enough.
  await actor.press('Wheel or pointer was knocked')
  await actor.press('It was disturbed')
  await expect(page.getByText(/The stop has stayed in/)).toBeVisible()
  await actor.write('That contact again: wheel reads', '60')
  await actor.press('Write the contact down')
  await expect(page.getByText('The zero is in doubt.')).toBeHidden()
  await expect(result(page).first()).toContainText('91.50°')
})

test('a tape on the rim and a mirrored wheel take what is read on them', async ({ page }) => {
  const actor = new MouseHand(page)
  await page.goto('/demo/job/job-searchlight-1')
  await actor.press(/^True TDC/)
  await actor.press('Refitted')
  await page.getByText('0–180–0', { exact: true }).click()
  await actor.press('Wheel is fitted')
  await actor.press('Stop is in cylinder 1')
  await actor.write(/^First contact/, '27')
  await actor.press('27 before top')
  await actor.write(/^Second contact/, '33 after')
  await expect(page.getByText(/^Half way:/)).toContainText('3.00° after')
  await actor.press('Refitted')
  await page.getByText('Rim tape', { exact: true }).click()
  await actor.write('Once round the rim', '534 mm')
  await actor.write('The tape reads, at the datum mark', '10 mm')
  await actor.press('Tape is on')
  // By hand (a tape used from its 10): 10 to 64 is 54, and the half stands at 37.
  await actor.write(/^First contact/, '10')
  await actor.write(/^Second contact/, '64')
  await expect(page.getByText(/^Half way:/)).toContainText('37.00 mm')
})

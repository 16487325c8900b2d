import { expect, type ElementHandle, type Locator, type Page } from '@playwright/test'

/** Somebody at the bench: presses, writes and counts by one kind of hand. Journeys are written once and done by each. */
export interface Actor {
  readonly page: Page
  press(name: string | RegExp, role?: 'button' | 'link' | 'radio' | 'checkbox'): Promise<void>
  write(label: string | RegExp, text: string): Promise<void>
  choose(label: string | RegExp, option: string | RegExp): Promise<void>
  open(summary: string | RegExp): Promise<void>
  /** On an engine's page: the part that something belongs to. */
  findPart(figure: string): Promise<void>
  count(n: number): Promise<void>
  /** One of several buttons in a row, of which one is chosen. */
  pick(group: string | RegExp, option: string): Promise<void>
  /** Values typed and options chosen, and every other press, so far. */
  readonly tally: { fields: number; clicks: number }
}

abstract class Hand implements Actor {
  readonly tally = { fields: 0, clicks: 0 }
  constructor(readonly page: Page) {}
  protected abstract act(target: Locator): Promise<void>

  async press(name: string | RegExp, role: 'button' | 'link' | 'radio' | 'checkbox' = 'button') {
    const target = this.page
      .getByRole(role, typeof name === 'string' ? { name, exact: true } : { name })
      .filter({ visible: true })
      .first()
    await expect(target).toBeEnabled()
    this.tally.clicks++
    await this.act(target)
  }
  /** A field that is in sight; on an engine's page by the part that it belongs to. */
  protected async field(label: string | RegExp) {
    const field = this.page
      .getByLabel(label, { exact: typeof label === 'string' })
      .filter({ visible: true })
      .first()
    const list = this.page.locator('details.part-list')
    await expect(field.or(list).first()).toBeVisible()
    if (typeof label === 'string' && (await list.count()) > 0 && (await field.count()) === 0)
      await this.findPart(label, field)
    return field
  }
  /** Goes to the part that a figure belongs to, by the list of all parts. */
  async findPart(figure: string, field?: Locator) {
    const panel = this.page.getByRole('region', { name: 'Part', exact: true })
    this.tally.clicks++
    for (let i = 0; i < 6; i++) {
      const found = await this.search(figure)
      if (i >= (await found.count())) break
      const name = await found.nth(i).locator('strong').innerText()
      if (i === 0) await this.page.keyboard.press('Enter')
      else await found.nth(i).click()
      await expect(panel.getByRole('heading', { name, exact: true })).toBeVisible()
      if (!field || (await field.count()) > 0) return
      const folded = panel.locator('details:not([open]) > summary').filter({ visible: true })
      for (let k = 0; k < 6 && (await folded.count()) > 0; k++) await folded.first().click()
      if ((await field.count()) > 0) return
    }
    throw new Error(`No part of this engine has the figure ${figure}`)
  }
  /** What the list of all parts finds. */
  private async search(words: string) {
    const list = this.page.locator('details.part-list')
    const field = this.page.getByLabel('Find a part or a figure')
    // It is put away once something was found, which may be under way still.
    await expect(async () => {
      if ((await list.getAttribute('open')) === null) await this.act(list.locator('summary'))
      await expect(field).toBeVisible({ timeout: 500 })
    }).toPass({ timeout: 60_000 })
    await this.act(field)
    await this.page.keyboard.press('Control+A')
    await this.page.keyboard.type(words)
    const found = list.locator('.part-line')
    await expect(found.first()).toBeVisible()
    return found
  }
  async write(label: string | RegExp, text: string) {
    const field = await this.field(label)
    this.tally.fields++
    await this.act(field)
    await this.page.keyboard.press('Control+A')
    await this.page.keyboard.type(text)
  }
  async choose(label: string | RegExp, option: string | RegExp) {
    this.tally.fields++
    const cards = this.page.getByRole('radiogroup', { name: label }).filter({ visible: true })
    if (typeof option === 'string' && (await cards.count()) > 0) {
      await this.pickCard(cards.first(), option)
      return expect(cards.getByRole('radio', { name: option, exact: true })).toBeChecked()
    }
    const field = await this.field(label)
    const value =
      typeof option === 'string'
        ? { label: option }
        : ((await field.locator('option', { hasText: option }).first().getAttribute('value')) ?? '')
    const [chosen = ''] = await field.selectOption(value)
    // What it changes is there once it was written; a choice that only adds something goes back to its first line.
    await expect(field).toHaveValue(chosen)
  }
  protected async pickCard(cards: Locator, option: string) {
    await this.act(cards.getByText(option, { exact: true }))
  }
  async open(summary: string | RegExp) {
    const part = this.page
      // Its own heading, and not that of a part folded inside it.
      .locator('details', { has: this.page.locator(':scope > summary', { hasText: summary }) })
      .filter({ visible: true })
      .first()
    // A part may open by itself once the one before it is written, so: until it is open.
    await expect(async () => {
      if ((await part.getAttribute('open')) === null) {
        this.tally.clicks++
        await this.act(part.locator(':scope > summary'))
      }
      await expect(part).toHaveAttribute('open', '', { timeout: 500 })
    }).toPass({ timeout: 60_000 })
  }
  async pick(group: string | RegExp, option: string) {
    this.tally.fields++
    const groups = this.page.getByRole('radiogroup', { name: group }).filter({ visible: true }).first()
    await this.act(groups.getByText(option, { exact: true }))
    await expect(groups.getByRole('radio', { name: option, exact: true })).toBeChecked()
  }
  async count(n: number) {
    const counter = this.page.getByRole('button', { name: /counted\. Touch for each/ })
    this.tally.clicks += n
    for (let i = 0; i < n; i++) {
      await this.act(counter)
      await expect(counter).toHaveAccessibleName(new RegExp(`^${i + 1} counted`))
    }
  }
}

export class MouseHand extends Hand {
  protected act(target: Locator) {
    return target.click()
  }
}

export class TouchHand extends Hand {
  protected act(target: Locator) {
    return target.tap()
  }
}

/** Never a pointer: everything is reached with Tab and arrows, and done with keys. */
export class KeyHand extends Hand {
  protected async act(target: Locator) {
    await this.reach(target)
    const kind = await target.evaluate((node) =>
      node instanceof HTMLInputElement ? node.type : node.tagName.toLowerCase(),
    )
    if (kind === 'radio' || kind === 'checkbox') await this.page.keyboard.press('Space')
    else if (kind === 'button' || kind === 'a' || kind === 'summary') await this.page.keyboard.press('Enter')
  }
  override async choose(label: string | RegExp, option: string | RegExp) {
    const cards = this.page.getByRole('radiogroup', { name: label }).filter({ visible: true })
    if (typeof option !== 'string' || (await cards.count()) > 0) return super.choose(label, option)
    const field = await this.field(label)
    await this.reach(field)
    // By arrows: letters typed one by one start anew when the machine is slow.
    const at = (await field.locator('option').allTextContents()).indexOf(option)
    await this.page.keyboard.press('Home')
    for (let i = 0; i < at; i++) await this.page.keyboard.press('ArrowDown')
    await expect(field.locator('option:checked')).toHaveText(option)
  }
  protected override async pickCard(cards: Locator, option: string) {
    await this.reach(cards.getByRole('radio', { name: option, exact: true }))
  }
  override async count(n: number) {
    const counter = this.page.getByRole('button', { name: /counted\. Touch for each pin/ })
    await this.reach(counter)
    for (let i = 0; i < n; i++) await this.page.keyboard.press('Space')
    await expect(counter).toHaveAccessibleName(new RegExp(`^${n} counted`))
  }
  /** Tabs, on or back, until the target has the focus; a radio is reached through its group by arrows. */
  private async reach(target: Locator) {
    await expect(target).toBeVisible()
    let node = await handleOf(target)
    for (let i = 0; i < 160; i++) {
      let focus = await node.evaluate(focusFrom)
      if (focus === 'gone') {
        node = await handleOf(target)
        focus = await node.evaluate(focusFrom)
      }
      if (focus === 'here') return
      await this.page.keyboard.press(TOWARDS[focus])
    }
    throw new Error(`The keyboard does not reach ${target}`)
  }
}

/** Looked up once, and not by its name at every Tab: that takes longer than the Tab. */
async function handleOf(target: Locator): Promise<ElementHandle<Element>> {
  const handle = await target.elementHandle()
  if (!handle) throw new Error(`Not there: ${target}`)
  return handle as ElementHandle<Element>
}

const TOWARDS = { 'in its group': 'ArrowRight', before: 'Shift+Tab', after: 'Tab', gone: 'Tab' } as const

/** Where the target stands, seen from what has the focus. */
function focusFrom(node: Element): keyof typeof TOWARDS | 'here' {
  const active = document.activeElement
  if (!node.isConnected) return 'gone'
  if (active === node) return 'here'
  const isRadio = (one: Element | null) => one instanceof HTMLInputElement && one.type === 'radio'
  const together = isRadio(node) && isRadio(active) && active?.getAttribute('name') === node.getAttribute('name')
  if (together) return 'in its group'
  const precedes = active && active.compareDocumentPosition(node) & Node.DOCUMENT_POSITION_PRECEDING
  return precedes && !node.contains(active) ? 'before' : 'after'
}

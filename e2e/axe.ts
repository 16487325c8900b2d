import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Page } from '@playwright/test'

const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** What axe finds on the page as it is, in words. */
export async function violations(page: Page): Promise<string[]> {
  // Injected through the debugger, as a page's own policy would rightly refuse a script that is not its own.
  await page.evaluate(axeSource)
  return page.evaluate(async () => {
    const { axe } = window as unknown as {
      axe: { run: () => Promise<{ violations: { id: string; nodes: { html: string; failureSummary?: string }[] }[] }> }
    }
    const found = await axe.run()
    return found.violations.flatMap(({ id, nodes }) =>
      nodes.map(({ html, failureSummary }) => `${id}: ${html.slice(0, 160)} ${failureSummary ?? ''}`),
    )
  })
}

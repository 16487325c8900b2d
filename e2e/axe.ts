import { readFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import type { Page } from '@playwright/test'

const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8')

/** What axe finds on the page as it is, in words; of one part of it only where its selector is given, and by one rule. */
export async function violations(
  page: Page,
  only?: { readonly part: string; readonly rule: string },
): Promise<string[]> {
  // Injected through the debugger, as a page's own policy would rightly refuse a script that is not its own.
  await page.evaluate(axeSource)
  return page.evaluate(async (asked) => {
    interface Found {
      violations: { id: string; nodes: { html: string; failureSummary?: string }[] }[]
    }
    const { axe } = window as unknown as { axe: { run: (...args: unknown[]) => Promise<Found> } }
    const found = await (asked ? axe.run(asked.part, { runOnly: [asked.rule] }) : axe.run())
    return found.violations.flatMap(({ id, nodes }) =>
      nodes.map(({ html, failureSummary }) => `${id}: ${html.slice(0, 160)} ${failureSummary ?? ''}`),
    )
  }, only)
}

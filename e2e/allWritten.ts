import type { Page } from '@playwright/test'

/** Waits until nothing is on its way into storage: what comes after may leave the page, reload or kill it. */
export const allWritten = (page: Page) =>
  page.waitForFunction(() => (document.documentElement.dataset['unwritten'] ?? '0') === '0')

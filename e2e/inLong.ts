import { test, type Page } from '@playwright/test'

/** Registered in npm run long alone: what is skipped elsewhere counts as not passed. */
export const inLong = (name: string, body: (hands: { page: Page }) => Promise<void>) => {
  if (process.env['JOURNEYS'] === 'all') test(name, ({ page }) => body({ page }))
}

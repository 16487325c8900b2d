import { failureOf } from '../domain/failure'

/** Why a workshop could not be opened, and what to do. */
export interface WhyNotOpen {
  readonly why: string
  readonly todo: string
  readonly detail: string
}

/** How long the storage may take before the page says so. */
export const SLOW_AFTER_MS = 8000

export const slowWords: WhyNotOpen = {
  why: 'The browser’s storage has not answered yet.',
  todo: 'Close other tabs that have Link Count open, then load this page again. If that does not help, restart the browser.',
  detail: '',
}

export function whyNotOpen(error: unknown): WhyNotOpen {
  const { code, detail } = failureOf(error)
  const name = error instanceof Error ? error.name : ''
  if (name === 'MissingAPIError' || name === 'SecurityError' || typeof indexedDB === 'undefined')
    return {
      why: 'This browser gives pages no storage.',
      todo: 'Allow this page to store data in the browser’s settings, or leave the private window, then load the page again.',
      detail,
    }
  if (name === 'VersionError')
    return {
      why: 'A newer Link Count wrote this workshop.',
      todo: 'Load the page again to take the newer Link Count. Nothing was changed.',
      detail,
    }
  if (code === 'full')
    return {
      why: 'The disk is full, or the browser’s share of it.',
      todo: 'Make room on the disk, then load the page again. Nothing was changed.',
      detail,
    }
  return {
    why: 'The browser could not open its storage.',
    todo: 'Load the page again. If that does not help, restart the browser. What was saved to a file can be opened in any browser.',
    detail,
  }
}

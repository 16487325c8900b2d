import type { WriteFailure } from '../../domain/failure'

/** Why something was not written, and what to do about it. */
export function failureWords({ code, detail }: WriteFailure): string {
  switch (code) {
    case 'full':
      return 'The disk is full, or the browser’s share of it. Make room and try again.'
    case 'closed':
      return 'The browser closed its storage. Save a file now, then load the page again.'
    case 'refused':
      return `Link Count does not take it: ${refusedAt(detail)}. Put it right and write it again.`
    case 'gone':
      return 'What it belongs to is no longer in this workshop.'
    case 'other':
      return `The browser could not store it: ${detail}.`
  }
}

/** Our schema’s first complaint, in a few words. */
function refusedAt(detail: string): string {
  try {
    const [issue] = JSON.parse(detail) as { path: (string | number)[]; message: string }[]
    return issue ? `${issue.path.join(' ')}, ${issue.message.toLowerCase()}` : detail
  } catch {
    return detail
  }
}

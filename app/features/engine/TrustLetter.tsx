import type { Trust } from '@link-count/core/model'
import './TrustLetter.css'

export const trustWords: Record<Trust, { readonly letter: string; readonly words: string }> = {
  measured: { letter: 'm', words: 'measured' },
  manual: { letter: 'b', words: 'from a book or the manual' },
  memory: { letter: 'r', words: 'remembered' },
  unknown: { letter: '?', words: 'not said where from' },
}

/** Where a figure comes from, as a small letter that can be changed. */
export function TrustLetter({
  label,
  trust,
  source,
  setTrust,
}: {
  readonly label: string
  readonly trust: Trust
  readonly source?: string | undefined
  readonly setTrust: (trust: Trust) => void
}) {
  const { letter, words } = trustWords[trust]
  return (
    <span className={`trust-letter ${trust}`} title={source ? `${words}: ${source}` : words}>
      <span aria-hidden="true">{letter}</span>
      <select
        aria-label={`Where it comes from: ${label}`}
        value={trust}
        onChange={(event) => setTrust(event.currentTarget.value as Trust)}
      >
        {Object.entries(trustWords).map(([value, { words: option }]) => (
          <option key={value} value={value}>
            {option}
          </option>
        ))}
      </select>
    </span>
  )
}

import type { PinState } from '../domain/summaries'
import './ChainProgress.css'

const words: Record<PinState, string> = {
  done: 'done',
  read: 'read, not proved',
  open: 'open',
  hand: 'in hand',
  passed: 'passed over',
}

export function Pin({ state, size = 18 }: { readonly state: PinState; readonly size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 18 18" aria-hidden="true" className="pin">
      <circle
        cx="9"
        cy="9"
        r="7.500"
        fill={fills[state]}
        stroke={state === 'hand' ? 'var(--blue)' : 'var(--ink)'}
        strokeWidth="2"
      />
      {state === 'read' && <path d="M9 1.500a7.500 7.500 0 0 1 0 15z" fill="var(--ink)" />}
      {state === 'passed' && <path d="M4 14L14 4" stroke="var(--ink)" strokeWidth="2" />}
    </svg>
  )
}

const fills: Record<PinState, string> = {
  done: 'var(--ink)',
  read: 'var(--sheet)',
  open: 'var(--sheet)',
  hand: 'var(--blue)',
  passed: 'var(--sheet)',
}

/** Progress as a length of chain, lying: for the workshop and the phone. */
export function ChainProgress({
  pins,
}: {
  readonly pins: readonly { readonly title: string; readonly state: PinState }[]
}) {
  const done = pins.filter(({ state }) => state !== 'open' && state !== 'hand').length
  const hand = pins.find(({ state }) => state === 'hand')
  const label = `${done} of ${pins.length} steps${hand ? `, in hand: ${hand.title}` : ''}`
  return (
    <div className="chain-progress" role="img" aria-label={label}>
      {pins.map(({ title, state }) => (
        <span key={title} title={`${title}: ${words[state]}`}>
          <Pin state={state} size={14} />
        </span>
      ))}
    </div>
  )
}

export const pinWords = words

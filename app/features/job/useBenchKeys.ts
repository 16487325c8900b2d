import { useEffect, useRef } from 'react'
import { wrapToCycle } from '@link-count/core/units'
import type { DrawnCrank } from '../../store'
import { needsKeys } from './steps/useCountKeys'

export interface BenchKeyActions {
  readonly flip: () => void
  readonly benchMode: () => void
  readonly help: () => void
  readonly ledger: () => void
  readonly otherView: () => void
  readonly undo: () => void
  readonly home: () => void
  readonly leave: () => void
}

/** Keys of the bench. None acts while a field, a button or a dialog has the focus that needs the key itself. */
export function useBenchKeys(
  drawn: DrawnCrank,
  cycleDeg: number,
  { letters, ...actions }: BenchKeyActions & { /** Whether single letters do anything. */ readonly letters: boolean },
): void {
  const latest = useRef(actions)
  useEffect(() => {
    latest.current = actions
  })
  useEffect(() => {
    const onKey = (event: KeyboardEvent) => {
      const { flip, benchMode, help, ledger, otherView, undo, home, leave } = latest.current
      if (event.key === 'Escape') return leave()
      const typing =
        event.target instanceof HTMLElement &&
        event.target.closest('input, textarea, select, [role="dialog"], [role="radiogroup"]')
      if (typing || event.metaKey || event.altKey) return
      if (event.key === 'ArrowLeft' || event.key === 'ArrowRight') {
        const step = event.shiftKey ? 10 : event.ctrlKey ? 0.1 : 1
        const next = drawn.get() + (event.key === 'ArrowRight' ? step : -step)
        drawn.set(wrapToCycle(Math.round(next * 10) / 10, cycleDeg))
        event.preventDefault()
        return
      }
      if (event.ctrlKey) return
      if (!letters && event.key !== 'Home') return
      const byKey: Record<string, () => void> = {
        f: flip,
        b: benchMode,
        '?': help,
        l: ledger,
        w: otherView,
        u: undo,
        home,
        g: goNext,
      }
      const act = byKey[event.key.toLowerCase()]
      if (!act || (needsKeys(event.target) && event.key === 'Enter')) return
      event.preventDefault()
      act()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [drawn, cycleDeg, letters])
}

/** Puts the focus on the step's next action, so that Enter does it. */
function goNext(): void {
  const panel = document.querySelector('.step-panel')
  const next =
    panel?.querySelector<HTMLElement>('[data-next]') ??
    panel?.querySelector<HTMLElement>('[data-variant="filled"]:not(:disabled), .counter, input')
  next?.focus()
}

import { useEffect, useRef } from 'react'

/** Space counts and backspace uncounts, unless a field or a button has the focus that needs the key itself. */
export function useCountKeys({ active, add }: { readonly active: boolean; readonly add: (by: 1 | -1) => void }) {
  const addRef = useRef(add)
  useEffect(() => {
    addRef.current = add
  })
  useEffect(() => {
    if (!active) return
    const onKey = (event: KeyboardEvent) => {
      if (needsKeys(event.target) || event.ctrlKey || event.metaKey || event.altKey) return
      if (event.key === ' ') addRef.current(1)
      else if (event.key === 'Backspace') addRef.current(-1)
      else return
      event.preventDefault()
    }
    window.addEventListener('keydown', onKey)
    return () => window.removeEventListener('keydown', onKey)
  }, [active])
}

/** Whether an element has its own use for keys. The counter's own button counts on space anyway. */
export function needsKeys(target: EventTarget | null): boolean {
  return (
    target instanceof HTMLElement &&
    target.closest('input, textarea, select, button, a, summary, [role="dialog"]') !== null
  )
}

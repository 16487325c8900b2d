import type { ReactNode } from 'react'
import { useChosenPart } from '../ChosenPart'

/** A part of a drawing that can be touched, or come to and pressed. */
export function Hit({
  partKey,
  label,
  gestures = {},
  onKey,
  onTouch,
  children,
}: {
  readonly partKey: string
  readonly label: string
  /** Of what can be drawn somewhere else. */
  readonly gestures?: object
  /** A key beside those that press; true where it did something. */
  readonly onKey?: (name: string) => boolean
  /** What touching does in place of going to the part; where it was touched, px of the drawing, if by a hand. */
  readonly onTouch?: ((at: { readonly x: number; readonly y: number } | undefined) => void) | undefined
  readonly children: ReactNode
}) {
  const { key, choose } = useChosenPart()
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={label}
      aria-pressed={key === partKey}
      className="hit-part"
      {...gestures}
      onClick={(event) => {
        if (!onTouch) return choose(partKey)
        const box = event.currentTarget.ownerSVGElement?.getBoundingClientRect()
        onTouch(event.detail === 0 || !box ? undefined : { x: event.clientX - box.left, y: event.clientY - box.top })
      }}
      onKeyDown={(event) => {
        const presses = event.key === 'Enter' || event.key === ' '
        if (presses) {
          if (onTouch) onTouch(undefined)
          else choose(partKey)
        }
        if (presses || onKey?.(event.key)) event.preventDefault()
      }}
    >
      {children}
    </g>
  )
}

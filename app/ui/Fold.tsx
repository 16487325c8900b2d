import type { ReactNode } from 'react'
import './Fold.css'

/** A part of a step or sheet that is folded until it is wanted, with a word of how it stands. */
export function Fold({
  title,
  note,
  open = false,
  children,
}: {
  readonly title: ReactNode
  readonly note?: ReactNode
  readonly open?: boolean
  readonly children: ReactNode
}) {
  return (
    <details className="section" open={open}>
      <summary>
        {title} {note !== undefined && <span className="soft">{note}</span>}
      </summary>
      <div className="section-body stack">{children}</div>
    </details>
  )
}

import { useState, type ReactNode } from 'react'
import { Dialog } from './Dialog'
import './Figure.css'

export interface Opened {
  readonly title: string
  readonly value: string
  /** Two sigma, as shown. */
  readonly plusMinus?: string | undefined
  readonly readings: readonly { readonly label: string; readonly value: string }[]
  readonly formula: string
  readonly source: string
}

/** A figure that can be opened: the readings behind it, the formula in words, the ± and where it comes from. */
export function Figure({
  opened,
  children,
  className,
}: {
  readonly opened: Opened
  readonly children: ReactNode
  readonly className?: string
}) {
  const [open, setOpen] = useState(false)
  return (
    <>
      <button type="button" className={`figure reading ${className ?? ''}`} onClick={() => setOpen(true)}>
        <span className="unseen">{opened.title}: </span>
        {children}
      </button>
      {open && (
        <Dialog title={opened.title} size="lg" onClose={() => setOpen(false)}>
          <p className="figure-value reading">
            {opened.value} {opened.plusMinus && <span className="soft">± {opened.plusMinus} (two sigma)</span>}
          </p>
          <dl className="figure-parts">
            {opened.readings.map(({ label, value }) => (
              <div key={label}>
                <dt>{label}</dt>
                <dd className="reading">{value}</dd>
              </div>
            ))}
          </dl>
          <p>
            <strong>How: </strong>
            {opened.formula}
          </p>
          <p className="soft">
            <strong>Source: </strong>
            {opened.source}
          </p>
        </Dialog>
      )}
    </>
  )
}

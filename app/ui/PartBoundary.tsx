import type { ReactNode } from 'react'
import { ErrorBoundary } from 'react-error-boundary'
import './PartBoundary.css'

/** A part of a page that fails alone: the rest goes on, and what was written is stored. `of`: what failed, as a mechanic would call it; `resetBy`: with
 *  another of these it is tried again. */
export function PartBoundary({
  of,
  resetBy,
  children,
}: {
  readonly of: string
  readonly resetBy: readonly unknown[]
  readonly children: ReactNode
}) {
  return (
    <ErrorBoundary
      resetKeys={[...resetBy]}
      fallbackRender={({ error, resetErrorBoundary }) => (
        <div className="part-failed" role="alert">
          <p>
            <strong>{of} cannot be shown.</strong> What was written is stored; the rest of the page goes on.
          </p>
          <p className="reading">{error instanceof Error ? error.message : String(error)}</p>
          <button type="button" className="button-link" onClick={resetErrorBoundary}>
            Try again
          </button>
        </div>
      )}
    >
      {children}
    </ErrorBoundary>
  )
}

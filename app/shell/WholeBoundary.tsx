import type { ReactNode } from 'react'
import { ErrorBoundary } from 'react-error-boundary'

/** Our own mistakes end here: what was written is safe in the database, so a reload goes on from the same place. */
export const WholeBoundary = ({ children }: { readonly children: ReactNode }) => (
  <ErrorBoundary
    fallbackRender={({ error }) => (
      <main id="main">
        <div className="page-message" role="alert">
          <h1>Something of ours went wrong</h1>
          <p>Every entry was saved as it was made. Load the page again to go on from the same place.</p>
          <p className="reading">{error instanceof Error ? error.message : String(error)}</p>
          <button type="button" className="button-link" onClick={() => window.location.reload()}>
            Load it again
          </button>
        </div>
      </main>
    )}
  >
    {children}
  </ErrorBoundary>
)

import { Component, type ReactNode } from 'react'

/** Our own mistakes end here: what was written is safe in the database, so a reload goes on from the same place. */
export class ErrorBoundary extends Component<{ readonly children: ReactNode }, { readonly error: Error | undefined }> {
  override state = { error: undefined as Error | undefined }

  static getDerivedStateFromError(error: unknown) {
    return { error: error instanceof Error ? error : new Error(String(error)) }
  }

  override render() {
    if (!this.state.error) return this.props.children
    return (
      <main>
        <div className="page-message" role="alert">
          <h1>Something of ours went wrong</h1>
          <p>Every entry was saved as it was made. Load the page again to go on from the same place.</p>
          <p className="reading">{this.state.error.message}</p>
          <button type="button" className="button-link" onClick={() => window.location.reload()}>
            Load it again
          </button>
        </div>
      </main>
    )
  }
}

import { useState, type ReactNode } from 'react'
import { Provider } from 'react-redux'
import { oneChainSheet } from '@link-count/core/testing/oneChain'
import { makeStore } from '../store'
import { WorkshopProvider } from '../ui/WorkshopContext'
import { DrawingParts } from './DrawingParts'
import { FieldParts } from './FieldParts'
import { GuardParts } from './GuardParts'
import { inMemory } from './inMemory'

export function Parts() {
  const [store] = useState(() => makeStore(inMemory))
  return (
    <Provider store={store}>
      <WorkshopProvider
        value={{
          kind: 'demo',
          now: inMemory.now,
          resetDemo: async () => undefined,
          persisted: true,
          copy: { kept: 'twice' },
          folder: undefined,
        }}
      >
        <main className="parts">
          <GuardParts sheet={oneChainSheet()} />
          <DrawingParts />
          <FieldParts />
        </main>
      </WorkshopProvider>
    </Provider>
  )
}

/** Parts of one kind beside each other. */
export const Shelf = ({ title, children }: { readonly title: string; readonly children: ReactNode }) => (
  <section>
    <h2>{title}</h2>
    <div className="shelf">{children}</div>
  </section>
)

export const Part = ({ name, children }: { readonly name: string; readonly children: ReactNode }) => (
  <figure>
    <figcaption className="soft">{name}</figcaption>
    {children}
  </figure>
)

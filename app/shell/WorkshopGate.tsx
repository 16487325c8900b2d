import { useCallback, useEffect, useMemo, useState } from 'react'
import { Provider } from 'react-redux'
import { Navigate, Outlet, useParams } from 'react-router'
import { openWorkshop, type OpenWorkshop, type WorkshopKind } from '../db'
import { makeStore, type AppStore } from '../store'
import { showNotice } from '../ui/notice'
import { WorkshopProvider, type WorkshopInfo } from '../ui/WorkshopContext'
import { rememberWorkshop } from './lastWorkshop'
import { usePersistence } from './usePersistence'

/** Opens the workshop named in the address: its database, its store, and the ear for what other tabs write. */
export function WorkshopGate() {
  const { workshop } = useParams()
  if (workshop !== 'demo' && workshop !== 'own') return <Navigate to="/" replace />
  return <OpenGate key={workshop} kind={workshop} />
}

type Opened = { readonly store: AppStore; readonly workshop: OpenWorkshop }

function OpenGate({ kind }: { kind: WorkshopKind }) {
  const [opened, setOpened] = useState<Opened>()
  const [failed, setFailed] = useState<string>()
  const [round, setRound] = useState(0)
  const persisted = usePersistence(kind)
  useEffect(() => {
    let gone = false
    let close: (() => void) | undefined
    rememberWorkshop(kind)
    openWorkshop(kind)
      .then((workshop) => {
        const store = makeStore(workshop.env)
        for (const action of workshop.actions) store.dispatch(action)
        close = workshop.listen(store.dispatch)
        if (gone) close()
        else setOpened({ store, workshop })
      })
      .catch((cause: unknown) => setFailed(cause instanceof Error ? cause.message : String(cause)))
    return () => {
      gone = true
      close?.()
    }
  }, [kind, round])
  const openAgain = useCallback(() => {
    setOpened(undefined)
    setRound((before) => before + 1)
  }, [])
  const info = useMemo(
    (): WorkshopInfo => ({
      kind,
      now: () => new Date().toISOString(),
      persisted,
      resetDemo: async () => {
        const undo = await opened?.workshop.reset()
        openAgain()
        if (!undo) return
        void showNotice({
          words: 'The demo is as it was made.',
          undo: async () => {
            await undo()
            openAgain()
            void showNotice({ words: 'The demo is as you had it.' })
          },
        })
      },
    }),
    [kind, persisted, opened, openAgain],
  )
  if (failed) {
    return (
      <main className="page-message" role="alert">
        <h1>The workshop cannot be opened</h1>
        <p>The browser refused its storage. A private window or a full disk does this. Nothing was changed.</p>
        <p className="reading">{failed}</p>
      </main>
    )
  }
  if (!opened) return <p className="page-message">Opening the workshop.</p>
  return (
    <Provider store={opened.store}>
      <WorkshopProvider value={info}>
        <Outlet />
      </WorkshopProvider>
    </Provider>
  )
}

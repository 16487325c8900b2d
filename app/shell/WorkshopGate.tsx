import { useEffect, useMemo, useState, useSyncExternalStore } from 'react'
import { Provider } from 'react-redux'
import { Navigate, Outlet, useParams } from 'react-router'
import { openWorkshop, type OpenWorkshop, type WorkshopKind } from '../db'
import { makeStore, type AppStore } from '../store'
import { showNotice } from '../ui/notice'
import { attempt } from '../ui/attempt'
import { WorkshopProvider, type WorkshopInfo } from '../ui/WorkshopContext'
import { keepSummaries } from './keepSummaries'
import { rememberWorkshop } from './lastWorkshop'
import { StorageClosed } from './StorageClosed'
import { useFolderCopy } from './useFolderCopy'
import { usePersistence } from './usePersistence'
import { SLOW_AFTER_MS, slowWords, whyNotOpen, type WhyNotOpen } from './whyNotOpen'

/** Opens the workshop named in the address: its database, its store, and the ear for what other tabs write. */
export function WorkshopGate() {
  const { workshop } = useParams()
  if (workshop !== 'demo' && workshop !== 'own') return <Navigate to="/" replace />
  return <OpenGate key={workshop} kind={workshop} />
}

type Opened = { readonly store: AppStore; readonly workshop: OpenWorkshop }

function OpenGate({ kind }: { kind: WorkshopKind }) {
  const [opened, setOpened] = useState<Opened>()
  const [failed, setFailed] = useState<WhyNotOpen>()
  const [closed, setClosed] = useState<string>()
  useEffect(() => {
    let gone = false
    let close: (() => void) | undefined
    rememberWorkshop(kind)
    const slow = setTimeout(() => setFailed(slowWords), SLOW_AFTER_MS)
    openWorkshop(kind, (why) => !gone && setClosed(why))
      .then((workshop) => {
        const store = makeStore(workshop.env)
        store.dispatch(workshop.start)
        workshop.attach(store)
        close = workshop.close
        setFailed(undefined)
        if (gone) close()
        else setOpened({ store, workshop })
      })
      .catch((cause: unknown) => setFailed(whyNotOpen(cause)))
      .finally(() => clearTimeout(slow))
    return () => {
      gone = true
      close?.()
    }
  }, [kind])
  if (failed) {
    return (
      <main id="main">
        <div className="page-message" role="alert">
          <h1>The workshop cannot be opened</h1>
          <p>
            {failed.why} {failed.todo}
          </p>
          {failed.detail && <p className="reading">{failed.detail}</p>}
          <button type="button" className="button-link" onClick={() => window.location.reload()}>
            Load it again
          </button>
        </div>
      </main>
    )
  }
  if (!opened) return <p className="page-message">Opening the workshop.</p>
  return <OpenPages kind={kind} opened={opened} closed={closed} />
}

function OpenPages({
  kind,
  opened: { store, workshop },
  closed,
}: {
  kind: WorkshopKind
  opened: Opened
  closed: string | undefined
}) {
  const persisted = usePersistence(kind)
  const copy = useSyncExternalStore(workshop.onCopyStatus, workshop.copyStatus)
  const folder = useFolderCopy(store, kind)
  useEffect(() => {
    if (copy.kept === 'once' && copy.why === 'failed')
      void showNotice({
        words: `The second copy could not be written (${copy.detail}). What you write is stored, once: save to a file.`,
        lasting: true,
      })
  }, [copy])
  useEffect(() => {
    const look = () => {
      if (document.visibilityState === 'visible') void workshop.catchUp().catch(() => undefined)
    }
    document.addEventListener('visibilitychange', look)
    return () => document.removeEventListener('visibilitychange', look)
  }, [workshop])
  useEffect(() => keepSummaries(store, kind), [store, kind])
  const info = useMemo(
    (): WorkshopInfo => ({
      kind,
      now: () => new Date().toISOString(),
      persisted,
      copy,
      folder,
      resetDemo: async () => {
        const undo = await attempt('Put the demo back', workshop.reset)
        if (!undo) return
        void showNotice({
          words: 'The demo is as it was made.',
          undo: async () => {
            await attempt('Put your demo back', undo)
            void showNotice({ words: 'The demo is as you had it.' })
          },
        })
      },
    }),
    [kind, persisted, copy, folder, workshop],
  )
  return (
    <Provider store={store}>
      <WorkshopProvider value={info}>
        {closed !== undefined && <StorageClosed why={closed} />}
        <Outlet />
      </WorkshopProvider>
    </Provider>
  )
}

import { Button, useMantineColorScheme } from '@mantine/core'
import { lazy, Suspense, useState } from 'react'
import { Link } from 'react-router'
import { newestSheet } from '../../domain/sheets'
import { selectEngines, selectJobs, selectJobView, selectNotReadable, selectSheets } from '../../domain/views'
import type { Engine } from '@link-count/core/model'
import { useAppSelector } from '../../store'
import { ChainProgress, pinState } from '../../ui/ChainProgress'
import { FaceStill } from '../../ui/face'
import { GuardShape } from '../../ui/GuardShape'
import { PageHeader } from '../../ui/PageHeader'
import { useWorkshop } from '../../ui/WorkshopContext'
import { stepTitle } from '../../ui/wording'
import { engineLine, notReadableLine, type EngineLine } from './engineLine'
import { Losses } from './Losses'
import { WorkshopFooter } from './WorkshopFooter'
import './workshop.css'

const NewEngineDialog = lazy(() => import('./NewEngineDialog'))
const ImportDialog = lazy(() => import('./ImportDialog'))

/** Every engine of this browser: what state it is in and what it needs next. */
export default function WorkshopPage() {
  const engines = useAppSelector(selectEngines)
  const [dialog, setDialog] = useState<'new' | 'open'>()
  const { kind } = useWorkshop()
  const { colorScheme, setColorScheme } = useMantineColorScheme()
  const dark =
    colorScheme === 'dark' || (colorScheme === 'auto' && window.matchMedia('(prefers-color-scheme: dark)').matches)
  const sorted = [...engines].sort((a, b) => a.at.localeCompare(b.at))
  return (
    <div className="workshop">
      <PageHeader crumbs={[]}>
        <Button variant="quiet" onClick={() => setColorScheme(dark ? 'light' : 'dark')}>
          {dark ? 'Light' : 'Dark'}
        </Button>
      </PageHeader>
      <main>
        <Losses onOpenFile={() => setDialog('open')} />
        <div className="workshop-head">
          <h1>On the stands</h1>
          <p className="soft">{engines.length === 1 ? '1 engine' : `${engines.length} engines`}</p>
          <div className="row">
            <Button variant="default" onClick={() => setDialog('open')}>
              Open a file
            </Button>
            <Button variant="filled" onClick={() => setDialog('new')}>
              New engine
            </Button>
          </div>
        </div>
        {sorted.length === 0 ? (
          <div className="empty">
            <p>
              <strong>No engine on the stands yet.</strong> Begin with one: its build sheet asks for what you can count
              and measure, and works half filled.
            </p>
            {kind === 'own' && (
              <p className="soft">
                To look round first, go to the <Link to="/demo">demo workshop</Link>; it is kept apart from yours.
              </p>
            )}
          </div>
        ) : (
          <ul className="stands">
            {sorted.map((engine) => (
              <Stand key={engine.id} engine={engine} />
            ))}
          </ul>
        )}
      </main>
      <WorkshopFooter />
      <Suspense fallback={null}>
        {dialog === 'new' && <NewEngineDialog onClose={() => setDialog(undefined)} />}
        {dialog === 'open' && <ImportDialog onClose={() => setDialog(undefined)} />}
      </Suspense>
    </div>
  )
}

function Stand({ engine }: { engine: Engine }) {
  const { kind } = useWorkshop()
  const sheet = newestSheet(useAppSelector((state) => selectSheets(state, engine.id)))
  const [job] = useAppSelector((state) => selectJobs(state, engine.id))
  const view = useAppSelector((state) => (job ? selectJobView(state, job.id) : undefined))
  const notReadable = useAppSelector((state) => (job ? selectNotReadable(state, job.id) : undefined))
  const line: EngineLine = job && notReadable ? notReadableLine(job.number) : engineLine(view)
  const to =
    line.next === 'engine'
      ? `/${kind}/engine/${engine.id}`
      : line.next === 'card'
        ? `/${kind}/job/${job?.id}/card`
        : `/${kind}/job/${job?.id}`
  return (
    <li className="stand">
      <span className="stand-guard">
        <GuardShape verdict={line.shape} size={34} />
      </span>
      <span className="stand-face">{sheet && <FaceStill sheet={sheet} width={140} height={100} />}</span>
      <span className="stand-name">
        <Link to={`/${kind}/engine/${engine.id}`}>
          <h2>{engine.name}</h2>
        </Link>
        <span className="soft">{engine.description}</span>
      </span>
      <span className="stand-state">
        <strong>{line.headline}</strong>
        <span className="soft">{line.detail}</span>
      </span>
      <span className="stand-progress">
        {view && (
          <ChainProgress
            pins={view.steps.map(({ step, status }) => ({
              title: stepTitle(step, view.sheet),
              state: pinState(status, step === view.inHand && !view.state.closed),
            }))}
          />
        )}
      </span>
      <Link
        className={line.urgent ? 'button-link filled' : 'button-link'}
        to={to}
        aria-label={`${line.button}: ${engine.name}`}
      >
        {line.button}
      </Link>
    </li>
  )
}

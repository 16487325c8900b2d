import { Button, useMantineColorScheme } from '@mantine/core'
import { lazy, memo, Suspense, useEffect, useMemo, useRef, useState } from 'react'
import { Link } from 'react-router'
import { selectEngines } from '../../domain/selectors'
import type { Engine } from '@link-count/core/model'
import type { EngineSummary } from '../../domain/summaries'
import { useAppSelector } from '../../store'
import { ChainProgress } from '../../ui/ChainProgress'
import { StillPicture } from '../../ui/face/StillPicture'
import { GuardShape } from '../../ui/GuardShape'
import { PageHeader } from '../../ui/PageHeader'
import { useWorkshop } from '../../ui/WorkshopContext'
import { Losses } from './Losses'
import { WorkshopFooter } from './WorkshopFooter'
import './workshop.css'

const FindEngines = lazy(() => import('./FindEngines'))
const NewEngineDialog = lazy(() => import('./NewEngineDialog'))
const ImportDialog = lazy(() => import('./ImportDialog'))
const UnitDialog = lazy(() => import('./UnitDialog'))

/** Every engine of this browser: what state it is in and what it needs next. */
export default function WorkshopPage() {
  const engines = useAppSelector(selectEngines)
  const [dialog, setDialog] = useState<'new' | 'open' | 'units'>()
  const { kind } = useWorkshop()
  const { colorScheme, setColorScheme } = useMantineColorScheme()
  const dark =
    colorScheme === 'dark' || (colorScheme === 'auto' && window.matchMedia('(prefers-color-scheme: dark)').matches)
  const sorted = useMemo(() => [...engines].sort((a, b) => (a.at < b.at ? -1 : Number(a.at > b.at))), [engines])
  const [finding, setFinding] = useState(false)
  const [found, setFound] = useState<readonly Engine[]>()
  return (
    <div className="workshop">
      <PageHeader crumbs={[]}>
        <Button variant="quiet" onClick={() => setColorScheme(dark ? 'light' : 'dark')}>
          {dark ? 'Light' : 'Dark'}
        </Button>
      </PageHeader>
      <main id="main">
        <Losses onOpenFile={() => setDialog('open')} />
        <div className="workshop-head">
          <h1>On the stands</h1>
          <p className="soft">{countWords(engines)}</p>
          <div className="row">
            {engines.length > 3 && !finding && (
              <Button variant="quiet" onClick={() => setFinding(true)}>
                Find
              </Button>
            )}
            <Button variant="default" onClick={() => setDialog('open')}>
              Open a file
            </Button>
            <Button variant="filled" onClick={() => setDialog('new')}>
              New engine
            </Button>
          </div>
        </div>
        {finding && (
          <Suspense fallback={null}>
            <FindEngines engines={sorted} onFound={setFound} />
          </Suspense>
        )}
        {engines.length === 0 ? (
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
          <AllStands engines={found ?? sorted} />
        )}
      </main>
      <WorkshopFooter onUnits={() => setDialog('units')} />
      <Suspense fallback={null}>
        {dialog === 'new' && <NewEngineDialog onClose={() => setDialog(undefined)} />}
        {dialog === 'open' && <ImportDialog onClose={() => setDialog(undefined)} />}
        {dialog === 'units' && <UnitDialog onClose={() => setDialog(undefined)} />}
      </Suspense>
    </div>
  )
}

const countWords = (engines: readonly Engine[]) => {
  const n = engines.filter(({ archived }) => !archived).length
  return n === 1 ? '1 engine' : `${n} engines`
}

/** Those that stand, then those that are put away. */
function AllStands({ engines }: { readonly engines: readonly Engine[] }) {
  const away = engines.filter(({ archived }) => archived)
  return (
    <>
      <Stands engines={engines.filter(({ archived }) => !archived)} />
      {engines.length === 0 && <p className="page-message">No engine is called so.</p>}
      {away.length > 0 && (
        <section aria-labelledby="put-away">
          <h2 id="put-away" className="put-away">
            Put away
          </h2>
          <Stands engines={away} />
        </section>
      )}
    </>
  )
}

/** So many engines are put on the page at a time: the next when the end of the list comes near. */
const AT_A_TIME = 24

function Stands({ engines }: { readonly engines: readonly Engine[] }) {
  const [shown, setShown] = useState(AT_A_TIME)
  const end = useRef<HTMLLIElement>(null)
  const more = engines.length > shown
  useEffect(() => {
    if (!more || !end.current) return
    const seen = new IntersectionObserver(
      (looks) => looks.some(({ isIntersecting }) => isIntersecting) && setShown((n) => n + AT_A_TIME),
      { rootMargin: '1000px' },
    )
    seen.observe(end.current)
    return () => seen.disconnect()
  }, [more, shown])
  return (
    <ul className="stands">
      {engines.slice(0, shown).map((engine) => (
        <Stand key={engine.id} engine={engine} />
      ))}
      {more && <li ref={end} aria-hidden="true" />}
    </ul>
  )
}

/** Of an engine that something was written on, until it is summed up anew: what it was says nothing any more. */
const waiting: EngineSummary = {
  shape: 'unknown',
  headline: 'One moment',
  detail: '',
  button: 'Open',
  next: 'engine',
  urgent: false,
  jobId: undefined,
  workedAt: undefined,
  pins: [],
  face: undefined,
}

/** Of one that could not be summed up: unknown is not shown as anything else. */
const notSummedUp: EngineSummary = {
  ...waiting,
  headline: 'It could not be summed up',
  detail: 'Open it to see how it stands.',
}

const Stand = memo(function Stand({ engine }: { readonly engine: Engine }) {
  const { kind } = useWorkshop()
  const summary = useAppSelector((state) => state.summaries.get(engine.id)?.summary)
  const failed = useAppSelector(
    ({ summaries, screen }) => screen.notSummedUp[engine.id] === (summaries.get(engine.id)?.waiting ?? ''),
  )
  const { shape, headline, detail, button, next, urgent, jobId, pins, face } =
    summary ?? (failed ? notSummedUp : waiting)
  const to =
    next === 'engine'
      ? `/${kind}/engine/${engine.id}`
      : next === 'card'
        ? `/${kind}/job/${jobId}/card`
        : `/${kind}/job/${jobId}`
  return (
    <li className="stand">
      <span className="stand-guard">
        <GuardShape verdict={shape} size={34} />
      </span>
      <span className="stand-face">{summary && <StillPicture drawing={face} width={140} height={100} />}</span>
      <span className="stand-name">
        <Link to={`/${kind}/engine/${engine.id}`}>
          <h2>{engine.name}</h2>
        </Link>
        <span className="soft">{engine.description}</span>
      </span>
      <span className="stand-state">
        <strong>{headline}</strong>
        <span className="soft">{detail}</span>
      </span>
      <span className="stand-progress">{pins.length > 0 && <ChainProgress pins={pins} />}</span>
      <Link className={urgent ? 'button-link filled' : 'button-link'} to={to} aria-label={`${button}: ${engine.name}`}>
        {button}
      </Link>
    </li>
  )
})

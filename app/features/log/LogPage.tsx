import { Button, NativeSelect } from '@mantine/core'
import { lazy, Suspense, useState } from 'react'
import { useParams } from 'react-router'
import type { Engine } from '@link-count/core/model'
import { selectEngine, selectEngines } from '../../domain/selectors'
import { selectJobViews, type JobView } from '../../domain/views'
import { useAppSelector } from '../../store'
import { download } from '../../ui/download'
import { EngineGate } from '../../ui/EngineGate'
import { fileName } from '../../ui/fileName'
import { PageHeader } from '../../ui/PageHeader'
import { useAttempt } from '../../ui/useAttempt'
import { useOpenEngine } from '../../ui/useOpenEngine'
import { formatDate } from '../../ui/wording'
import { DueList } from './DueList'
import { linesWith, logLines, type LogLine } from './logRows'
import './log.css'

const LogChart = lazy(() => import('./LogChart'))

/** All visits of an engine in one table and one chart, any two beside each other, and what is due next. */
export default function LogPage() {
  const { engineId = '' } = useParams()
  const engine = useAppSelector((state) => selectEngine(state, engineId))
  return <EngineGate engineId={engineId}>{engine && <OpenLog key={engineId} engine={engine} />}</EngineGate>
}

function OpenLog({ engine }: { readonly engine: Engine }) {
  const views = useAppSelector((state) => selectJobViews(state, engine.id))
  const attempt = useAttempt()
  const [latest] = views
  const lines = latest ? linesWith(logLines(latest), views) : []
  const save = () =>
    void attempt('The table', async () => {
      const { logCsv } = await import('./saveLog')
      // The mark at the start tells a spreadsheet that it is UTF-8.
      const csv = new Blob(['\uFEFF', logCsv(lines, views)], { type: 'text/csv' })
      download(`${fileName(engine.name, 'log of settings')}.csv`, csv)
      return true
    })
  return (
    <div className="log">
      <PageHeader crumbs={[{ words: engine.name, to: `/engine/${engine.id}` }, { words: 'Log of settings' }]}>
        <Button variant="default" disabled={views.length === 0} onClick={save}>
          CSV
        </Button>
        <Button variant="filled" onClick={() => window.print()}>
          Print
        </Button>
      </PageHeader>
      <main id="main" className="log-main">
        <h1>Log of settings</h1>
        {latest ? (
          <>
            <DueList engine={engine} views={views} />
            <Suspense fallback={null}>
              <LogChart views={views} />
            </Suspense>
            <VisitTable lines={lines} views={views} />
            <Beside engine={engine} views={views} />
          </>
        ) : (
          <p>No visit yet: the log fills as jobs are done.</p>
        )}
      </main>
    </div>
  )
}

/** A row to the setting, a column to the visit, the latest first. */
const VisitTable = ({ lines, views }: { readonly lines: readonly LogLine[]; readonly views: readonly JobView[] }) => (
  <div>
    <h2>Visits</h2>
    <div className="paper-scroll" tabIndex={0} role="region" aria-label="Visits">
      <table className="log-table">
        <thead>
          <tr>
            <th scope="col">Setting</th>
            {views.map((view) => (
              <th scope="col" key={view.job.id}>
                Job {view.label}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {lines.map(({ key, name, of }) => (
            <tr key={key}>
              <th scope="row">{name}</th>
              {views.map((view) => (
                <td key={view.job.id} className="reading">
                  {of(view)}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  </div>
)

const visitKey = ({ job }: JobView) => job.id

/** Any two visits beside each other, of this engine or of another. */
function Beside({ engine, views }: { readonly engine: Engine; readonly views: readonly JobView[] }) {
  const engines = useAppSelector(selectEngines)
  // With one visit only, another engine is what it can be held against.
  const [otherId, setOther] = useState(
    views.length > 1 ? engine.id : (engines.find(({ id }) => id !== engine.id)?.id ?? engine.id),
  )
  const { isOpen } = useOpenEngine(otherId)
  const others = useAppSelector((state) => selectJobViews(state, otherId))
  const [oneId, setOne] = useState('')
  const [twoId, setTwo] = useState('')
  const one = views.find((view) => visitKey(view) === oneId) ?? views[0]
  const rest = otherId === engine.id ? others.filter((view) => view !== one) : others
  const two = others.find((view) => visitKey(view) === twoId) ?? rest[0]
  if (!one || (engines.length < 2 && views.length < 2)) return null
  const names = new Map([...logLines(one), ...(two ? logLines(two) : [])].map(({ name }) => [name, true]))
  const lineOf = (view: JobView, name: string) =>
    logLines(view)
      .find((line) => line.name === name)
      ?.of(view) ?? ''
  const rows = [...names.keys()]
    .map((name) => ({ name, left: lineOf(one, name), right: two ? lineOf(two, name) : '' }))
    .filter(({ left, right }) => left !== '' || right !== '')
  const visit = (view: JobView) => ({
    value: visitKey(view),
    label: `Job ${view.label}, ${formatDate(view.job.at)}`,
  })
  return (
    <section aria-labelledby="beside">
      <h2 id="beside">Two beside each other</h2>
      <div className="row beside-choice">
        <NativeSelect
          label="This visit"
          value={visitKey(one)}
          onChange={(event) => setOne(event.currentTarget.value)}
          data={views.map(visit)}
        />
        <NativeSelect
          label="beside one of"
          value={otherId}
          onChange={(event) => setOther(event.currentTarget.value)}
          data={engines.map(({ id, name }) => ({ value: id, label: name }))}
        />
        {two && (
          <NativeSelect
            label="its visit"
            value={visitKey(two)}
            onChange={(event) => setTwo(event.currentTarget.value)}
            data={others.map(visit)}
          />
        )}
      </div>
      {!isOpen && <p className="soft">One moment.</p>}
      {isOpen && !two && <p className="soft">It has no visit to show.</p>}
      {two && (
        <table className="log-table beside">
          <thead>
            <tr>
              <th scope="col">Setting</th>
              <th scope="col">
                {one.engine.name}, job {one.label}
              </th>
              <th scope="col">
                {two.engine.name}, job {two.label}
              </th>
            </tr>
          </thead>
          <tbody>
            {rows.map(({ name, left, right }) => (
              <tr key={name} className={left === right ? undefined : 'differs'}>
                <th scope="row">{name}</th>
                <td className="reading">{left}</td>
                <td className="reading">{right}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
    </section>
  )
}

import { Button } from '@mantine/core'
import { useParams } from 'react-router'
import { judgeGuard } from '@link-count/core/guard'
import { allOf, lastIn, verdictOfCount } from '@link-count/core/ledger'
import { readMarks } from '@link-count/core/marks'
import { partsOf } from '@link-count/core/sheet'
import { fixed, formatInches, formatLateness, formatMm } from '@link-count/core/units'
import { selectJobView, type JobView } from '../../domain/views'
import { useAppSelector } from '../../store'
import { FaceStill } from '../../ui/face'
import { TimingFigure, unprovedOf, ZeroFigure } from '../../ui/job'
import { EngineGate } from '../../ui/EngineGate'
import { PageHeader } from '../../ui/PageHeader'
import { useWorkshop } from '../../ui/WorkshopContext'
import { formatDate, itemSentence, markShortWords, meterWords, stepTitle, verdictTitle } from '../../ui/wording'
import './card.css'

/** The finished timing card: printed on one page, exported, and what the next job starts from. */
export default function CardPage() {
  const { jobId = '' } = useParams()
  return (
    <EngineGate jobId={jobId}>
      <OpenCard jobId={jobId} />
    </EngineGate>
  )
}

function OpenCard({ jobId }: { readonly jobId: string }) {
  const view = useAppSelector((state) => selectJobView(state, jobId))
  if (!view) return <p className="page-message">There is no such job in this workshop.</p>
  return (
    <div className="card-page">
      <PageHeader
        crumbs={[
          { words: view.engine.name, to: `/engine/${view.engine.id}` },
          { words: `Job ${view.label}`, to: `/job/${view.job.id}` },
          { words: 'Card' },
        ]}
      >
        <Button variant="filled" onClick={() => window.print()}>
          Print
        </Button>
      </PageHeader>
      <main>
        <Card view={view} />
      </main>
    </div>
  )
}

function Card({ view }: { view: JobView }) {
  const { engine, job, sheet, state, steps } = view
  const { kind } = useWorkshop()
  const unproved = unprovedOf(view)
  const camshafts = sheet.shafts.filter(({ kind: shaftKind }) => shaftKind === 'cam')
  const skipped = steps.filter(({ status }) => status.outcome === 'skipped')
  return (
    <article className="card" aria-label="Timing card">
      <header className="card-head">
        <div>
          <h1>{engine.name}</h1>
          <p>
            {engine.description} · Job {view.label}, {formatDate(job.at)}
            {job.meter && ` · ${meterWords(job.meter)}`}
            {job.reason && ` · ${job.reason}`}
          </p>
          <p className="soft">
            Build sheet {sheet.version} ·{' '}
            {kind === 'demo' ? 'Demo workshop, not a real engine' : 'Link Count timing card'}
            {state.closed ? ` · closed ${formatDate(state.closed.at)}, signed: ${state.closed.role}` : ' · not closed'}
          </p>
        </div>
        <FaceStill sheet={sheet} width={120} height={120} />
      </header>

      <section className={unproved.length > 0 || state.register.length > 0 ? 'card-verdict open' : 'card-verdict'}>
        {unproved.length === 0 ? (
          <strong className="proved">Everything on this card is proved by two witnesses.</strong>
        ) : (
          <>
            <strong>Not proved</strong>
            <ul>
              {unproved.map((words) => (
                <li key={words}>{words}</li>
              ))}
            </ul>
          </>
        )}
        {state.register.length > 0 && (
          <p className="danger">
            <strong>
              Still in, out or loose: {state.register.map((item) => itemSentence(item, sheet)).join('; ')}.
            </strong>{' '}
            {state.closed?.reason}
          </p>
        )}
      </section>

      <table>
        <caption>Timing</caption>
        <thead>
          <tr>
            <th scope="col">What</th>
            <th scope="col">As found</th>
            <th scope="col">As left</th>
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">Zero of the degree wheel</th>
            <td colSpan={2}>
              <Half view={view} />
            </td>
          </tr>
          <MarksRow view={view} />
          {camshafts.map((shaft) => (
            <tr key={shaft.id}>
              <th scope="row">{shaft.name}, at the crank</th>
              {(['found', 'left'] as const).map((phase) => (
                <td key={phase}>
                  <Timing view={view} shaftId={shaft.id} phase={phase} />
                </td>
              ))}
            </tr>
          ))}
          {sheet.loops.map((loop) => (
            <tr key={loop.id}>
              <th scope="row">Count, tight run, cam mark to crank mark</th>
              <td>
                <CountCell view={view} loopId={loop.id} phase="found" />
              </td>
              <td>
                <CountCell view={view} loopId={loop.id} phase="left" />
              </td>
            </tr>
          ))}
          <LeftOver view={view} />
        </tbody>
      </table>

      <table className="lash">
        <caption>Lash</caption>
        <thead>
          <tr>
            <th scope="col">Valve</th>
            <th scope="col">Book</th>
            <th scope="col">As found</th>
            <th scope="col">As left</th>
          </tr>
        </thead>
        <tbody>
          {sheet.cams.map((cam) => (
            <tr key={cam.id}>
              <th scope="row">{cam.name}</th>
              <td className="reading">{cam.lashMm ? formatMm(cam.lashMm.value) : 'not known'}</td>
              {(['found', 'left'] as const).map((phase) => {
                const entry = lastIn(state, 'lash', phase, cam.id)
                return (
                  <td key={phase} className="reading">
                    {entry
                      ? `${formatMm(entry.gapMm)} · ${formatInches(entry.gapMm)}${entry.conditions.includes('hot') ? ', hot' : ''}`
                      : 'not taken'}
                  </td>
                )
              })}
            </tr>
          ))}
        </tbody>
      </table>

      <section className="card-notes">
        {allOf(state, 'deviation').map(({ id, latenessDeg, reason }) => (
          <p key={id}>
            <strong>Left {formatLateness(latenessDeg)} on purpose:</strong> {reason}
          </p>
        ))}
        {allOf(state, 'target').map(({ id, shaftId, latenessDeg, reason }) => (
          <p key={id}>
            <strong>
              {partsOf(sheet).shaft(shaftId)?.name} meant to stand {formatLateness(latenessDeg)}:
            </strong>{' '}
            {reason}
          </p>
        ))}
        {allOf(state, 'adjusted').map(({ id, words }) => (
          <p key={id}>
            <strong>Moved:</strong> {words}
          </p>
        ))}
        {skipped.map(({ step, status }) => (
          <p key={step.id}>
            <strong>{stepTitle(step, sheet)} passed over:</strong> {status.reason}
          </p>
        ))}
        {state.live.flatMap((entry) => (entry.kind === 'note' ? [<p key={entry.id}>{entry.text}</p>] : []))}
        <p className="soft">
          {state.crank.deg === undefined
            ? 'Crank: place not known.'
            : `Crank left at ${fixed(state.crank.deg, 1)}°, ${state.crank.doubt}.`}{' '}
          Guard when this was shown: {verdictTitle(judgeGuard(sheet, { ...state, closed: undefined })).toLowerCase()}. ±
          are two sigma. The maker’s manual and the rules of the place come first.
        </p>
        <p className="signature">Signed: {state.closed?.role ?? ''}</p>
      </section>
    </article>
  )
}

function Half({ view }: { view: JobView }) {
  const { zero, half } = view.state
  if (!zero) return <>not found</>
  const halfWords = {
    proved: 'half of the cycle proved',
    read: 'half of the cycle: one witness',
    unknown: 'half of the cycle not known',
    conflict: 'half of the cycle in conflict',
  }
  return (
    <>
      <ZeroFigure view={view} /> {zero.proved ? <span className="proved">proved</span> : 'read'},{' '}
      {halfWords[half.known]}
    </>
  )
}

/** Marks of the rim as they were found against the zero. */
function MarksRow({ view: { sheet, state } }: { view: JobView }) {
  const marks = readMarks(sheet, state)
  if (marks.length === 0) return null
  return (
    <tr>
      <th scope="row">Marks of the rim</th>
      <td colSpan={2}>
        {marks.map(({ entryId, name, errorDeg, sigmaDeg, verdict }) => (
          <span key={entryId} className="card-mark">
            {name}:{' '}
            <span className="reading">
              {fixed(Math.abs(errorDeg), 1)}° {errorDeg >= 0 ? 'after' : 'before'}
            </span>{' '}
            its claim ± {fixed(2 * sigmaDeg, 1)}°, {markShortWords[verdict.kind]}.{' '}
          </span>
        ))}
      </td>
    </tr>
  )
}

function Timing({ view, shaftId, phase }: { view: JobView; shaftId: string; phase: 'found' | 'left' }) {
  const timing = view.state.timing[shaftId]?.[phase]
  if (!timing) return <>not read</>
  return (
    <>
      <TimingFigure timing={timing} view={view} />{' '}
      {timing.proved ? (
        <span className="proved">proved</span>
      ) : timing.misfits.length > 0 ? (
        'readings disagree'
      ) : (
        'read'
      )}
    </>
  )
}

function CountCell({ view, loopId, phase }: { view: JobView; loopId: string; phase: 'found' | 'left' }) {
  const { state, sheet } = view
  const counts = state.counts.filter((one) => one.loopId === loopId)
  const entry =
    counts.findLast((one) => one.phase === phase) ??
    (phase === 'left' ? counts.findLast((one) => one.phase === 'set') : undefined)
  if (!entry) return <>not counted</>
  const verdict = verdictOfCount(sheet, entry, state.seats)
  return (
    <span className="reading">
      {entry.counted}
      {verdict &&
        `, expected ${fixed(verdict.expectedPitches, 1)} pitches${verdict.pitchesOut === 0 ? '' : `, ${Math.abs(verdict.pitchesOut)} ${verdict.pitchesOut < 0 ? 'short' : 'over'}`}`}
    </span>
  )
}

/** What was left over when the teeth were right. */
function LeftOver({ view: { state, sheet } }: { view: JobView }) {
  const count = state.counts.findLast((one) => one.phase !== 'found')
  const verdict = count && verdictOfCount(sheet, count, state.seats)
  if (!verdict) return null
  return (
    <tr>
      <th scope="row">Left over by the teeth</th>
      <td />
      <td className="reading">
        {formatLateness(verdict.leftoverDeg)}, one tooth is {fixed(verdict.toothCrankDeg, 2)}°
      </td>
    </tr>
  )
}

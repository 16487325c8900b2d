import type { ReactNode } from 'react'
import { judgeGuard } from '@link-count/core/guard'
import { judgeGap } from '@link-count/core/lash'
import { allOf, lastIn } from '@link-count/core/ledger'
import type { Cam, EntryOf } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed, formatInches, formatLateness, formatMm } from '@link-count/core/units'
import type { JobView } from '../../domain/views'
import { FaceStill } from '../../ui/face'
import { cameForTiming, unprovedOf, wants } from '../../ui/job'
import { useWorkshop } from '../../ui/WorkshopContext'
import {
  arrivalWords,
  formatDate,
  gapVerdictWords,
  itemSentence,
  meterWords,
  nounsOfAll,
  purposeWords,
  stepTitle,
  verdictTitle,
} from '../../ui/wording'
import { BoltRows } from './boltRows'
import { Half, MarksRow, SetRows, Timing, WearRows } from './cardRows'
import { CardActions } from './CardActions'
import { CardFrame } from './CardFrame'
import { CountRows, CouplingRows, TryRows } from './loopRows'
import { schoolLine } from './schoolLine'
import { CheckRows } from './checkRows'
import { PicturesOnCard } from './PicturesOnCard'
import { RemovalRows } from './removalRows'
import { FollowerRows, LeadsDrawn } from './followerRows'
import { SlackRows, TensionerRows } from './tensionRows'
import { FindingRows, KitRow, PressureRows, SymptomRows, TurnRows, WitnessRow } from './workRows'

/** The finished timing card: printed on one page, exported, and what the next job starts from. */
export default function CardPage() {
  return (
    <CardFrame words="Card">
      {(view) => (
        <>
          <CardActions view={view} />
          <Card view={view} />
        </>
      )}
    </CardFrame>
  )
}

const Card = ({ view }: { view: JobView }) => (
  <article className="card" aria-label="Timing card">
    <CardHead view={view} />
    <CardVerdict view={view} />
    <TimingTable view={view} />
    <WorkTable view={view} />
    {(view.sheet.cams.some(
      ({ id }) => lastIn(view.state, 'lash', 'found', id) ?? lastIn(view.state, 'lash', 'left', id),
    ) ||
      wants(view, 'lashFound') ||
      wants(view, 'lashLeft')) && <LashTable view={view} />}
    <LeadsDrawn view={view} />
    <PicturesOnCard view={view} />
    <CardNotes view={view} />
  </article>
)

function CardHead({ view }: { view: JobView }) {
  const { engine, job, sheet, state } = view
  const { kind } = useWorkshop()
  return (
    <header className="card-head">
      <div>
        <h1>{engine.name}</h1>
        <p>
          {engine.description && `${engine.description} · `}Job {view.label}, {formatDate(job.at)}
          {job.meter && ` · ${meterWords(job.meter)}`}
          {job.reason && ` · ${job.reason}`}
        </p>
        <p>
          {purposeWords[job.purpose ?? 'whole'].name}
          {job.asKept && `, as we do it: ${job.asKept.name}`}. Came in{' '}
          {arrivalWords[job.arrival](nounsOfAll(sheet.loops)).name.toLowerCase()}.{' '}
          <span className="soft">{schoolLine(view)}</span>
        </p>
        <p className="soft">
          Build sheet {sheet.version} ·{' '}
          {kind === 'demo' ? 'Demo workshop, not a real engine' : 'Link Count timing card'}
          {state.closed ? ` · closed ${formatDate(state.closed.at)}, signed: ${state.closed.role}` : ' · not closed'}
        </p>
      </div>
      <FaceStill sheet={sheet} width={120} height={120} />
    </header>
  )
}

/** Whether everything is proved, and if not, what is not; and what is still in, out or loose. */
function CardVerdict({ view }: { view: JobView }) {
  const { sheet, state } = view
  const unproved = unprovedOf(view)
  const isGreen = unproved.length === 0 && state.register.length === 0 && cameForTiming(view)
  return (
    <section className={isGreen ? 'card-verdict' : 'card-verdict open'}>
      {unproved.length === 0 ? (
        cameForTiming(view) ? (
          <strong className="proved">Everything on this card is proved by two witnesses.</strong>
        ) : (
          <strong>
            What it came for is done.{' '}
            {wants(view, 'asFound')
              ? 'It was read as found, and nothing was set.'
              : 'The timing was not judged in this job.'}
          </strong>
        )
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
          <strong>Still in, out or loose: {state.register.map((item) => itemSentence(item, sheet)).join('; ')}.</strong>{' '}
          {state.closed?.reason}
        </p>
      )}
    </section>
  )
}

function TimingTable({ view }: { view: JobView }) {
  const { sheet, state } = view
  const read = cameForTiming(view) || wants(view, 'asFound')
  const camshafts = sheet.shafts.filter(
    ({ id, kind }) => kind === 'cam' && (read || state.timing[id]?.found || state.timing[id]?.left),
  )
  return (
    <FoundAndLeft caption="Timing">
      {(state.zero || state.crank.byMark || wants(view, 'trueTdc')) && (
        <tr>
          <th scope="row">Zero of the degree wheel</th>
          <td colSpan={2}>
            <Half view={view} />
          </td>
        </tr>
      )}
      <WitnessRow view={view} />
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
      <CountRows view={view} />
      <TryRows view={view} />
      <CouplingRows view={view} />
      <SetRows view={view} />
      <SlackRows view={view} />
      <TensionerRows view={view} />
      <FollowerRows view={view} />
      <TurnRows view={view} />
    </FoundAndLeft>
  )
}

/** What it did, what was seen on its parts, what came off, was bolted up and closed. */
const WorkTable = ({ view }: { view: JobView }) => (
  <FoundAndLeft caption="Work and findings">
    <SymptomRows view={view} />
    <FindingRows view={view} />
    <WearRows view={view} />
    <PressureRows view={view} />
    <RemovalRows view={view} />
    <BoltRows view={view} />
    <KitRow view={view} />
    <CheckRows view={view} />
  </FoundAndLeft>
)

/** Rows of what was found and how it was left; one that has none takes no room (card.css). */
const FoundAndLeft = ({ caption, children }: { caption: string; children: ReactNode }) => (
  <table className="found-and-left">
    <caption>{caption}</caption>
    <thead>
      <tr>
        <th scope="col">What</th>
        <th scope="col">As found</th>
        <th scope="col">As left</th>
      </tr>
    </thead>
    <tbody>{children}</tbody>
  </table>
)

const LashTable = ({ view: { sheet, state } }: { view: JobView }) => (
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
          <td className="reading">{cam.lashMm ? lashLimits(cam) : 'not known'}</td>
          {(['found', 'left'] as const).map((phase) => {
            const entry = lastIn(state, 'lash', phase, cam.id)
            return (
              <td key={phase} className="reading">
                {entry
                  ? `${formatMm(entry.gapMm)} · ${formatInches(entry.gapMm)}${entry.conditions.includes('hot') ? ', hot' : ''}${lashVerdict(cam, entry)}`
                  : 'not taken'}
              </td>
            )
          })}
        </tr>
      ))}
    </tbody>
  </table>
)

/** Whether a gap is right by the book; nothing where the book says none. */
function lashVerdict(cam: Cam, entry: EntryOf<'lash'>): string {
  const gap = entry.noGoMm === undefined ? entry.gapMm : { goMm: entry.gapMm, noGoMm: entry.noGoMm }
  const { verdict, marginMm } = judgeGap(gap, { lashMm: cam.lashMm?.value, lashToMm: cam.lashToMm?.value })
  if (verdict === 'noBook' || entry.conditions.includes('hot')) return ''
  return verdict === 'within' ? ', right' : `: ${gapVerdictWords(verdict, marginMm)}`
}

/** What the book wants, and from where to where that is right. */
function lashLimits({ lashMm, lashToMm }: Cam): string {
  const { leastMm, mostMm } = judgeGap(0, { lashMm: lashMm?.value, lashToMm: lashToMm?.value })
  if (lashToMm) return `${formatMm(leastMm)} to ${formatMm(mostMm)}`
  return `${formatMm(lashMm?.value ?? 0)} (${fixed(leastMm, 2)} to ${fixed(mostMm, 2)})`
}

/** What has the same reason is said in one line. */
const byReason = (lines: readonly (readonly [what: string, reason: string])[]) =>
  [...new Set(lines.map(([, reason]) => reason))].map((reason) => ({
    reason,
    what: lines.flatMap(([what, own]) => (own === reason ? [what] : [])).join('; '),
  }))

/** What was left on purpose, moved or passed over, notes, and how it was left. */
function CardNotes({ view: { sheet, state, steps, leftOut } }: { view: JobView }) {
  const skipped = steps.filter(({ status }) => status.outcome === 'skipped')
  return (
    <section className="card-notes">
      {allOf(state, 'deviation').map(({ id, shaftId, latenessDeg, reason }) => (
        <p key={id}>
          <strong>
            {partsOf(sheet).shaft(shaftId)?.name} left {formatLateness(latenessDeg)} on purpose:
          </strong>{' '}
          {reason}
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
      {byReason(skipped.map(({ step, status }) => [stepTitle(step, sheet), status.reason ?? ''])).map((one) => (
        <p key={one.reason}>
          <strong>{one.what} passed over:</strong> {one.reason}
        </p>
      ))}
      {byReason(leftOut.map(({ step, reason }) => [stepTitle(step, sheet), reason])).map((one) => (
        <p key={one.reason}>
          <strong>{one.what} left out:</strong> {one.reason}
        </p>
      ))}
      {state.live.flatMap((entry) => (entry.kind === 'note' ? [<p key={entry.id}>{entry.text}</p>] : []))}
      <div className="card-end">
        <p className="soft">
          {state.crank.deg === undefined
            ? 'Crank: place not known.'
            : `Crank left at ${fixed(state.crank.deg, 1)}°, ${state.crank.doubt === 'byMark' ? 'by the mark' : state.crank.doubt}.`}{' '}
          Guard when this was shown: {verdictTitle(judgeGuard(sheet, { ...state, closed: undefined })).toLowerCase()}. ±
          are two sigma. The maker’s manual and the rules of the place come first.
        </p>
        <p className="signature">Signed: {state.closed?.role ?? ''}</p>
      </div>
    </section>
  )
}

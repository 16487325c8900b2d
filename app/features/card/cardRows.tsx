import { verdictOfCount } from '@link-count/core/ledger'
import { readMarks } from '@link-count/core/marks'
import { fixed, formatLateness } from '@link-count/core/units'
import type { JobView } from '../../domain/views'
import { TimingFigure, ZeroFigure } from '../../ui/job'
import { markShortWords } from '../../ui/wording'

export function Half({ view }: { view: JobView }) {
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
export function MarksRow({ view: { sheet, state } }: { view: JobView }) {
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

export function Timing({ view, shaftId, phase }: { view: JobView; shaftId: string; phase: 'found' | 'left' }) {
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

export function CountCell({ view, loopId, phase }: { view: JobView; loopId: string; phase: 'found' | 'left' }) {
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
export function LeftOver({ view: { state, sheet } }: { view: JobView }) {
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

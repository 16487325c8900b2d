import { crankMarkOf } from '@link-count/core/byMark'
import { bandOf, readingsOfJob } from '@link-count/core/diagnose'
import { readMarks } from '@link-count/core/marks'
import { bandsWanted } from '@link-count/core/runSheet'
import { partsOf } from '@link-count/core/sheet'
import { judgeGrown } from '@link-count/core/wear'
import { fixed, formatLateness } from '@link-count/core/units'
import type { JobView } from '../../domain/views'
import { TimingFigure, ZeroFigure } from '../../ui/job'
import { bandSays, grownSays, bandsSource, inSentence, markShortWords, seenOffWords } from '../../ui/wording'

export function Half({ view }: { view: JobView }) {
  const { sheet } = view
  const { zero, half, live } = view.state
  const seen = live.findLast((entry) => entry.kind === 'stands' && entry.place === 'mark')
  const mark = seen?.kind === 'stands' ? crankMarkOf(sheet, seen.markId) : undefined
  const halfWords = {
    proved: 'half of the cycle proved',
    read: 'half of the cycle: one witness',
    unknown: 'half of the cycle not known',
    conflict: 'half of the cycle in conflict',
  }
  // A two-stroke has no half of its cycle to tell.
  const halfOf = sheet.cycleDeg === 720 ? `, ${halfWords[half.known]}` : ''
  if (!zero)
    return mark && seen?.kind === 'stands' ? (
      <>
        not proved; by the {inSentence(mark.name)}, ± {fixed(2 * mark.sigmaDeg, 1)}°{halfOf}
      </>
    ) : (
      <>not found</>
    )
  return (
    <>
      <ZeroFigure view={view} /> {zero.proved ? <span className="proved">proved</span> : 'read'}
      {halfOf}
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
      {timing.witnesses.some(({ kind }) => kind === 'camAtMark') && ', by the mark'}
    </>
  )
}

/** Camshafts set to their marks, as they were seen; no reading of the timing by itself. */
export function SetRows({ view: { state, sheet } }: { view: JobView }) {
  const nameOf = (id: string) => partsOf(sheet).cylinder(id)?.name ?? ''
  return Object.values(state.camSet).map(({ id, shaftId, off, offDeg }) => (
    <tr key={id}>
      <th scope="row">{partsOf(sheet).shaft(shaftId)?.name}, set by its mark</th>
      <td />
      <td>
        {off
          ? seenOffWords(off, nameOf)
          : offDeg === 0
            ? 'meets its mark'
            : `${formatLateness(offDeg)}, its own degrees`}
        , seen
      </td>
    </tr>
  ))
}

/** What wear was found, by whose limits, and how far it is to the next. */
export function WearRows({ view: { state, sheet, schools } }: { view: JobView }) {
  const { elongation } = readingsOfJob(sheet, state, 'found')
  const whose = bandsWanted(schools)
  const shafts = whose ? sheet.shafts.filter(({ id }) => state.timing[id]?.found) : []
  return (
    <>
      {Object.entries(elongation ?? {}).map(([loopId, { value, sigma }]) => (
        <tr key={loopId}>
          <th scope="row">{partsOf(sheet).loop(loopId)?.name ?? 'Chain'}, grown by</th>
          <td colSpan={2}>
            <span className="reading">
              {fixed(value, 2)}% ± {fixed(2 * sigma, 2)}
            </span>
            : {grownSays(judgeGrown(value, 2 * sigma, whose === 'marine' ? 'marine' : 'general'))}
          </td>
        </tr>
      ))}
      {shafts.map(({ id, name }) => {
        const timing = state.timing[id]?.found
        if (!timing || !whose) return null
        const { band, sure, limitDeg, toNextDeg } = bandOf(timing.latenessDeg, 2 * timing.sigmaDeg, whose)
        return (
          <tr key={id}>
            <th scope="row">{name}, wear</th>
            <td colSpan={2}>
              {sure === 'cannotTell' ? `cannot be told: the ± reaches over ${limitDeg}°` : bandSays(band)}
              {sure === 'in' && toNextDeg !== undefined && `, ${fixed(toNextDeg, 1)}° short of the next band`}.{' '}
              <span className="soft">{bandsSource(schools)}</span>
            </td>
          </tr>
        )
      })}
    </>
  )
}

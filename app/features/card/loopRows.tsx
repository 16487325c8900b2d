import { countFromPitches, markSeat } from '@link-count/core/drive'
import { attemptsAt, verdictOfCount } from '@link-count/core/ledger'
import type { EntryOf } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { fixed, formatLateness } from '@link-count/core/units'
import type { JobView } from '../../domain/views'
import { cameForTiming, wants } from '../../ui/job'
import { couplingName, placesWords, inSentence, nounsOf, ruleWords } from '../../ui/wording'

/** Every stretch that was counted, each with its own marks, run, rule and verdict. */
export function CountRows({ view }: { view: JobView }) {
  const { state, sheet } = view
  const counted = new Map(state.counts.map((one) => [`${one.loopId} ${one.fromMarkId} ${one.toMarkId}`, one]))
  const nameOf = (id: string) => inSentence(partsOf(sheet).mark(id)?.name) ?? id
  const counts =
    (['asFound', 'paint', 'chainOnCount'] as const).some((kind) => wants(view, kind)) || cameForTiming(view)
  const uncounted = counts ? sheet.loops.filter(({ id }) => !state.counts.some(({ loopId }) => loopId === id)) : []
  return (
    <>
      {[...counted].map(([key, { loopId, fromMarkId, toMarkId, run }]) => (
        <tr key={key}>
          <th scope="row">
            {partsOf(sheet).loop(loopId)?.name ?? loopId}, {nameOf(fromMarkId)} to {nameOf(toMarkId)}, {run} run
          </th>
          {(['found', 'left'] as const).map((phase) => (
            <td key={phase}>
              <CountCell view={view} of={{ loopId, fromMarkId, toMarkId }} phase={phase} />
            </td>
          ))}
        </tr>
      ))}
      {uncounted.map(({ id, name }) => (
        <tr key={id}>
          <th scope="row">{name}</th>
          <td colSpan={2}>not counted</td>
        </tr>
      ))}
    </>
  )
}

function CountCell({
  view,
  of,
  phase,
}: {
  view: JobView
  of: Pick<EntryOf<'count'>, 'loopId' | 'fromMarkId' | 'toMarkId'>
  phase: 'found' | 'left'
}) {
  const { state, sheet } = view
  const counts = state.counts.filter(
    (one) => one.loopId === of.loopId && one.fromMarkId === of.fromMarkId && one.toMarkId === of.toMarkId,
  )
  const left = counts.findLast((one) => one.phase === phase)
  const entry = left ?? (phase === 'left' ? counts.findLast((one) => one.phase === 'set') : undefined)
  const loop = partsOf(sheet).loop(of.loopId)
  const [from, to] = [partsOf(sheet).mark(of.fromMarkId), partsOf(sheet).mark(of.toMarkId)]
  if (!entry || !loop || !from || !to) return <>not counted</>
  const verdict = verdictOfCount(sheet, entry, state.seats)
  const { one, many } = nounsOf(loop).counted
  const expected =
    verdict &&
    countFromPitches({
      pitches: verdict.expectedPitches,
      rule: entry.rule,
      from: markSeat(from),
      to: markSeat(to),
    })
  const teeth = Math.abs(verdict?.pitchesOut ?? 0)
  return (
    <>
      <span className="reading">
        {entry.counted}
        {expected !== undefined && `, expected ${fixed(expected, 1)}`}
      </span>{' '}
      {entry.counted === 1 ? one : many}
      {!left && ', as set'}
      {verdict
        ? verdict.pitchesOut === 0
          ? `: right, ${formatLateness(verdict.leftoverDeg)} left over`
          : `: ${teeth} ${teeth === 1 ? 'tooth' : 'teeth'} ${verdict.pitchesOut < 0 ? 'short' : 'over'}`
        : ': nothing to judge it by'}
      . <span className="soft">{ruleWords(entry.rule, one)}</span>
    </>
  )
}

/** Where a loop was hung by trial: what was moved, and what was read then. */
export function TryRows({ view: { state, sheet } }: { view: JobView }) {
  const nameOf = (id: string) => inSentence(partsOf(sheet).member(id)?.name) ?? ''
  const hung = sheet.loops.flatMap((loop) => {
    const tries = attemptsAt(sheet, loop, state.live, state)
    return tries.length > 1 ? [{ loop, tries }] : []
  })
  return hung.map(({ loop, tries }) => (
    <tr key={loop.id}>
      <th scope="row">{loop.name}, tries</th>
      <td colSpan={2}>
        {tries.map(({ moved, found, seen }, i) => (
          <span key={i} className="card-mark">
            {moved
              .map(({ memberId, teeth }) => {
                const n = Math.abs(teeth) === 1 ? 'one tooth' : `${Math.abs(teeth)} teeth`
                return `${n} ${teeth > 0 ? 'further' : 'back'} over the ${nameOf(memberId)}`
              })
              .join(', ') || 'as it was hung'}
            :{' '}
            <span className="reading">
              {[
                ...found.map(({ foundPitches, expectedPitches }) =>
                  expectedPitches === undefined
                    ? fixed(foundPitches, 1)
                    : `${fixed(foundPitches, 1)} of ${fixed(expectedPitches, 1)}`,
                ),
                ...seen.map(
                  ({ latenessDeg, plusMinusDeg }) => `${formatLateness(latenessDeg)} ± ${fixed(plusMinusDeg, 1)}°`,
                ),
              ].join(', ') || 'not read'}
            </span>
            {i < tries.length - 1 ? '; ' : '.'}
          </span>
        ))}
      </td>
    </tr>
  ))
}

/** Couplings and gears that were drawn apart: how each was put together, in the order of the work. */
export function CouplingRows({ view: { state, sheet } }: { view: JobView }) {
  return sheet.couplings.flatMap((coupling) => {
    const { id, kind } = coupling
    const entries = state.live.filter((one): one is EntryOf<'coupling'> => one.kind === 'coupling')
    const own = entries.filter(({ couplingId }) => couplingId === id)
    if (own.length === 0) return []
    const put = own.flatMap(({ change, steps, stepsTo }) =>
      change === 'apart'
        ? []
        : [[placesWords(steps, kind), ...(stepsTo === undefined ? [] : [placesWords(stepsTo, kind)])].join(' and ')],
    )
    return (
      <tr key={id}>
        <th scope="row">{couplingName(coupling, sheet)}</th>
        <td colSpan={2}>
          {put.length > 0 && (
            <>
              put together <span className="reading">{put.join('; then ')}</span>
            </>
          )}
          {own.at(-1)?.change === 'apart' && `${put.length > 0 ? '; then ' : ''}left apart`}.
        </td>
      </tr>
    )
  })
}

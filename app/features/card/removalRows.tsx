import { toldApartIn } from '@link-count/core/lookAlikes'
import { differsFromFound, removalsOf, talliesOf, talliesOpen, toRefit } from '@link-count/core/removals'
import { waitsOf } from '@link-count/core/waits'
import type { JobView } from '../../domain/views'
import {
  alikeWarnings,
  toldApartLine,
  formatClock,
  inSentence,
  putBackWords,
  upperFirst,
  waitEndsWords,
  waitHoldsWords,
} from '../../ui/wording'

/** What came off and did not go back as it was, small parts that do not tally, and what was waited for. */
export function RemovalRows({ view: { state } }: { readonly view: JobView }) {
  const removals = removalsOf(state)
  const off = toRefit(removals)
  return (
    <>
      {waitsOf(state).map(({ entry, ended }) => (
        <tr key={entry.id}>
          <th scope="row">{upperFirst(entry.where || waitHoldsWords[entry.holds])}</th>
          <td colSpan={2}>
            {entry.minutes} minutes from {formatClock(entry.beganAt)}:{' '}
            {ended ? [waitEndsWords[ended.by], ended.reason, ended.source].filter(Boolean).join(', ') : 'not over'}
          </td>
        </tr>
      ))}
      {removals.length > 0 && (
        <tr>
          <th scope="row">Taken off</th>
          <td colSpan={2}>
            {removals.length - off.length} of {removals.length} back.
            {off.length > 0 && (
              <strong> Still off: {off.map(({ entry }) => inSentence(entry.what)).join(', ')}.</strong>
            )}
            {differsFromFound(removals).map(({ entry, back }) => (
              <span key={entry.id}>
                {' '}
                {back && putBackWords[back.as]}: {inSentence(entry.what)}
                {back?.reason ? `, ${back.reason}` : ''}.
              </span>
            ))}
          </td>
        </tr>
      )}
      {toldApartIn(state).map((one) => (
        <tr key={one.id}>
          <th scope="row">Told apart</th>
          <td colSpan={2}>
            {upperFirst(toldApartLine(one))}. {alikeWarnings(one).join(' ')}
          </td>
        </tr>
      ))}
      {talliesOpen(talliesOf(state)).map(({ what, where, out, fitted }) => (
        <tr key={what + where}>
          <th scope="row">
            {what}
            {where ? `, ${where}` : ''}
          </th>
          <td colSpan={2}>
            <strong>
              {out} came out, {fitted} fitted
            </strong>
          </td>
        </tr>
      ))}
    </>
  )
}

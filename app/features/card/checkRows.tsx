import { checksOf, checksOwed, judgeGap, saidOf } from '@link-count/core/closing'
import { formatMm } from '@link-count/core/units'
import type { JobView } from '../../domain/views'
import { checkIsWords, checkWords, guardGapWords } from '../../ui/wording'

/** What was looked at as it was closed and first run, and what of that is owed. */
export function CheckRows({ view: { sheet, state } }: { readonly view: JobView }) {
  const said = checksOf(sheet).flatMap(({ id }) => saidOf(state, id) ?? [])
  if (said.length === 0) return null
  const owed = checksOwed(sheet, state)
  const done = said.filter(({ is }) => is === 'done')
  const gap = said.find(({ goMm, noGoMm }) => goMm !== undefined && noGoMm !== undefined)
  return (
    <tr>
      <th scope="row">Closed and first run</th>
      <td colSpan={2}>
        {done
          .map(
            ({ checkId, words }) =>
              `${checkWords[checkId as keyof typeof checkWords] ?? checkId}${words ? ` (${words})` : ''}`,
          )
          .join('; ')}
        {done.length > 0 && '. '}
        {gap?.goMm !== undefined &&
          gap.noGoMm !== undefined &&
          `${formatMm(gap.goMm, 2)} goes, ${formatMm(gap.noGoMm, 2)} does not: ${guardGapWords[judgeGap({ goMm: gap.goMm, noGoMm: gap.noGoMm })]} `}
        {owed.length > 0 && <strong>Owed: {owed.map(({ id }) => checkWords[id]).join('; ')}.</strong>}
        <span className="soft">
          {' '}
          {said
            .filter(({ is }) => is === 'notHere')
            .map(
              ({ checkId, is }) => `${checkWords[checkId as keyof typeof checkWords] ?? checkId}: ${checkIsWords[is]}`,
            )
            .join('; ')}
        </span>
      </td>
    </tr>
  )
}

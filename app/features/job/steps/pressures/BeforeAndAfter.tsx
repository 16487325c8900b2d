import { Bar, BarChart, LabelList, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { compareBefore } from '@link-count/core/diagnose'
import { allOf } from '@link-count/core/ledger'
import type { EntryOf } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { changeWords, pressureFigure } from '../../../../ui/wording'
import { useBench } from '../../JobContext'

/** Each cylinder before and after, side by side and in words. */
export default function BeforeAndAfter({ what }: { readonly what: EntryOf<'pressure'>['what'] }) {
  const { sheet, state } = useBench().view
  const rows = compareBefore(allOf(state, 'pressure'), what).map((one) => ({
    ...one,
    name: partsOf(sheet).cylinder(one.cylinderId)?.name ?? one.cylinderId,
    was: one.before && (one.before.bar ?? one.before.percent),
    is: one.after && (one.after.bar ?? one.after.percent),
  }))
  if (!rows.some(({ was, is }) => was !== undefined && is !== undefined)) return null
  return (
    <figure className="readings-chart" aria-label="Before and after, cylinder by cylinder">
      <ResponsiveContainer width="100%" height={180}>
        <BarChart data={rows} accessibilityLayer={false} margin={{ top: 20, right: 8, bottom: 0, left: 8 }}>
          <XAxis dataKey="name" stroke="var(--soft)" tick={{ fontSize: 14, fill: 'var(--ink)' }} />
          <YAxis hide domain={[0, 'dataMax']} />
          <Bar dataKey="was" fill="var(--steel-2)" isAnimationActive={false}>
            <LabelList dataKey="was" position="top" fill="var(--ink)" fontSize={13} />
          </Bar>
          <Bar dataKey="is" fill="var(--blue)" isAnimationActive={false}>
            <LabelList dataKey="is" position="top" fill="var(--ink)" fontSize={13} />
          </Bar>
        </BarChart>
      </ResponsiveContainer>
      <figcaption>
        Grey before, blue after.
        <ul className="plain">
          {rows.map((row) => (
            <li key={row.cylinderId}>
              Cylinder {row.name}: {row.before ? pressureFigure(row.before) : 'not read'} before,{' '}
              {row.after ? pressureFigure(row.after) : 'not read'} after{changeWords(row)}
            </li>
          ))}
        </ul>
      </figcaption>
    </figure>
  )
}

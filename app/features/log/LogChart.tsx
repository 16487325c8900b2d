import { CartesianGrid, Legend, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import { fixed } from '@link-count/core/units'
import type { JobView } from '../../domain/views'
import { formatDate } from '../../ui/wording'

/** Strokes that are told apart without colour. */
const DASHES = ['', '6 4', '2 3', '10 4 2 4', '1 4', '8 3']

/** How late each camshaft was found, visit by visit. Figures of it stand in the table below. */
export default function LogChart({ views }: { readonly views: readonly JobView[] }) {
  const [latest] = views
  const camshafts = latest?.sheet.shafts.filter(({ kind }) => kind === 'cam') ?? []
  const visits = views
    .filter(({ state }) => camshafts.some(({ id }) => state.timing[id]?.found))
    .toReversed()
    .map(({ job, state }) => ({
      at: Date.parse(job.at),
      ...Object.fromEntries(camshafts.map(({ id }) => [id, state.timing[id]?.found?.latenessDeg])),
    }))
  if (visits.length < 2) return null
  return (
    <section aria-labelledby="chart">
      <h2 id="chart">Found late by, degrees at the crank</h2>
      <div className="log-chart" aria-hidden="true">
        <ResponsiveContainer width="100%" height={220}>
          <LineChart data={visits} accessibilityLayer={false} margin={{ top: 8, right: 24, bottom: 8, left: 0 }}>
            <CartesianGrid stroke="var(--line)" />
            <XAxis
              dataKey="at"
              type="number"
              scale="time"
              domain={['dataMin', 'dataMax']}
              ticks={visits.map(({ at }) => at)}
              padding={{ left: 70, right: 70 }}
              tickFormatter={(at: number) => formatDate(new Date(at).toISOString())}
              stroke="var(--soft)"
            />
            <YAxis tickFormatter={(deg: number) => `${fixed(deg, 0)}°`} stroke="var(--soft)" width={48} />
            <ReferenceLine y={0} stroke="var(--brass)" />
            <Legend />
            {camshafts.map(({ id, name }, i) => (
              <Line
                key={id}
                dataKey={id}
                name={name}
                stroke="var(--blue)"
                strokeWidth={2}
                strokeDasharray={DASHES[i % DASHES.length] ?? ''}
                connectNulls
                isAnimationActive={false}
              />
            ))}
          </LineChart>
        </ResponsiveContainer>
      </div>
    </section>
  )
}

import { NativeSelect } from '@mantine/core'
import { useState } from 'react'
import {
  CartesianGrid,
  ErrorBar,
  Legend,
  Line,
  LineChart,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts'
import { fixed } from '@link-count/core/units'
import { trendOf } from '@link-count/core/upkeep'
import type { JobView } from '../../domain/views'
import { formatDate } from '../../ui/wording'
import { axisOf, seriesOf, type Series } from './series'

/** Strokes that are told apart without colour. */
const DASHES = ['', '6 4', '2 3', '10 4 2 4', '1 4', '8 3']

/** What was measured, visit by visit, one thing at a time; with its limits, and where the line leaves them. Figures of it stand in the table below. */
export default function LogChart({ views }: { readonly views: readonly JobView[] }) {
  const all = seriesOf(views)
  const [key, setKey] = useState('')
  const series = all.find((one) => one.key === key) ?? all[0]
  if (!series) return null
  return (
    <section aria-labelledby="chart">
      <h2 id="chart">{series.name}, visit by visit</h2>
      {all.length > 1 && (
        <NativeSelect
          label="Drawn"
          value={series.key}
          onChange={(event) => setKey(event.currentTarget.value)}
          data={all.map(({ key: value, name }) => ({ value, label: name }))}
        />
      )}
      <div className="log-chart" aria-hidden="true">
        <Chart series={series} views={views} />
      </div>
    </section>
  )
}

function Chart({ series, views }: { readonly series: Series; readonly views: readonly JobView[] }) {
  const { by, unit } = axisOf(views)
  const { limit, lines, decimals } = series
  const { xs, trends, end, domain } = reachOf(series)
  const xWords = (x: number) => (by === 'day' ? formatDate(new Date(x).toISOString()) : `${fixed(x, 0)} ${unit ?? ''}`)
  return (
    <ResponsiveContainer width="100%" height={240}>
      <LineChart accessibilityLayer={false} margin={{ top: 8, right: 24, bottom: 8, left: 0 }}>
        <CartesianGrid stroke="var(--line)" />
        <XAxis
          dataKey="x"
          type="number"
          domain={[xs[0] ?? 0, end]}
          ticks={[...xs]}
          padding={{ left: 70, right: 70 }}
          tickFormatter={xWords}
          stroke="var(--soft)"
          allowDuplicatedCategory={false}
        />
        <YAxis
          domain={domain}
          tickFormatter={(y: number) =>
            `${fixed(y, decimals)}${series.unit === '°' || series.unit === '%' ? series.unit : ''}`
          }
          stroke="var(--soft)"
          width={58}
        />
        {series.key === 'late' && <ReferenceLine y={0} stroke="var(--brass)" />}
        {limit && (
          <ReferenceArea
            y1={limit.least ?? domain[0]}
            y2={limit.most ?? domain[1]}
            fill="var(--brass)"
            fillOpacity={0.14}
          />
        )}
        {trends.map(({ earliest, latest }, i) => (
          <ReferenceArea key={i} x1={earliest} x2={latest} fill="var(--soft)" fillOpacity={0.14} />
        ))}
        <Legend />
        {lines.map(({ name, points }, i) => (
          <Line
            key={name}
            data={points.map(({ x, value, sigma }) => ({ x, value, off: 2 * sigma }))}
            dataKey="value"
            name={name}
            stroke="var(--blue)"
            strokeWidth={2}
            strokeDasharray={DASHES[i % DASHES.length] ?? ''}
            isAnimationActive={false}
          >
            <ErrorBar dataKey="off" direction="y" width={4} stroke="var(--blue)" isAnimationActive={false} />
          </Line>
        ))}
        {trends.map(({ from, to, value, at }, i) => (
          <Line
            key={`trend ${i}`}
            data={[
              { x: from, value },
              { x: to, value: at },
            ]}
            dataKey="value"
            legendType="none"
            stroke="var(--soft)"
            strokeDasharray="3 4"
            dot={false}
            isAnimationActive={false}
          />
        ))}
      </LineChart>
    </ResponsiveContainer>
  )
}

/** Where a line goes on to its limit, and the stretch in which it leaves it. */
function trendTo(points: Series['lines'][number]['points'], limit: Series['limit']) {
  const last = points.at(-1)
  if (!last || limit?.most === undefined) return []
  const trend = trendOf(
    points.map(({ x, value, sigma }) => ({ x, y: value, sigma })),
    limit.most,
  )
  if (trend.kind !== 'reaches') return []
  const latest = trend.latestX ?? last.x + 1.5 * (trend.atX - last.x)
  return [{ from: last.x, value: last.value, to: trend.atX, at: limit.most, earliest: trend.earliestX, latest }]
}

/** How far both axes reach, and where lines go on to. */
function reachOf({ key, limit, lines }: Series) {
  const xs = [...new Set(lines.flatMap(({ points }) => points.map(({ x }) => x)))].toSorted((a, b) => a - b)
  const trends = lines.flatMap(({ points }) => trendTo(points, limit))
  const end = Math.max(...xs, ...trends.map(({ to }) => to))
  const ys = lines.flatMap(({ points }) => points.flatMap(({ value, sigma }) => [value - 2 * sigma, value + 2 * sigma]))
  const ends = [
    ...ys,
    ...(limit?.least === undefined ? [] : [limit.least]),
    ...(limit?.most === undefined ? [] : [limit.most]),
  ]
  const reach = Math.max(Math.max(...ends) - Math.min(...ends), 0.2) * 0.1
  const domain: [number, number] = [Math.min(...ends, key === 'late' ? 0 : Infinity) - reach, Math.max(...ends) + reach]
  return { xs, trends, end, domain }
}

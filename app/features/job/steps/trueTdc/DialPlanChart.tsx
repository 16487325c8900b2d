import { CartesianGrid, Line, LineChart, ReferenceLine, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import type { DialPlanPoint } from '@link-count/core/zero'
import { fixed } from '@link-count/core/units'

const tick = { fontSize: 13, fill: 'var(--soft)' }

/** The ± of TDC from one pair of dial readings against the drop it is read at. */
export default function DialPlanChart({
  points,
  fromDropMm,
}: {
  readonly points: readonly DialPlanPoint[]
  readonly fromDropMm: number
}) {
  const data = points
    .map(({ dropMm, sigmaDeg }) => ({ dropMm, twoSigma: 2 * sigmaDeg }))
    .filter(({ dropMm }) => dropMm > 0.02)
  const most = data.at(-1)?.dropMm ?? 1
  return (
    <figure
      className="readings-chart"
      aria-label={`± of TDC against drop: from ${fixed(fromDropMm, 1)} mm on it hardly falls`}
    >
      <ResponsiveContainer width="100%" height={170}>
        <LineChart data={data} margin={{ top: 8, right: 12, bottom: 4, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--line)" />
          <XAxis
            type="number"
            dataKey="dropMm"
            domain={[0, most]}
            tickFormatter={(value: number) => fixed(value, 0)}
            unit=" mm"
            stroke="var(--soft)"
            tick={tick}
          />
          <YAxis
            width={52}
            domain={[0, 'auto']}
            tickFormatter={(value: number) => `${fixed(value, 2)}°`}
            stroke="var(--soft)"
            tick={tick}
          />
          <ReferenceLine x={fromDropMm} stroke="var(--brass)" strokeDasharray="5 4" strokeWidth={2} />
          <Line dataKey="twoSigma" stroke="var(--blue)" strokeWidth={2.5} dot={false} isAnimationActive={false} />
        </LineChart>
      </ResponsiveContainer>
      <figcaption className="soft">
        ± of TDC (two sigma) against the drop it is read at; the broken line is the drop advised.
      </figcaption>
    </figure>
  )
}

import { CartesianGrid, Line, LineChart, ResponsiveContainer, XAxis, YAxis } from 'recharts'
import type { PistonRow } from '@link-count/core/rim'
import { fixed } from '@link-count/core/units'

const tick = { fontSize: 13, fill: 'var(--soft)' }

/** Piston drop against degrees before TDC. */
export default function PistonChart({ rows }: { readonly rows: readonly PistonRow[] }) {
  const last = rows.at(-1)
  return (
    <figure
      className="readings-chart"
      aria-label={`Piston drop before TDC, to ${fixed(last?.beforeMm ?? 0, 1)} mm at ${last?.deg}°`}
    >
      <ResponsiveContainer width="100%" height={220}>
        <LineChart data={[...rows]} margin={{ top: 8, right: 16, bottom: 4, left: 0 }} accessibilityLayer={false}>
          <CartesianGrid stroke="var(--line)" />
          <XAxis
            type="number"
            dataKey="deg"
            domain={[0, 60]}
            unit="°"
            ticks={[0, 10, 20, 30, 40, 50, 60]}
            stroke="var(--soft)"
            tick={tick}
          />
          <YAxis width={62} unit=" mm" stroke="var(--soft)" tick={tick} />
          <Line dataKey="beforeMm" stroke="var(--blue)" strokeWidth={2.5} dot={false} isAnimationActive={false} />
        </LineChart>
      </ResponsiveContainer>
      <figcaption className="soft">Piston below its top, before TDC.</figcaption>
    </figure>
  )
}

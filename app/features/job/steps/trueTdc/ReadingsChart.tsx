import { useMemo } from 'react'
import {
  ErrorBar,
  ReferenceArea,
  ReferenceLine,
  ResponsiveContainer,
  Scatter,
  ScatterChart,
  XAxis,
  YAxis,
} from 'recharts'
import { fixed, wrapToSigned180 } from '@link-count/core/units'
import { methodWords } from '../../../../ui/wording'
import { useBench } from '../../JobContext'

const ROW_PX = 26

/** Every reading of the zero on one scale, each with its ±, the combined zero as a band, the factory mark among them. */
export default function ReadingsChart() {
  const { state } = useBench().view
  const { zero, zeroReadings } = state
  const points = useMemo(
    () =>
      zeroReadings.map(({ wheelDeg, sigmaDeg, commonDeg = 0, method }, i) => ({
        x: zero ? wrapToSigned180(wheelDeg - zero.wheelDeg) : 0,
        y: zeroReadings.length - i,
        twoSigma: 2 * Math.hypot(sigmaDeg, commonDeg),
        method,
      })),
    [zero, zeroReadings],
  )
  if (!zero) return null
  const reach = Math.max(zero.plusMinusDeg, ...points.map(({ x, twoSigma }) => Math.abs(x) + twoSigma)) * 1.05
  const claims = points.filter(({ method }) => method === 'factoryMark')
  const measured = points.filter(({ method }) => method !== 'factoryMark')
  const said = points.map(
    ({ x, method }) => `${methodWords[method]} ${fixed(Math.abs(x), 2)}° ${x >= 0 ? 'after' : 'before'}`,
  )
  return (
    <figure className="readings-chart" aria-label={`Readings about the zero: ${said.join(', ')}`}>
      <ResponsiveContainer width="100%" height={ROW_PX * points.length + 40}>
        <ScatterChart margin={{ top: 4, right: 14, bottom: 0, left: 14 }} accessibilityLayer={false}>
          <XAxis
            type="number"
            dataKey="x"
            domain={[-reach, reach]}
            tickFormatter={(value: number) => `${value < 0 ? '−' : ''}${fixed(Math.abs(value), reach < 1 ? 2 : 1)}°`}
            ticks={[-reach * 0.9, 0, reach * 0.9]}
            stroke="var(--soft)"
            tick={{ fontSize: 13, fill: 'var(--soft)' }}
          />
          <YAxis type="number" dataKey="y" domain={[0.4, points.length + 0.6]} hide />
          <ReferenceArea x1={-zero.plusMinusDeg} x2={zero.plusMinusDeg} fill="var(--blue)" fillOpacity={0.14} />
          <ReferenceLine x={0} stroke="var(--blue)" strokeWidth={2} />
          <Scatter data={measured} fill="var(--blue)" shape="circle" isAnimationActive={false}>
            <ErrorBar
              dataKey="twoSigma"
              direction="x"
              width={6}
              stroke="var(--blue)"
              strokeWidth={2}
              isAnimationActive={false}
            />
          </Scatter>
          <Scatter data={claims} fill="var(--brass)" shape="triangle" isAnimationActive={false}>
            <ErrorBar
              dataKey="twoSigma"
              direction="x"
              width={6}
              stroke="var(--brass)"
              strokeWidth={2}
              isAnimationActive={false}
            />
          </Scatter>
        </ScatterChart>
      </ResponsiveContainer>
      <figcaption className="soft">
        Degrees before (−) and after the combined zero; bars and band are two sigma.
        {claims.length > 0 && ' Triangles are marks, which are tested and not averaged in.'}
      </figcaption>
    </figure>
  )
}

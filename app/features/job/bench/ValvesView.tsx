import { NativeSelect } from '@mantine/core'
import { useEffect, useMemo, useRef, useState } from 'react'
import {
  Line,
  LineChart,
  ReferenceArea,
  ReferenceDot,
  ReferenceLine,
  ResponsiveContainer,
  XAxis,
  YAxis,
} from 'recharts'
import { checkingLiftOf, liftCurve, overlapOf, pistonCurve } from '@link-count/core/cams'
import { zeroOfEntry } from '@link-count/core/ledger'
import type { BuildSheet, Cam } from '@link-count/core/model'
import { fixed, wrapToCycle } from '@link-count/core/units'
import type { JobView } from '../../../domain/views'
import { useBench } from '../JobContext'
import { LobeClocks } from './LobeClocks'
import './ValvesView.css'

const STEP_DEG = 2
const MARGIN = { top: 16, right: 16, bottom: 4, left: 4 }
const Y_AXIS_PX = 44

/** Lift of every valve of one cylinder against the crank: the book's, as it was found over it, what was read as points, the piston on the
 *  same axis; and each lobe as a clock face that turns with the crank. */
export default function ValvesView() {
  const { view } = useBench()
  const { sheet } = view
  const [cylinderId, setCylinderId] = useState(sheet.zeroCylinderId)
  const cams = sheet.cams.filter((cam) => cam.cylinderId === cylinderId)
  const chart = useMemo(() => chartOf(view, cylinderId), [view, cylinderId])
  return (
    <div className="valves">
      <NativeSelect
        aria-label="Cylinder"
        className="valves-cylinder"
        value={cylinderId}
        onChange={(event) => setCylinderId(event.currentTarget.value)}
        data={sheet.cylinders.map(({ id, name }) => ({ value: id, label: `Cylinder ${name}` }))}
      />
      {chart ? (
        <LiftChart chart={chart} cylinderId={cylinderId} />
      ) : (
        <p className="valves-none">
          The lobes are not known yet: the build sheet needs openings and closings at a lift, and the top lift, or a
          lift table.
        </p>
      )}
      <LobeClocks cams={cams} />
    </div>
  )
}

type Chart = NonNullable<ReturnType<typeof chartOf>>

function LiftChart({ chart, cylinderId }: { readonly chart: Chart; readonly cylinderId: string }) {
  const { view, drawn } = useBench()
  const { cycleDeg } = view.sheet
  const line = useRef<HTMLDivElement>(null)
  useEffect(() => {
    const draw = () => {
      if (line.current) line.current.style.setProperty('--at', String(drawn.get() / cycleDeg))
    }
    draw()
    return drawn.subscribe(draw)
  }, [drawn, cycleDeg])
  return (
    <figure className="valves-chart" aria-label={chart.said}>
      <div className="valves-plot">
        <ResponsiveContainer width="100%" height="100%">
          <LineChart data={chart.rows} margin={MARGIN} accessibilityLayer={false}>
            {axes(chart, cycleDeg)}
            {overlapArea(view.sheet, cylinderId)}
            {chart.checkingMm !== undefined && (
              <ReferenceLine y={chart.checkingMm} stroke="var(--soft)" strokeDasharray="2 5" />
            )}
            {curves(chart)}
          </LineChart>
        </ResponsiveContainer>
        <div ref={line} className="valves-line" aria-hidden="true" />
      </div>
      <figcaption className="soft">
        <span className="brass">Brass</span> by the book
        {chart.hasFound && (
          <>
            , <span className="blue">blue</span> {chart.phase === 'left' ? 'as left' : 'as found'}
          </>
        )}
        ; exhaust broken, inlet drawn out. Grey: the piston below its top. Dotted: the lift its events are told at.
      </figcaption>
    </figure>
  )
}

const axes = ({ mostMm, ticks }: Chart, cycleDeg: number) => (
  <>
    <XAxis
      type="number"
      dataKey="deg"
      domain={[0, cycleDeg]}
      ticks={Array.from({ length: cycleDeg / 90 + 1 }, (_, i) => i * 90)}
      stroke="var(--soft)"
      tick={{ fontSize: 13, fill: 'var(--soft)' }}
    />
    <YAxis
      width={Y_AXIS_PX}
      domain={[0, mostMm]}
      ticks={ticks}
      allowDataOverflow
      tickFormatter={(mm: number) => fixed(mm, mm % 1 === 0 ? 0 : 1)}
      stroke="var(--soft)"
      tick={{ fontSize: 13, fill: 'var(--soft)' }}
      label={{ value: 'mm', position: 'insideTopLeft', fill: 'var(--soft)', fontSize: 13 }}
    />
  </>
)

function overlapArea(sheet: BuildSheet, cylinderId: string) {
  const overlap = overlapOf(sheet, cylinderId)
  if (!overlap || overlap.fromDeg < 0 || overlap.toDeg > sheet.cycleDeg) return null
  return (
    <ReferenceArea
      x1={overlap.fromDeg}
      x2={overlap.toDeg}
      fill="var(--brass)"
      fillOpacity={0.16}
      label={{ value: 'overlap', position: 'insideTop', fill: 'var(--brass)', fontSize: 13 }}
    />
  )
}

/** The piston, each valve by the book and as it was read, and the readings as points. */
const curves = ({ lines, points }: Chart) => (
  <>
    <Line dataKey="piston" stroke="var(--steel-3)" strokeWidth={1.5} dot={false} isAnimationActive={false} />
    {lines.map(({ key, dashed, own }) => (
      <Line
        key={key}
        dataKey={key}
        stroke={own ? 'var(--blue)' : 'var(--brass)'}
        strokeWidth={own ? 2 : 2.5}
        {...(dashed ? { strokeDasharray: '7 5' } : {})}
        dot={false}
        isAnimationActive={false}
      />
    ))}
    {points.map(({ deg, mm }, i) => (
      <ReferenceDot key={i} x={deg} y={mm} r={4.5} fill="var(--blue)" stroke="var(--bench)" />
    ))}
  </>
)

interface Curve {
  readonly key: string
  readonly dashed: boolean
  readonly own: boolean
  readonly points: readonly { readonly deg: number; readonly mm: number }[]
}

function chartOf({ sheet, state }: Pick<JobView, 'sheet' | 'state'>, cylinderId: string) {
  const cams = sheet.cams.filter((cam) => cam.cylinderId === cylinderId)
  const phase: 'left' | 'found' = cams.some(({ shaftId }) => state.timing[shaftId]?.left) ? 'left' : 'found'
  const lines = cams.flatMap((cam): Curve[] => {
    const late = state.timing[cam.shaftId]?.[phase]?.latenessDeg
    const of = (lateDeg: number, own: boolean): Curve[] => {
      const points = liftCurve(sheet, cam, { lateDeg, stepDeg: STEP_DEG })
      return points ? [{ key: `${cam.id} ${own ? phase : 'book'}`, dashed: cam.valve === 'exhaust', own, points }] : []
    }
    return [...of(0, false), ...(late === undefined ? [] : of(late, true))]
  })
  if (lines.length === 0) return undefined
  const piston = pistonCurve(sheet, cylinderId, STEP_DEG)
  const rows = (lines[0]?.points ?? []).map(({ deg }, i) => ({
    deg,
    ...Object.fromEntries(lines.map(({ key, points }) => [key, points[i]?.mm])),
    ...(piston ? { piston: piston[i]?.mm } : {}),
  }))
  const top = Math.max(...lines.flatMap(({ points }) => points.map(({ mm }) => mm)))
  const late = cams.map((cam) => {
    const timing = state.timing[cam.shaftId]?.[phase]
    return timing
      ? `${cam.name} ${fixed(Math.abs(timing.latenessDeg), 1)}° ${timing.latenessDeg < 0 ? 'early' : 'late'}`
      : `${cam.name} not read`
  })
  return {
    rows,
    lines,
    phase,
    hasFound: lines.some(({ own }) => own),
    ...axisOf(top * 1.08),
    checkingMm: cams[0] && checkingLiftOf(cams[0]),
    points: cams.flatMap((cam) => pointsOf(sheet, state, cam, phase)),
    said: `Valve lift over the cycle: ${late.join(', ')}`,
  }
}

/** Openings, closings and equal lifts as they were read, on the cycle that the book's lobe stands on. */
function pointsOf(sheet: BuildSheet, state: JobView['state'], cam: Cam, phase: 'found' | 'left') {
  return state.camReads.flatMap((read) => {
    if (!('camId' in read) || read.camId !== cam.id || read.phase !== phase) return []
    const zero = zeroOfEntry(state.zeros, read.id)?.zero
    if (!zero) return []
    const book = liftCurve(sheet, cam, { lateDeg: 0, stepDeg: STEP_DEG }) ?? []
    const topDeg = book.reduce((best, one) => (one.mm > best.mm ? one : best), { deg: 0, mm: -1 }).deg
    // The wheel shows one turn: of the places a turn apart the one nearest to the lobe is meant.
    const onCycle = (wheelDeg: number) => {
      const deg = wrapToCycle(wheelDeg - zero.wheelDeg, sheet.cycleDeg)
      const other = wrapToCycle(deg + 360, sheet.cycleDeg)
      const away = (at: number) =>
        Math.abs(((at - topDeg + sheet.cycleDeg * 1.5) % sheet.cycleDeg) - sheet.cycleDeg / 2)
      return away(deg) <= away(other) ? deg : other
    }
    if (read.kind === 'valveEvents') {
      const mm = read.checkingLiftMm ?? checkingLiftOf(cam) ?? 0
      return [read.opensWheelDeg, read.closesWheelDeg].map((deg) => ({ deg: onCycle(deg), mm }))
    }
    if (read.kind === 'lobeCentre')
      return read.pairs.flatMap(({ liftMm, upDeg, downDeg }) =>
        [upDeg, downDeg].map((deg) => ({ deg: onCycle(deg), mm: liftMm })),
      )
    return []
  })
}

/** An axis from nothing to a round figure over the top, with its ticks: steps of 1, 2 or 5, five of them at the most. Millimetres. */
function axisOf(topMm: number): { readonly mostMm: number; readonly ticks: number[] } {
  const step = [0.1, 0.2, 0.5, 1, 2, 5, 10, 20].find((one) => topMm / one <= 5) ?? 50
  const parts = Math.max(1, Math.ceil(topMm / step))
  return { mostMm: parts * step, ticks: Array.from({ length: parts + 1 }, (_, i) => i * step) }
}

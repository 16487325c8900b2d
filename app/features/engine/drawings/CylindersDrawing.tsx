import { Button } from '@mantine/core'
import { useState } from 'react'
import { firingDegOf } from '@link-count/core/cylinders'
import type { BuildSheet, Cylinder } from '@link-count/core/model'
import type { Point } from '@link-count/core/geometry'
import { fixed } from '@link-count/core/units'
import { partKey } from '../parts/engineParts'
import { useSource, sourced } from '../source'
import { withValue } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { Hit } from './Hit'
import './CylindersDrawing.css'

const STEP = 96
const ROW = 190
/** From a bore down to its throw. */
const DOWN = 94

/** The throws along the crank, bank by bank from the timing side, and when each fires. Cylinders are touched for their figures, or in firing order. */
export function CylindersDrawing() {
  const { sheet } = useSheetEditor()
  const [touched, setTouched] = useState<readonly string[]>()
  const rows = sheet.banks
    .map((bank) => sheet.cylinders.filter(({ bankId }) => bankId === bank.id))
    .filter((row) => row.length > 0)
  const star = sheet.layout === 'radial'
  const longest = Math.max(...rows.map((row) => row.length))
  const across = star ? 2 * starRadius(longest) + 90 : longest * STEP + 60
  const [width, height] = star ? [across * rows.length, across] : [across, rows.length * ROW + 20]
  return (
    <div className="cylinders-drawing">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        role="group"
        aria-label={`${sheet.cylinders.length} cylinders and their crankpins, from the ${sheet.sides.timing}`}
      >
        {rows.map((row, k) =>
          star ? (
            <g key={row[0]?.bankId} transform={`translate(${across * (k + 0.5)} ${across / 2})`}>
              <Star row={row} touched={touched} setTouched={setTouched} />
            </g>
          ) : (
            <g key={row[0]?.bankId} transform={`translate(30 ${k * ROW + 10})`}>
              <line className="crank-line" x1={-20} x2={row.length * STEP} y1={36 + DOWN} y2={36 + DOWN} />
              {row.map((cylinder, i) => (
                <OneCylinder
                  key={cylinder.id}
                  cylinder={cylinder}
                  at={{ x: i * STEP + STEP / 2, y: 36 }}
                  throwAt={{ x: i * STEP + STEP / 2, y: 36 + DOWN }}
                  touched={touched}
                  setTouched={setTouched}
                />
              ))}
            </g>
          ),
        )}
      </svg>
      {sheet.cylinders.length > 1 && sheet.cycleDeg === 720 && (
        <TouchInOrder touched={touched} setTouched={setTouched} />
      )}
    </div>
  )
}

const starRadius = (n: number) => Math.max(120, (n * STEP) / (2 * Math.PI))

/** Cylinders in a star as they stand, or evenly from the top the way the clock goes where nobody said; all on one throw. */
function Star({ row, ...inOrder }: InOrder & { readonly row: readonly Cylinder[] }) {
  const r = starRadius(row.length)
  return row.map((cylinder, i) => {
    const rad = ((cylinder.axisDeg?.value ?? 90 - (360 * i) / row.length) * Math.PI) / 180
    const at = { x: r * Math.cos(rad), y: -r * Math.sin(rad) }
    return (
      <g key={cylinder.id}>
        <line className="rod-line" x1={at.x} y1={at.y} x2={0} y2={0} />
        <OneCylinder cylinder={cylinder} at={at} {...(i === 0 ? { throwAt: { x: 0, y: 0 } } : {})} {...inOrder} />
      </g>
    )
  })
}

interface InOrder {
  readonly touched: readonly string[] | undefined
  readonly setTouched: (touched: readonly string[] | undefined) => void
}

function OneCylinder({
  cylinder,
  at: { x, y },
  throwAt,
  touched,
  setTouched,
}: InOrder & {
  readonly cylinder: Cylinder
  /** The middle of its bore. */
  readonly at: Point
  /** The middle of its throw, where it is drawn with it. */
  readonly throwAt?: Point
}) {
  const { sheet } = useSheetEditor()
  const { id, name, crankpinDeg } = cylinder
  const firing = firingDegOf(sheet, id)
  const turn = crankpinDeg && ((90 - crankpinDeg.value) * Math.PI) / 180
  const nth = touched?.indexOf(id) ?? -1
  const fires = firing === undefined ? '?' : `${fixed(firing, Number.isInteger(firing) ? 0 : 1)}°`
  const body = (
    <>
      <rect className={nth >= 0 ? 'bore counted' : 'bore'} x={x - 34} y={y - 32} width={68} height={64} rx={6} />
      {throwAt && (
        <circle className={turn === undefined ? 'throw thin' : 'throw'} cx={throwAt.x} cy={throwAt.y} r={22} />
      )}
      {throwAt && turn !== undefined && (
        <circle className="crankpin" cx={throwAt.x + 22 * Math.cos(turn)} cy={throwAt.y - 22 * Math.sin(turn)} r={7} />
      )}
    </>
  )
  const words = (
    <g className="beside-hit" aria-hidden="true">
      <text className={nth >= 0 ? 'bore-name counted' : 'bore-name'} x={x} y={y + 4}>
        {nth >= 0 ? nth + 1 : name}
      </text>
      <text className="fires" x={x} y={y + 25}>
        {fires}
      </text>
    </g>
  )
  if (!touched)
    return (
      <>
        <Hit
          partKey={partKey('cylinder', id)}
          label={`Cylinder ${name}, ${firing === undefined ? 'when it fires is not known' : `fires at ${fires}`}`}
        >
          {body}
        </Hit>
        {words}
      </>
    )
  const touch = () => setTouched(nth >= 0 ? touched.filter((one) => one !== id) : [...touched, id])
  return (
    <>
      <g
        role="button"
        tabIndex={0}
        className="hit-part"
        aria-label={`Cylinder ${name}${nth >= 0 ? `, fires as number ${nth + 1}` : ''}`}
        onClick={touch}
        onKeyDown={(event) => {
          if (event.key !== 'Enter' && event.key !== ' ') return
          event.preventDefault()
          touch()
        }}
      >
        {body}
      </g>
      {words}
    </>
  )
}

/** The firing order, by touching the cylinders in it. */
function TouchInOrder({ touched, setTouched }: InOrder) {
  const { sheet, apply, engineId } = useSheetEditor()
  const { source } = useSource(engineId)
  const whole = touched?.length === sheet.cylinders.length
  const write = async () => {
    if (!touched) return
    const typed = namesOf(sheet, touched)
    const row = await apply((s) => withValue(s, 'firingOrder', sourced([...touched], typed, source)))
    if (row) setTouched(undefined)
  }
  if (!touched)
    return (
      <Button variant="quiet" onClick={() => setTouched([])}>
        Touch them in firing order
      </Button>
    )
  return (
    <div className="row">
      <p role="status">
        {touched.length === 0 ? 'Touch the cylinders one after the other, as they fire.' : namesOf(sheet, touched)}
      </p>
      <Button variant="filled" disabled={!whole} onClick={() => void write()}>
        They fire so
      </Button>
      <Button variant="quiet" onClick={() => setTouched(undefined)}>
        Leave it
      </Button>
    </div>
  )
}

const namesOf = (sheet: BuildSheet, ids: readonly string[]) =>
  ids.map((id) => sheet.cylinders.find((one) => one.id === id)?.name ?? '').join('-')

import { Button } from '@mantine/core'
import { useState } from 'react'
import { firingDegOf } from '@link-count/core/cylinders'
import type { BuildSheet, Cylinder } from '@link-count/core/model'
import { fixed } from '@link-count/core/units'
import { partKey } from '../parts/engineParts'
import { useSource, sourced } from '../source'
import { withValue } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { Hit } from './Hit'
import './CylindersDrawing.css'

const STEP = 96
const ROW = 190

/** The throws along the crank, bank by bank from the timing side, and when each fires. Cylinders are touched for their figures, or in firing order. */
export function CylindersDrawing() {
  const { sheet } = useSheetEditor()
  const [touched, setTouched] = useState<readonly string[]>()
  const rows = sheet.banks
    .map((bank) => sheet.cylinders.filter(({ bankId }) => bankId === bank.id))
    .filter((row) => row.length > 0)
  const longest = Math.max(...rows.map((row) => row.length))
  const [width, height] = [longest * STEP + 60, rows.length * ROW + 20]
  return (
    <div className="cylinders-drawing">
      <svg
        viewBox={`0 0 ${width} ${height}`}
        role="group"
        aria-label={`${sheet.cylinders.length} cylinders and their crankpins, from the ${sheet.sides.timing}`}
      >
        {rows.map((row, k) => (
          <g key={row[0]?.bankId} transform={`translate(30 ${k * ROW + 10})`}>
            <line className="crank-line" x1={-20} x2={row.length * STEP} y1={130} y2={130} />
            {row.map((cylinder, i) => (
              <OneCylinder
                key={cylinder.id}
                cylinder={cylinder}
                x={i * STEP + STEP / 2}
                touched={touched}
                setTouched={setTouched}
              />
            ))}
          </g>
        ))}
      </svg>
      {sheet.cylinders.length > 1 && sheet.cycleDeg === 720 && (
        <TouchInOrder touched={touched} setTouched={setTouched} />
      )}
    </div>
  )
}

interface InOrder {
  readonly touched: readonly string[] | undefined
  readonly setTouched: (touched: readonly string[] | undefined) => void
}

function OneCylinder({
  cylinder,
  x,
  touched,
  setTouched,
}: InOrder & { readonly cylinder: Cylinder; readonly x: number }) {
  const { sheet } = useSheetEditor()
  const { id, name, crankpinDeg } = cylinder
  const firing = firingDegOf(sheet, id)
  const turn = crankpinDeg && ((90 - crankpinDeg.value) * Math.PI) / 180
  const nth = touched?.indexOf(id) ?? -1
  const fires = firing === undefined ? 'not known' : `${fixed(firing, Number.isInteger(firing) ? 0 : 1)}°`
  const body = (
    <>
      <rect className={nth >= 0 ? 'bore counted' : 'bore'} x={x - 34} y={4} width={68} height={64} rx={6} />
      <circle className={turn === undefined ? 'throw thin' : 'throw'} cx={x} cy={130} r={22} />
      {turn !== undefined && (
        <circle className="crankpin" cx={x + 22 * Math.cos(turn)} cy={130 - 22 * Math.sin(turn)} r={7} />
      )}
    </>
  )
  const words = (
    <g className="beside-hit" aria-hidden="true">
      <text className={nth >= 0 ? 'bore-name counted' : 'bore-name'} x={x} y={46}>
        {nth >= 0 ? nth + 1 : name}
      </text>
      <text className="fires" x={x} y={88}>
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

import { Button } from '@mantine/core'
import { useState } from 'react'
import type { BuildSheet, Cam, Cylinder } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { inSentence } from '../../../ui/wording'
import { partKey } from '../parts/engineParts'
import { useSheetEditor } from '../SheetEditor'
import { setWorkedBy } from '../sheetChanges'
import { Hit } from './Hit'
import './CylindersDrawing.css'

const STEP = 84
const ROW = 210
const AT = { inlet: { valve: 62, shaft: 18 }, exhaust: { valve: 128, shaft: 172 } } as const

/** A camshaft that valves are being put on: none is, one has still to be touched (''), or this one. */
type PutOn = string | undefined

/** A head from above for each bank: its valves, and the camshafts that work them. Valves are put on another camshaft by touching it and then them. */
export function ValvesDrawing() {
  const { sheet } = useSheetEditor()
  const [putOn, setPutOn] = useState<PutOn>()
  const rows = sheet.banks
    .map((bank) => ({ bank, own: sheet.cylinders.filter(({ bankId }) => bankId === bank.id) }))
    .filter(({ own }) => own.length > 0)
  const longest = Math.max(...rows.map(({ own }) => own.length))
  if (sheet.cams.length === 0) return <p className="page-message">This engine has no valves on its sheet.</p>
  return (
    <div className="valves-drawing">
      <svg
        viewBox={`0 0 ${longest * STEP + 40} ${rows.length * ROW}`}
        role="group"
        aria-label={`The valves of ${sheet.cylinders.length === 1 ? 'one cylinder' : `${sheet.cylinders.length} cylinders`}, from above`}
      >
        {rows.map(({ bank, own }, k) => (
          <g key={bank.id} transform={`translate(20 ${k * ROW})`}>
            <Camshafts cylinders={own} last={k === rows.length - 1} putOn={putOn} setPutOn={setPutOn} />
            {own.map((cylinder, i) => (
              <CylinderValves key={cylinder.id} cylinder={cylinder} x={i * STEP + STEP / 2} putOn={putOn} />
            ))}
          </g>
        ))}
      </svg>
      <PutOnRow putOn={putOn} setPutOn={setPutOn} />
    </div>
  )
}

interface Putting {
  readonly putOn: PutOn
  readonly setPutOn: (putOn: PutOn) => void
}

/** The camshafts over the cylinders of a bank; those that work nothing stand under the last bank. */
function Camshafts({
  cylinders,
  last,
  putOn,
  setPutOn,
}: Putting & { readonly cylinders: readonly Cylinder[]; readonly last: boolean }) {
  const { sheet } = useSheetEditor()
  const idle = last
    ? sheet.shafts.filter(({ id, kind }) => kind === 'cam' && !sheet.cams.some(({ shaftId }) => shaftId === id))
    : []
  const over = shaftsOver(
    sheet,
    cylinders.map(({ id }) => id),
  )
  return [...over, ...idle.map((shaft) => ({ shaft, y: 196 }))].map(({ shaft, y }) => (
    <Hit
      key={shaft.id}
      partKey={partKey('shaft', shaft.id)}
      label={shaft.name}
      onTouch={putOn === undefined ? undefined : () => setPutOn(shaft.id)}
    >
      <rect className="hit" x={0} y={y - 20} width={cylinders.length * STEP} height={40} />
      <rect
        className={putOn === shaft.id ? 'camshaft-bar lit' : 'camshaft-bar'}
        x={0}
        y={y - 9}
        width={cylinders.length * STEP}
        height={18}
        rx={9}
      />
    </Hit>
  ))
}

function CylinderValves({
  cylinder: { id, name },
  x,
  putOn,
}: {
  readonly cylinder: Cylinder
  readonly x: number
  readonly putOn: PutOn
}) {
  const { sheet, apply } = useSheetEditor()
  return (['inlet', 'exhaust'] as const).flatMap((valve) => {
    const own = sheet.cams.filter((cam) => cam.cylinderId === id && cam.valve === valve)
    const [cam] = own
    if (!cam) return []
    const by = partsOf(sheet).shaft(cam.shaftId)?.name
    const isOn = putOn !== undefined && putOn !== '' && cam.shaftId === putOn
    return (
      <g key={valve}>
        <Hit
          partKey={partKey('valve', valve)}
          label={`The ${valve} of cylinder ${name}, worked by the ${inSentence(by ?? 'camshaft')}`}
          onTouch={putOn ? () => void apply(setWorkedBy(own, putOn)) : undefined}
        >
          <circle className={`valve-seat ${valve}${isOn ? ' counted' : ''}`} cx={x} cy={AT[valve].valve} r={30} />
        </Hit>
        <text className="valve-name beside-hit" x={x} y={AT[valve].valve + 5} aria-hidden="true">
          {name} {valve === 'inlet' ? 'in' : 'ex'}
        </text>
      </g>
    )
  })
}

/** What to touch while valves are put on another camshaft. */
function PutOnRow({ putOn, setPutOn }: Putting) {
  const { sheet } = useSheetEditor()
  if (sheet.shafts.filter(({ kind }) => kind === 'cam').length < 2) return null
  if (putOn === undefined)
    return (
      <Button variant="quiet" onClick={() => setPutOn('')}>
        Put valves on another camshaft
      </Button>
    )
  const name = inSentence(partsOf(sheet).shaft(putOn)?.name)
  return (
    <div className="row">
      <p role="status">{name ? `Touch the valves that the ${name} works.` : 'Touch the camshaft.'}</p>
      <Button variant="default" onClick={() => setPutOn(undefined)}>
        They are put so
      </Button>
    </div>
  )
}

/** The camshafts over the cylinders of a bank: on the side of the valves that they work, in the middle where they work both. */
function shaftsOver(sheet: BuildSheet, cylinderIds: readonly string[]) {
  const own = sheet.cams.filter(({ cylinderId }) => cylinderIds.includes(cylinderId))
  return [...new Set(own.map(({ shaftId }) => shaftId))].flatMap((shaftId) => {
    const shaft = sheet.shafts.find(({ id }) => id === shaftId)
    const works = new Set(own.filter((cam) => cam.shaftId === shaftId).map(({ valve }) => valve))
    const [only] = works
    const y = works.size === 1 ? AT[only as Cam['valve']].shaft : (AT.inlet.valve + AT.exhaust.valve) / 2
    return shaft ? [{ shaft, y }] : []
  })
}

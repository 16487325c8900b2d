import { Button, NativeSelect, SegmentedControl, Textarea } from '@mantine/core'
import { useParams } from 'react-router'
import { sheetLimits, typedLimits, type BuildSheet, type Engine } from '@link-count/core/model'
import {
  svgOfDrawing,
  tapeDrawing,
  tilePages,
  wheelDrawing,
  type PaperDrawing,
  type PaperSize,
} from '@link-count/core/paper'
import { layOutRim, type RimPlace } from '@link-count/core/rim'
import { partsOf } from '@link-count/core/sheet'
import { fixed, formatMm, otherHand, wrapTo360, wrapToSigned180, type Hand } from '@link-count/core/units'
import { newestSheet } from '../../domain/sheets'
import { screenSlice } from '../../domain/screen'
import { selectEngine, selectSheets } from '../../domain/selectors'
import { useAppDispatch, useAppSelector } from '../../store'
import { download } from '../../ui/download'
import { LengthInput, useDraft, useLengthField } from '../../ui/fields'
import { EngineGate } from '../../ui/EngineGate'
import { PageHeader } from '../../ui/PageHeader'
import { PaperPreview } from '../../ui/paper/PaperPreview'
import { aboutTdc, sideName } from '../../ui/wording'
import { PistonTable } from './PistonTable'
import { ownAngles, typedAngles } from './rimAngles'
import './paper.css'

/** Angles laid out along this engine's rim, a tape and a degree wheel to print, and piston drop against crank degrees. */
export default function PaperPage() {
  const { engineId = '' } = useParams()
  return (
    <EngineGate engineId={engineId}>
      <OpenPaper engineId={engineId} />
    </EngineGate>
  )
}

function OpenPaper({ engineId }: { readonly engineId: string }) {
  const engine = useAppSelector((state) => selectEngine(state, engineId))
  const sheet = newestSheet(useAppSelector((state) => selectSheets(state, engineId)))
  if (!engine || !sheet) return <p className="page-message">There is no such engine in this workshop.</p>
  return <Paper key={engineId} engine={engine} sheet={sheet} />
}

function Paper({ engine, sheet }: { engine: Engine; sheet: BuildSheet }) {
  const dispatch = useAppDispatch()
  const side = useAppSelector(({ screen }) => screen.side)
  const key = (name: string) => `paper:${engine.id}:${name}`
  const round = useLengthField(key('rim'), sheetLimits('rimMm'), sheet.rimMm?.typed ?? '')
  const wheel = useLengthField(key('wheel'), typedLimits.printedWheelMm, '180 mm')
  const bolt = useLengthField(key('bolt'), typedLimits.boltMm, '16 mm')
  const typed = useDraft(key('angles'))
  const turns = useDraft(key('turns'), 'rim')
  const laid = useDraft(key('laid'), 'clockwise')
  const numbering = useDraft(key('numbering'), 'full')
  const paper = useDraft(key('paper'), 'A4')
  const more = typedAngles(typed.text)
  const angles = [...ownAngles(sheet), ...more.angles]
  const running = runningFrom(sheet, side)
  const circumferenceMm = within(round.value?.value, 50, 20_000)
  const places =
    circumferenceMm === undefined
      ? undefined
      : layOutRim({
          circumferenceMm,
          angles,
          turns: turns.text as 'rim',
          along: laid.text === running ? 'running' : 'against',
        })
  const sign = (turns.text === 'rim' ? -1 : 1) * (laid.text === running ? 1 : -1)
  const tape =
    places && circumferenceMm
      ? tapeDrawing({ circumferenceMm, places, degreesAlong: (deg) => Math.round(wrapToSigned180(sign * deg)) })
      : undefined
  const diameterMm = within(wheel.value?.value, 60, 1000)
  const boltMm = within(bolt.value?.value, 1, 200)
  // On a wheel that turns with the crank its numbers have to rise against the running to come up rising at a fixed pointer.
  const rises: Hand = turns.text === 'rim' ? otherHand(running) : running
  const wheelDraft =
    diameterMm && boltMm && boltMm < diameterMm / 2
      ? wheelDrawing({
          diameterMm,
          boltMm,
          numbering: numbering.text as 'full',
          rises,
          marks: angles.map(({ name, afterDeg }) => ({ name, deg: wrapTo360(afterDeg) })),
        })
      : undefined
  return (
    <div className="engine paper">
      <PageHeader crumbs={[{ words: engine.name, to: `/engine/${engine.id}` }, { words: 'On paper' }]}>
        <Button variant="quiet" className="side-button" onClick={() => dispatch(screenSlice.actions.flipped())}>
          <span>
            <span className="wide">Seen from </span>
            <strong>{sideName(sheet, side)}</strong> <span aria-hidden="true">⇄</span>
          </span>
        </Button>
      </PageHeader>
      <main className="paper-main">
        <section className="paper-part">
          <h1>Marks along the rim</h1>
          <p className="soft">
            {sheet.running
              ? `It runs ${running}, seen from the ${sideName(sheet, side)}.`
              : 'The running direction is not on the build sheet: drawn as if clockwise from the timing side. Check it first.'}{' '}
            Lengths start at TDC of the zero cylinder.
          </p>
          <div className="fields">
            <LengthInput
              field={round}
              label="Once round the rim"
              description={round.value && !circumferenceMm ? 'From 50 mm to 20 m round.' : undefined}
            />
            <NativeSelect
              label="The tape is laid"
              description={`Seen from the ${sideName(sheet, side)}.`}
              value={laid.text}
              onChange={(event) => laid.setText(event.currentTarget.value)}
              data={['clockwise', 'anticlockwise']}
            />
            <NativeSelect
              label="What turns"
              value={turns.text}
              onChange={(event) => turns.setText(event.currentTarget.value)}
              data={[
                { value: 'rim', label: 'the rim, past a fixed pointer' },
                { value: 'pointer', label: 'the pointer, past a fixed scale' },
              ]}
            />
            <Textarea
              label="More angles, one a line"
              placeholder={'spark: 28 before\ninlet opens: 11 before'}
              value={typed.text}
              onChange={(event) => typed.setText(event.currentTarget.value)}
              error={
                more.refused.length > 0
                  ? `Not read: “${more.refused[0]?.slice(0, 40)}”. Write a name, a colon and an angle before or after.`
                  : undefined
              }
              autosize
              minRows={2}
              maxLength={2000}
            />
          </div>
          {places ? (
            <Places places={places} laid={laid.text} sheet={sheet} />
          ) : (
            <p>With the rim measured, every angle has its place in millimetres.</p>
          )}
          {tape && (
            <>
              <div className="paper-scroll" tabIndex={0} role="region" aria-label="The tape">
                <PaperPreview
                  drawing={tape}
                  label={`Tape of ${fixed(tape.widthMm, 1)} mm with ${angles.length} marks`}
                />
              </div>
              <Save
                drawing={tape}
                name="rim-tape"
                title={`${engine.name}: tape for the rim`}
                paper={paper.text as PaperSize}
                words="Tape"
              />
            </>
          )}
        </section>
        <section className="paper-part">
          <h2>A degree wheel</h2>
          <div className="fields">
            <LengthInput
              field={wheel}
              label="Across"
              description={wheel.value && !diameterMm ? 'From 60 mm to 1 m.' : undefined}
            />
            <LengthInput
              field={bolt}
              label="Hole for the bolt"
              description={
                wheelDraft || !diameterMm || !bolt.value ? undefined : 'Smaller than half the wheel, from 1 mm.'
              }
            />
            <NativeSelect
              label="Numbered"
              value={numbering.text}
              onChange={(event) => numbering.setText(event.currentTarget.value)}
              data={[
                { value: 'full', label: '0 to 360' },
                { value: 'half', label: '0 to 180 to 0' },
                { value: 'quarter', label: '0 to 90 to 0 to 90' },
              ]}
            />
            <div>
              <p className="field-label">Paper</p>
              <SegmentedControl
                aria-label="Paper"
                value={paper.text}
                onChange={paper.setText}
                data={['A4', 'Letter']}
              />
            </div>
          </div>
          {wheelDraft && (
            <>
              <div className="wheel-preview">
                <PaperPreview drawing={wheelDraft} label={`Degree wheel of ${fixed(wheelDraft.widthMm, 0)} mm`} />
              </div>
              <Save
                drawing={wheelDraft}
                name="degree-wheel"
                title={`${engine.name}: degree wheel`}
                paper={paper.text as PaperSize}
                words="Wheel"
              />
            </>
          )}
        </section>
        <PistonTable sheet={sheet} keyPrefix={key('piston')} />
      </main>
    </div>
  )
}

const within = (value: number | undefined, least: number, most: number) =>
  value === undefined || value < least || value > most ? undefined : value

/** Which way it runs as seen from the side stood at; clockwise from the timing side until it is known. */
function runningFrom(sheet: BuildSheet, side: 'timing' | 'opposite'): Hand {
  const fromTiming = sheet.running?.value ?? 'clockwise'
  return side === 'timing' ? fromTiming : otherHand(fromTiming)
}

function Places({ places, laid, sheet }: { places: readonly RimPlace[]; laid: string; sheet: BuildSheet }) {
  const zero = partsOf(sheet).cylinder(sheet.zeroCylinderId)?.name
  const of = sheet.cylinders.length > 1 ? ` of ${zero}` : ''
  const other = otherHand(laid as Hand)
  return (
    <div className="paper-scroll" tabIndex={0} role="region" aria-label="Places along the rim">
      <table className="paper-table">
        <thead>
          <tr>
            <th scope="col">Mark</th>
            <th scope="col">Stands for</th>
            <th scope="col">From TDC, the short way</th>
            <th scope="col">On a rule</th>
            <th scope="col">Along the tape</th>
          </tr>
        </thead>
        <tbody>
          {places.map(({ name, afterDeg, shortWayMm, fromDatumMm, inches }, i) => (
            <tr key={i}>
              <th scope="row">{name}</th>
              <td>
                {aboutTdc(afterDeg)}
                {of}
              </td>
              <td className="reading">
                {formatMm(Math.abs(shortWayMm), 1)} {Math.abs(shortWayMm) < 0.05 ? '' : shortWayMm > 0 ? laid : other}
              </td>
              <td className="reading">
                {inches.text}
                {Math.abs(inches.errorMm) >= 0.05 && (
                  <span className="soft">
                    {' '}
                    {fixed(Math.abs(inches.errorMm), 1)} mm {inches.errorMm > 0 ? 'long' : 'short'}
                  </span>
                )}
              </td>
              <td className="reading">{formatMm(fromDatumMm, 1)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  )
}

function Save({
  drawing,
  name,
  title,
  paper,
  words,
}: {
  drawing: PaperDrawing
  name: string
  title: string
  paper: PaperSize
  words: string
}) {
  const pages = tilePages(drawing, paper, title)
  const savePdf = async () => {
    const { pdfOfPages } = await import('../../ui/paper/pdfOfPages')
    download(`${name}-${paper.toLowerCase()}.pdf`, pdfOfPages(pages, title))
  }
  return (
    <div className="row">
      <Button variant="filled" onClick={() => void savePdf()}>
        {words} as PDF, {pages.length} {pages.length === 1 ? 'page' : 'pages'} of {paper}
      </Button>
      <Button
        variant="default"
        onClick={() => download(`${name}.svg`, new Blob([svgOfDrawing(drawing)], { type: 'image/svg+xml' }))}
      >
        {words} as SVG
      </Button>
    </div>
  )
}

import { NativeSelect, Textarea } from '@mantine/core'
import { sheetLimits, type BuildSheet } from '@link-count/core/model'
import { tapeDrawing, type PaperSize } from '@link-count/core/paper'
import { layOutRim, type RimPlace } from '@link-count/core/rim'
import { partsOf } from '@link-count/core/sheet'
import { fixed, formatMm, otherHand, wrapToSigned180, type Hand } from '@link-count/core/units'
import { LengthInput, useLengthField, type LengthField } from '../../ui/fields'
import { PaperPreview } from '../../ui/paper/PaperPreview'
import { aboutTdc, sideName } from '../../ui/wording'
import { fileName } from '../../ui/fileName'
import { SaveDrawing } from './SaveDrawing'
import { usePaper, within, type PartOfPaper } from './usePaper'

/** Marks along the rim: where each comes, and the tape that carries them. */
export function RimTape({ engine, sheet }: PartOfPaper) {
  const { side, key, turns, laid, paper, angles, running } = usePaper({ engine, sheet })
  const round = useLengthField(key('rim'), sheetLimits('rimMm'), sheet.rimMm?.typed ?? '')
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
  return (
    <section className="paper-part">
      <h1>Marks along the rim</h1>
      <p className="soft">
        {sheet.running
          ? `It runs ${running}, seen from the ${sideName(sheet, side)}.`
          : 'The running direction is not on the build sheet: drawn as if clockwise from the timing side. Check it first.'}{' '}
        Lengths start at TDC of the zero cylinder.
      </p>
      <RimFields
        engine={engine}
        sheet={sheet}
        round={round}
        roundWrong={round.value !== undefined && !circumferenceMm}
      />
      {places ? (
        <Places places={places} laid={laid.text} sheet={sheet} />
      ) : (
        <p>With the rim measured, every angle has its place in millimetres.</p>
      )}
      {tape && (
        <>
          <div className="paper-scroll" tabIndex={0} role="region" aria-label="The tape">
            <PaperPreview drawing={tape} label={`Tape of ${fixed(tape.widthMm, 1)} mm with ${angles.length} marks`} />
          </div>
          <SaveDrawing
            drawing={tape}
            name={fileName(engine.name, 'rim-tape')}
            title={`${engine.name}: tape for the rim`}
            paper={paper.text as PaperSize}
            words="Tape"
          />
        </>
      )}
    </section>
  )
}

function RimFields({
  engine,
  sheet,
  round,
  roundWrong,
}: PartOfPaper & { readonly round: LengthField; readonly roundWrong: boolean }) {
  const { side, typed, turns, laid, more } = usePaper({ engine, sheet })
  return (
    <div className="fields">
      <LengthInput
        example="612 mm"
        field={round}
        label="Once round the rim"
        description={roundWrong ? 'From 50 mm to 20 m round.' : undefined}
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
  )
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

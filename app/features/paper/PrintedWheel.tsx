import { NativeSelect, SegmentedControl } from '@mantine/core'
import { typedLimits } from '@link-count/core/model'
import { wheelDrawing, type PaperSize } from '@link-count/core/paper'
import { fixed, otherHand, wrapTo360, type Hand } from '@link-count/core/units'
import { LengthInput, useDraft, useLengthField } from '../../ui/fields'
import { PaperPreview } from '../../ui/paper/PaperPreview'
import { fileName } from '../../ui/fileName'
import { SaveDrawing } from './SaveDrawing'
import { usePaper, within, type PartOfPaper } from './usePaper'

/** A degree wheel to print, numbered as one likes, with the engine's own marks. */
export function PrintedWheel({ engine, sheet }: PartOfPaper) {
  const { key, turns, paper, angles, running } = usePaper({ engine, sheet })
  const across = useLengthField(key('wheel'), typedLimits.printedWheelMm, '180 mm')
  const bolt = useLengthField(key('bolt'), typedLimits.boltMm, '16 mm')
  const numbering = useDraft(key('numbering'), 'full')
  const diameterMm = within(across.value?.value, 60, 1000)
  const boltMm = within(bolt.value?.value, 1, 200)
  // On a wheel that turns with the crank its numbers have to rise against the running to come up rising at a fixed pointer.
  const rises: Hand = turns.text === 'rim' ? otherHand(running) : running
  const drawing =
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
    <section className="paper-part">
      <h2>A degree wheel</h2>
      <div className="fields">
        <LengthInput
          example="180 mm"
          field={across}
          label="Across"
          description={across.value && !diameterMm ? 'From 60 mm to 1 m.' : undefined}
        />
        <LengthInput
          example="12 mm"
          field={bolt}
          label="Hole for the bolt"
          description={drawing || !diameterMm || !bolt.value ? undefined : 'Smaller than half the wheel, from 1 mm.'}
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
          <SegmentedControl aria-label="Paper" value={paper.text} onChange={paper.setText} data={['A4', 'Letter']} />
        </div>
      </div>
      {drawing && (
        <>
          <div className="wheel-preview">
            <PaperPreview drawing={drawing} label={`Degree wheel of ${fixed(drawing.widthMm, 0)} mm`} />
          </div>
          <SaveDrawing
            drawing={drawing}
            name={fileName(engine.name, 'degree-wheel')}
            title={`${engine.name}: degree wheel`}
            paper={paper.text as PaperSize}
            words="Wheel"
          />
        </>
      )}
    </section>
  )
}

import { teethFromDiameter } from '@link-count/core/drive'
import { fixed } from '@link-count/core/units'
import { sheetLimits, typedLimits } from '@link-count/core/model'
import { LengthInput, useLengthField } from '../../ui/fields'
import { useSheetEditor } from './SheetEditor'
import { Fold } from '../../ui/Fold'

/** Teeth without counting: from the outside diameter and the pitch. */
export function TeethByCalliper() {
  const { sheet, engineId } = useSheetEditor()
  const key = (name: string) => `sheet:${engineId}:teeth-by-${name}`
  const belt = sheet.loops.every(({ kind }) => kind === 'toothedBelt') && sheet.loops.length > 0
  const known = sheet.loops.find(({ pitchMm }) => pitchMm)?.pitchMm
  const outside = useLengthField(key('outside'), typedLimits.acrossMm)
  const pitch = useLengthField(key('pitch'), sheetLimits('loops', 'pitchMm'), known?.typed ?? '')
  const line = useLengthField(key('line'), typedLimits.pitchLineMm, '0.69 mm')
  const found =
    outside.value && pitch.value && pitch.value.value > 0
      ? teethFromDiameter({
          outsideMm: outside.value.value,
          pitchMm: pitch.value.value,
          kind: belt ? 'pulley' : 'sprocket',
          pitchLineMm: belt ? (line.value?.value ?? 0) : 0,
        })
      : undefined
  return (
    <Fold title="Teeth by calliper">
      <div className="two-fields">
        <LengthInput field={outside} label="Across the tips" />
        <LengthInput field={pitch} label="Pitch" />
        {belt && <LengthInput field={line} label="Tip to the belt’s pitch line" />}
      </div>
      {outside.value && pitch.value && (
        <p className="result">
          {found ? (
            <>
              <span className="reading">{found.teeth} teeth</span>{' '}
              <span className="soft">
                {fixed(Math.abs(found.offMm), 2)} mm {found.offMm >= 0 ? 'more' : 'less'} than that many would give
              </span>
            </>
          ) : (
            'That is smaller than five teeth of this pitch.'
          )}
        </p>
      )}
      <p className="soft">
        {belt
          ? 'Pitch diameter is teeth times pitch over pi.'
          : 'Outside is about pitch times 0.6 and the cotangent of half a tooth, from memory.'}{' '}
        Worn tips measure small: count where you can.
      </p>
    </Fold>
  )
}

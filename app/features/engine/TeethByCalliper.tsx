import { inSentence } from '../../ui/wording'
import { NativeSelect } from '@mantine/core'
import { loopKinds, teethFromDiameter } from '@link-count/core/drive'
import { fixed } from '@link-count/core/units'
import { sheetLimits, typedLimits } from '@link-count/core/model'
import { LengthInput, useDraft, useLengthField } from '../../ui/fields'
import { useSheetEditor } from './SheetEditor'
import { Fold } from '../../ui/Fold'

/** Teeth without counting: from the outside diameter and the pitch. */
export function TeethByCalliper() {
  const { sheet, engineId } = useSheetEditor()
  const key = (name: string) => `sheet:${engineId}:teeth-by-${name}`
  const chosen = useDraft(key('loop'), sheet.loops[0]?.id ?? '')
  const loop = sheet.loops.find(({ id }) => id === chosen.text) ?? sheet.loops[0]
  const mixed = new Set(sheet.loops.map(({ kind }) => loopKinds[kind].runsOn)).size > 1
  const kind = loop ? loopKinds[loop.kind].runsOn : 'sprocket'
  const known = loop?.pitchMm ?? sheet.loops.find(({ pitchMm }) => pitchMm)?.pitchMm
  const outside = useLengthField(key('outside'), typedLimits.acrossMm)
  const pitch = useLengthField(key('pitch'), sheetLimits('loops', 'pitchMm'), known?.typed ?? '')
  const line = useLengthField(key('line'), typedLimits.pitchLineMm, '0.69 mm')
  const found =
    outside.value && pitch.value && pitch.value.value > 0
      ? teethFromDiameter({
          outsideMm: outside.value.value,
          pitchMm: pitch.value.value,
          kind,
          pitchLineMm: kind === 'pulley' ? (line.value?.value ?? 0) : 0,
        })
      : undefined
  return (
    <Fold title="Teeth by calliper">
      {mixed && (
        <NativeSelect
          label="It runs in the"
          value={loop?.id}
          onChange={(event) => chosen.setText(event.currentTarget.value)}
          data={sheet.loops.map(({ id, name }) => ({ value: id, label: inSentence(name) }))}
        />
      )}
      <div className="two-fields">
        <LengthInput example="118 mm" field={outside} label="Across the tips" />
        <LengthInput example="9.525 mm, 3/8 in" field={pitch} label="Pitch" />
        {kind === 'pulley' && <LengthInput example="0.7 mm" field={line} label="Tip to the belt’s pitch line" />}
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
        {kind === 'pulley'
          ? 'Pitch diameter is teeth times pitch over pi.'
          : 'Outside is about pitch times 0.6 and the cotangent of half a tooth, from memory.'}{' '}
        Worn tips measure small: count where you can.
      </p>
    </Fold>
  )
}

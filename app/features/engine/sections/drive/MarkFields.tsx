import { NativeSelect } from '@mantine/core'
import { sheetLimits, type Mark } from '@link-count/core/model'
import { patchMark, withValue } from '../../sheetChanges'
import { useSheetEditor } from '../../SheetEditor'
import { DegField, DirectionField } from '../../TrustedField'
import { WordsField } from '../Section'

/** A mark of the reference pose: where it points, what it meets, tip or gap, and the face it is cut on. */
export function MarkFields({ mark, seated }: { readonly mark: Mark; readonly seated: boolean }) {
  const { sheet, apply } = useSheetEditor()
  return (
    <div className="mark-fields">
      <DirectionField
        id={`points-${mark.id}`}
        label={`${mark.name} points to, in the timing position`}
        help="Seen from the timing side: a clock face, or degrees clockwise from straight up."
        value={mark.pointsAtDeg}
        change={(value) => patchMark(mark.id, (one) => withValue(one, 'pointsAtDeg', value))}
      />
      {seated ? (
        <NativeSelect
          aria-label={`${mark.name} stands at a`}
          value={mark.halfTeeth % 2 === 1 ? 'tip' : 'gap'}
          onChange={(event) => {
            const tip = event.currentTarget.value === 'tip'
            apply(patchMark(mark.id, (one) => ({ ...one, halfTeeth: tip ? 1 : 0 })))
          }}
          data={[
            { value: 'gap', label: 'at a tooth gap' },
            { value: 'tip', label: 'at a tooth tip' },
          ]}
        />
      ) : (
        <WordsField
          id={`meets-${mark.id}`}
          label={`${mark.name} meets`}
          value={mark.meets}
          change={(meets) => patchMark(mark.id, (one) => ({ ...one, meets }))}
        />
      )}
      <NativeSelect
        aria-label={`${mark.name} is cut on the face`}
        value={mark.face ?? ''}
        onChange={(event) => {
          const face = event.currentTarget.value
          apply(patchMark(mark.id, (one) => withValue(one, 'face', face === '' ? undefined : (face as 'timing'))))
        }}
        data={[
          { value: '', label: 'on which face is not said' },
          { value: 'timing', label: `on the face to the ${sheet.sides.timing}` },
          { value: 'opposite', label: `on the face to the ${sheet.sides.opposite}` },
        ]}
      />
      <DegField
        example="90°"
        limits={sheetLimits('marks', 'meetsAtDeg')}
        id={`meets-at-${mark.id}`}
        label={`${mark.name} meets at`}
        help="Crank degrees after firing TDC of 1, where this bank has an event of its own; else empty."
        value={mark.meetsAtDeg}
        change={(value) => patchMark(mark.id, (one) => withValue(one, 'meetsAtDeg', value))}
      />
    </div>
  )
}

import { Button, NativeSelect } from '@mantine/core'
import { sheetLimits, type Mark } from '@link-count/core/model'
import { patchMark, removeMark, turnMark, withValue } from '../sheetChanges'
import { partsOf } from '@link-count/core/sheet'
import { turnsToMeet } from '@link-count/core/marks'
import { inSentence } from '../../../ui/wording'
import { useSheetEditor } from '../SheetEditor'
import { PointsField } from '../figureFields'
import { DegField } from '../TrustedField'
import { Fields, NameField, WordsField } from './fields'

/** A mark of the reference pose: where it points, what it meets, on which tooth it stands, and the face it is cut on. */
export function MarkPanel({ mark }: { readonly mark: Mark }) {
  const { sheet, apply } = useSheetEditor()
  const member = partsOf(sheet).member(mark.memberId)
  const seated = member?.kind !== 'hub'
  const turns = turnsToMeet(sheet, mark)
  return (
    <Fields>
      <NameField
        id={mark.id}
        what="mark"
        value={mark.name}
        change={(name) => patchMark(mark.id, (one) => ({ ...one, name }))}
      />
      <PointsField mark={mark} />
      <WordsField
        id={`meets-${mark.id}`}
        label={`The ${inSentence(mark.name)} meets`}
        value={mark.meets}
        change={(meets) => patchMark(mark.id, (one) => ({ ...one, meets }))}
      />
      {seated && (
        <NativeSelect
          label={`${mark.name} stands at a`}
          value={mark.halfTeeth % 2 === 1 ? 'tip' : 'gap'}
          onChange={(event) => {
            const tip = event.currentTarget.value === 'tip'
            apply(patchMark(mark.id, (one) => ({ ...one, halfTeeth: seatedAt(one.halfTeeth, tip) })))
          }}
          data={[
            { value: 'gap', label: 'tooth gap' },
            { value: 'tip', label: 'tooth tip' },
          ]}
        />
      )}
      <NativeSelect
        label={`${mark.name} is cut on the face`}
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
      {seated && <TurnIt mark={mark} />}
      {turns !== undefined && (
        <p className="soft">Back at its pointer every {turns === 1 ? 'turn' : `${turns} turns`} of the crank.</p>
      )}
      <button type="button" className="link" onClick={() => apply(removeMark(mark.id))}>
        Take the {inSentence(mark.name)} off the sheet
      </button>
    </Fields>
  )
}

/** The same tooth: its gap, or the tip after it. */
const seatedAt = (halfTeeth: number, tip: boolean) => halfTeeth - (halfTeeth % 2) + (tip ? 1 : 0)

/** The mark turned on its wheel by half a tooth at a time. */
function TurnIt({ mark }: { readonly mark: Mark }) {
  const { apply } = useSheetEditor()
  return (
    <div className="row" role="group" aria-label={`Where the ${inSentence(mark.name)} is cut`}>
      <Button variant="quiet" onClick={() => void apply(turnMark(mark.id, 1))}>
        Half a tooth ↺
      </Button>
      <Button variant="quiet" onClick={() => void apply(turnMark(mark.id, -1))}>
        Half a tooth ↻
      </Button>
    </div>
  )
}

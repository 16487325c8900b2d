import { makeSliderCrank } from '@link-count/core/kinematics'
import { sheetLimits } from '@link-count/core/model'
import { sliderCrankWords } from '../../../ui/wording'
import { PinOffsetSketch } from './PinOffsetSketch'
import { withValue } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { positive, RodField, StrokeField } from '../figureFields'
import { DegField, MmField } from '../TrustedField'
import { Choice, Fields } from './fields'

/** Stroke, rod, plug and wrist pin: what stops, dials and pistons are reckoned from. */
export function CrankPanel() {
  const { sheet, apply } = useSheetEditor()
  const { strokeMm, rodMm, pinOffsetMm } = sheet
  const made =
    strokeMm &&
    rodMm &&
    makeSliderCrank({ strokeMm: strokeMm.value, rodMm: rodMm.value, pinOffsetMm: pinOffsetMm?.value ?? 0 })
  return (
    <Fields lead="Halving needs none of this. It is wanted for the length of a stop, for an offset wrist pin, and for a spark set by piston drop.">
      <StrokeField />
      <RodField />
      <MmField
        example="38 mm"
        limits={sheetLimits('plugDepthMm')}
        id="plug-depth"
        label="Plug seat to crown, at the top"
        help="Probed down the plug’s or injector’s hole: it gives the length of a stop."
        value={sheet.plugDepthMm}
        change={(value) => (s) => withValue(s, 'plugDepthMm', value)}
        check={positive}
      />
      <DegField
        example="12°"
        limits={sheetLimits('plugAngleDeg')}
        id="plug-angle"
        label="That hole leans off the bore by"
        help="0 when it looks straight down."
        value={sheet.plugAngleDeg}
        change={(value) => (s) => withValue(s, 'plugAngleDeg', value)}
      />
      <Choice
        label="A rod down it meets"
        help="On a dome a leaning hole tells no drop of the piston."
        value={sheet.crown ?? ''}
        options={[
          { value: '', label: 'not said' },
          { value: 'flat', label: 'flat' },
          { value: 'dome', label: 'a dome' },
        ]}
        onChoose={(next) => apply((s) => withValue(s, 'crown', next === '' ? undefined : next))}
      />
      <MmField
        example="0.8 mm"
        limits={sheetLimits('pinOffsetMm')}
        id="offset"
        label="Wrist-pin offset"
        help="None is the rule. Plus: towards the side the crankpin moves to after TDC."
        value={pinOffsetMm}
        change={(value) => (s) => withValue(s, 'pinOffsetMm', value)}
      />
      <PinOffsetSide />
      {made && !made.ok && (
        <p className="field-error wide-field" role="alert">
          {sliderCrankWords(made.error)}
        </p>
      )}
    </Fields>
  )
}

/** A wrist pin off the bore's middle: which side it stands to, asked by its side rather than its sign. */
function PinOffsetSide() {
  const { sheet, apply } = useSheetEditor()
  const { pinOffsetMm, running } = sheet
  const offset = pinOffsetMm?.value ?? 0
  if (!pinOffsetMm || offset === 0) return null
  // Running clockwise the crankpin goes to the right after TDC, and that way is plus.
  const plusIs = running?.value === 'anticlockwise' ? 'left' : 'right'
  const stands = offset >= 0 === (plusIs === 'right') ? 'right' : 'left'
  return (
    <div className="pin-offset">
      {running ? (
        <Choice
          label="The wrist pin stands to the"
          help="Cylinder upright, seen from the timing side."
          value={stands}
          options={[
            { value: 'left', label: 'left' },
            { value: 'right', label: 'right' },
          ]}
          onChoose={(next) => {
            const valueMm = (next === plusIs ? 1 : -1) * Math.abs(offset)
            apply((s) => withValue(s, 'pinOffsetMm', { ...pinOffsetMm, value: valueMm, typed: `${valueMm} mm` }))
          }}
        />
      ) : (
        <p className="soft">Left or right can be told once the running direction is known.</p>
      )}
      <PinOffsetSketch stands={stands} running={running?.value} />
    </div>
  )
}

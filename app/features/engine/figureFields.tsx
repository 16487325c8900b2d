import type { Loop, Mark, Member } from '@link-count/core/model'
import { sheetLimits } from '@link-count/core/model'
import { inSentence, nounsOf, upperFirst } from '../../ui/wording'
import { patchLoop, patchMark, patchMember, withValue } from './sheetChanges'
import { useSheetEditor } from './SheetEditor'
import { DirectionField, MmField, WholeField } from './TrustedField'

/* Figures that are written at their part, and where they are asked for next. */

export const TeethField = ({ member, help }: { readonly member: Member; readonly help?: string }) => (
  <WholeField
    limits={sheetLimits('members', 'teeth')}
    id={`teeth-${member.id}`}
    label={`Teeth, ${inSentence(member.name)}`}
    {...(help === undefined ? {} : { help })}
    value={member.teeth}
    change={(value) => patchMember(member.id, (one) => withValue(one, 'teeth', value))}
  />
)

export const PitchField = ({ loop }: { readonly loop: Loop }) => (
  <MmField
    example="9.525 mm, 3/8 in"
    limits={sheetLimits('loops', 'pitchMm')}
    id={`pitch-${loop.id}`}
    label={`${loop.name} pitch`}
    value={loop.pitchMm}
    change={(value) => patchLoop(loop.id, (one) => withValue(one, 'pitchMm', value))}
  />
)

export const PitchesField = ({ loop }: { readonly loop: Loop }) => (
  <WholeField
    limits={sheetLimits('loops', 'pitches')}
    id={`links-${loop.id}`}
    label={`${upperFirst(nounsOf(loop).pitches)} in the whole ${inSentence(loop.name)}`}
    value={loop.pitches}
    change={(value) => patchLoop(loop.id, (one) => withValue(one, 'pitches', value))}
  />
)

export const PointsField = ({ mark }: { readonly mark: Mark }) => (
  <DirectionField
    id={`points-${mark.id}`}
    label={`${mark.name} points to, in the timing position`}
    help="Seen from the timing side: a clock face, or degrees clockwise from straight up."
    value={mark.pointsAtDeg}
    change={(value) => patchMark(mark.id, (one) => withValue(one, 'pointsAtDeg', value))}
  />
)

export function StrokeField() {
  const { sheet } = useSheetEditor()
  return (
    <MmField
      example="82 mm, 3 1/4 in"
      limits={sheetLimits('strokeMm')}
      id="stroke"
      label="Stroke"
      value={sheet.strokeMm}
      change={(value) => (s) => withValue(s, 'strokeMm', value)}
      check={positive}
    />
  )
}

export function RodField() {
  const { sheet } = useSheetEditor()
  return (
    <MmField
      example="164 mm, 6 1/2 in"
      limits={sheetLimits('rodMm')}
      id="rod"
      label="Rod, centre to centre"
      value={sheet.rodMm}
      change={(value) => (s) => withValue(s, 'rodMm', value)}
      check={positive}
    />
  )
}

export const positive = (valueMm: number) => (valueMm > 0 ? undefined : 'It must be greater than zero.')

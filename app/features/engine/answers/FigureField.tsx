import type { Figure } from '@link-count/core/answers'
import { sheetLimits, type BuildSheet, type Position } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { inSentence, nounsOf, upperFirst } from '../../../ui/wording'
import { patchLoop, patchMark, patchMember, patchShaft, setPolar, withValue } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { DirectionField, MmField, WholeField } from '../TrustedField'

const polarOf = (position: Position | undefined) => (position?.how === 'polar' ? position : undefined)

/** Whether a figure can be written where it is asked for; else it is better written among its own. */
export const isWrittenHere = (sheet: BuildSheet, { list, id, field }: Figure): boolean =>
  list === 'members' ||
  list === 'loops' ||
  list === 'marks' ||
  // A shaft that is placed by several distances is placed among those.
  (list === 'shafts' && polarOf(partsOf(sheet).shaft(id)?.position) !== undefined) ||
  (list === 'sheet' && (field === 'strokeMm' || field === 'rodMm'))

/** The one figure that is wanted. */
export function FigureField({ figure: { list, id, field } }: { readonly figure: Figure }) {
  switch (list) {
    case 'members':
      return <TeethField id={id} />
    case 'loops':
      return field === 'pitchMm' ? <PitchField id={id} /> : <PitchesField id={id} />
    case 'shafts':
      return field === 'distance' ? <DistanceField id={id} /> : <TowardsField id={id} />
    case 'marks':
      return <PointsField id={id} />
    default:
      return field === 'strokeMm' ? <StrokeField /> : <RodField />
  }
}

function TeethField({ id }: { readonly id: string }) {
  const { sheet } = useSheetEditor()
  const member = partsOf(sheet).member(id)
  return (
    <WholeField
      limits={sheetLimits('members', 'teeth')}
      id={`teeth-${id}`}
      label={`Teeth, ${inSentence(member?.name) ?? ''}`}
      value={member?.teeth}
      change={(value) => patchMember(id, (one) => withValue(one, 'teeth', value))}
    />
  )
}

function PitchField({ id }: { readonly id: string }) {
  const { sheet } = useSheetEditor()
  const loop = partsOf(sheet).loop(id)
  return (
    <MmField
      example="9.525 mm, 3/8 in"
      limits={sheetLimits('loops', 'pitchMm')}
      id={`pitch-${id}`}
      label={`${loop?.name ?? ''} pitch`}
      value={loop?.pitchMm}
      change={(value) => patchLoop(id, (one) => withValue(one, 'pitchMm', value))}
    />
  )
}

function PitchesField({ id }: { readonly id: string }) {
  const { sheet } = useSheetEditor()
  const loop = partsOf(sheet).loop(id)
  return (
    <WholeField
      limits={sheetLimits('loops', 'pitches')}
      id={`links-${id}`}
      label={`${upperFirst(loop ? nounsOf(loop).pitches : 'pitches')} in the whole ${inSentence(loop?.name) ?? ''}`}
      value={loop?.pitches}
      change={(value) => patchLoop(id, (one) => withValue(one, 'pitches', value))}
    />
  )
}

function DistanceField({ id }: { readonly id: string }) {
  const { sheet } = useSheetEditor()
  const shaft = partsOf(sheet).shaft(id)
  const polar = polarOf(shaft?.position)
  const from = inSentence(partsOf(sheet).shaft(polar?.fromShaftId)?.name) ?? 'crank'
  return (
    <MmField
      example="310 mm, 12 1/4 in"
      limits={sheetLimits('shafts', 'position', 'distanceMm')}
      id={`${id}-distance`}
      label={`Centre of the ${from} to centre of the ${inSentence(shaft?.name) ?? ''}`}
      value={polar?.distanceMm}
      change={(value) => patchShaft(id, setPolar('distanceMm', value))}
    />
  )
}

function TowardsField({ id }: { readonly id: string }) {
  const { sheet } = useSheetEditor()
  const shaft = partsOf(sheet).shaft(id)
  return (
    <DirectionField
      id={`${id}-direction`}
      label={`${shaft?.name ?? ''} stands towards`}
      value={polarOf(shaft?.position)?.directionDeg}
      change={(value) => patchShaft(id, setPolar('directionDeg', value))}
    />
  )
}

function PointsField({ id }: { readonly id: string }) {
  const { sheet } = useSheetEditor()
  const mark = partsOf(sheet).mark(id)
  return (
    <DirectionField
      id={`points-${id}`}
      label={`${mark?.name ?? ''} points to, in the timing position`}
      value={mark?.pointsAtDeg}
      change={(value) => patchMark(id, (one) => withValue(one, 'pointsAtDeg', value))}
    />
  )
}

function StrokeField() {
  const { sheet } = useSheetEditor()
  return (
    <MmField
      example="82 mm, 3 1/4 in"
      limits={sheetLimits('strokeMm')}
      id="stroke"
      label="Stroke"
      value={sheet.strokeMm}
      change={(value) => (s) => withValue(s, 'strokeMm', value)}
    />
  )
}

function RodField() {
  const { sheet } = useSheetEditor()
  return (
    <MmField
      example="164 mm, 6 1/2 in"
      limits={sheetLimits('rodMm')}
      id="rod"
      label="Rod, centre to centre"
      value={sheet.rodMm}
      change={(value) => (s) => withValue(s, 'rodMm', value)}
    />
  )
}

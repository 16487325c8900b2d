import type { Figure } from '@link-count/core/answers'
import { sheetLimits, type BuildSheet, type Position } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { inSentence } from '../../../ui/wording'
import { PitchesField, PitchField, PointsField, RodField, StrokeField, TeethField } from '../figureFields'
import { patchShaft, setPolar } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { DirectionField, MmField } from '../TrustedField'

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
  const { sheet } = useSheetEditor()
  const parts = partsOf(sheet)
  const [member, loop, mark] = [parts.member(id), parts.loop(id), parts.mark(id)]
  switch (list) {
    case 'members':
      return member && <TeethField member={member} />
    case 'loops':
      return loop && (field === 'pitchMm' ? <PitchField loop={loop} /> : <PitchesField loop={loop} />)
    case 'shafts':
      return field === 'distance' ? <DistanceField id={id} /> : <TowardsField id={id} />
    case 'marks':
      return mark && <PointsField mark={mark} />
    default:
      return field === 'strokeMm' ? <StrokeField /> : <RodField />
  }
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

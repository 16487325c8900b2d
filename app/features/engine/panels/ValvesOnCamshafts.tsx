import { partsOf } from '@link-count/core/sheet'
import { Fold } from '../../../ui/Fold'
import { useSheetEditor } from '../SheetEditor'
import { Choice } from './fields'

/** Which camshaft works which valve. */
export function ValvesOnCamshafts() {
  const { sheet, apply } = useSheetEditor()
  const camshafts = sheet.shafts.filter(({ kind }) => kind === 'cam')
  if (camshafts.length < 2 || sheet.cams.length === 0) return null
  return (
    <Fold title="Which camshaft works which valves" note={`${sheet.cams.length} valves`}>
      {sheet.cams.map(({ id, cylinderId, valve, shaftId }) => (
        <Choice
          key={id}
          label={`The ${valve} of cylinder ${partsOf(sheet).cylinder(cylinderId)?.name ?? ''} is worked by`}
          value={shaftId}
          options={camshafts.map((shaft) => ({ value: shaft.id, label: shaft.name }))}
          onChoose={(chosen) =>
            void apply((s) => ({
              ...s,
              cams: s.cams.map((cam) => (cam.id === id ? { ...cam, shaftId: chosen } : cam)),
            }))
          }
        />
      ))}
    </Fold>
  )
}

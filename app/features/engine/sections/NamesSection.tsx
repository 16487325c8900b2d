import { partsOf } from '@link-count/core/sheet'
import { Fold } from '../../../ui/Fold'
import {
  patchBank,
  patchCylinder,
  patchLoop,
  patchMark,
  patchMember,
  patchRimMark,
  patchShaft,
  type SheetChange,
} from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { Choice, WordsField } from './Section'

type Patch = (id: string, change: <T extends { readonly name: string }>(one: T) => T) => SheetChange

const lists = [
  { key: 'cylinders', what: 'cylinder', patch: patchCylinder },
  { key: 'banks', what: 'bank', patch: patchBank },
  { key: 'shafts', what: 'shaft', patch: patchShaft },
  { key: 'members', what: 'part', patch: patchMember },
  { key: 'loops', what: 'chain or belt', patch: patchLoop },
  { key: 'marks', what: 'mark', patch: patchMark },
  { key: 'rimMarks', what: 'mark on the rim', patch: patchRimMark },
] as const

/** What everything is called here: every screen and the next card says it so; cards that are signed keep the old name. */
export function NamesSection() {
  const { sheet } = useSheetEditor()
  const count = lists.reduce((sum, { key }) => sum + sheet[key].length, 0)
  return (
    <section className="sheet-section">
      <Fold title="What things are called" note={`${count} names`}>
        {lists.flatMap(({ key, what, patch }) =>
          sheet[key].map(({ id, name }) => (
            <WordsField
              key={`${key} ${id}`}
              id={`called-${key}-${id}`}
              label={`You call the ${what} “${name}”`}
              value={name}
              change={(text) => (patch as Patch)(id, (one) => ({ ...one, name: text }))}
            />
          )),
        )}
      </Fold>
    </section>
  )
}

/** Which camshaft works which valve. */
export function ValvesOnCamshafts() {
  const { sheet, apply } = useSheetEditor()
  const camshafts = sheet.shafts.filter(({ kind }) => kind === 'cam')
  if (camshafts.length < 2 || sheet.cams.length === 0) return null
  return (
    <section className="sheet-section">
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
    </section>
  )
}

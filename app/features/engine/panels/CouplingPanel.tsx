import { sheetLimits, type Coupling } from '@link-count/core/model'
import { couplingWorth } from '@link-count/core/drive'
import { partsOf } from '@link-count/core/sheet'
import { formatDeg } from '@link-count/core/units'
import { inSentence, couplingName, placeWords, upperFirst } from '../../../ui/wording'
import { removeCoupling } from '../bendDrive'
import { patchCoupling, withValue } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { WholeField } from '../TrustedField'
import { Choice, Fields } from './fields'

const meshLead =
  'What one tooth is worth follows from their teeth. Marks that face each other are marks of the two gears.'

/** A shaft joined to another: by what, in how many places it can be put together, and what one of them is worth. */
export function CouplingPanel({ coupling }: { readonly coupling: Coupling }) {
  const { sheet, apply } = useSheetEditor()
  const nameOf = (id: string) => inSentence(partsOf(sheet).shaft(id)?.name) ?? id
  const name = inSentence(couplingName(coupling, sheet))
  const { many } = placeWords[coupling.kind]
  const { from, to } = couplingWorth(sheet, coupling)
  const quill = coupling.kind === 'quill'
  const isMesh = coupling.kind === 'gearMesh'
  return (
    <Fields lead={isMesh ? meshLead : undefined}>
      {!isMesh && (
        <>
          <Choice
            label={`${upperFirst(nameOf(coupling.fromId))} to ${nameOf(coupling.toId)}, joined by`}
            value={coupling.kind}
            options={[
              { value: 'spline', label: 'splines' },
              { value: 'quill', label: 'a quill, splined at both ends' },
              { value: 'dog', label: 'dogs' },
            ]}
            onChoose={(kind) =>
              apply(patchCoupling(coupling.id, (one) => ({ ...one, kind: kind as Coupling['kind'] })))
            }
          />
          <WholeField
            limits={sheetLimits('couplings', 'positions')}
            id={`places-${coupling.id}`}
            label={`${upperFirst(many)}, ${name}${quill ? ', first end' : ''}`}
            value={coupling.positions}
            change={(value) => patchCoupling(coupling.id, (one) => withValue(one, 'positions', value))}
          />
          {from && <p className="soft">One is worth {formatDeg(from.crankDeg, 2)} at the crank.</p>}
        </>
      )}
      {quill && (
        <>
          <WholeField
            limits={sheetLimits('couplings', 'positionsTo')}
            id={`places-to-${coupling.id}`}
            label={`${upperFirst(many)}, ${name}, other end`}
            value={coupling.positionsTo}
            change={(value) => patchCoupling(coupling.id, (one) => withValue(one, 'positionsTo', value))}
          />
          {to && <p className="soft">One is worth {formatDeg(to.crankDeg, 2)} at the crank.</p>}
        </>
      )}
      <button type="button" className="link" onClick={() => apply(removeCoupling(coupling.id))}>
        Take the {name} off the sheet
      </button>
    </Fields>
  )
}

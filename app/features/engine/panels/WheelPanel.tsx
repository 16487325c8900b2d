import type { Member } from '@link-count/core/model'
import { partsOf } from '@link-count/core/sheet'
import { inSentence } from '../../../ui/wording'
import { addMark, patchMember, withValue } from '../sheetChanges'
import { useSheetEditor } from '../SheetEditor'
import { TeethField } from '../figureFields'
import { AdjustersOn } from './AdjustersOn'
import { Choice, Fields, NameField } from './fields'
import { PartLink } from './PartLink'
import { PassedBy } from './PassedBy'
import { knownShape, toothShapes } from './toothShapes'

/** A sprocket, pulley, gear or the end of a shaft: its teeth, its marks, and how it can be set. */
export function WheelPanel({ member }: { readonly member: Member }) {
  const { sheet, apply } = useSheetEditor()
  const isHub = member.kind === 'hub'
  const shaft = partsOf(sheet).shaft(member.shaftId)
  const marks = sheet.marks.filter(({ memberId }) => memberId === member.id)
  return (
    <Fields>
      {!isHub && <Teeth member={member} />}
      <NameField
        id={member.id}
        what={isHub ? 'end of the shaft' : member.kind}
        value={member.name}
        change={(name) => patchMember(member.id, (one) => ({ ...one, name }))}
      />
      <PassedBy member={member} />
      {!isHub && <AdjustersOn member={member} />}
      <div className="row">
        {shaft && <PartLink kind="shaft" id={shaft.id} words={shaft.name} />}
        {marks.map(({ id, name }) => (
          <PartLink key={id} kind="mark" id={id} words={name} />
        ))}
        <button type="button" className="link" onClick={() => void apply(addMark(member))}>
          Put a mark on the {inSentence(member.name)}
        </button>
      </div>
    </Fields>
  )
}

function Teeth({ member }: { member: Member }) {
  const { apply } = useSheetEditor()
  return (
    <>
      <TeethField member={member} />
      {member.kind === 'pulley' && (
        <Choice
          label={`Teeth of the ${inSentence(member.name)} are`}
          value={member.toothShape ?? 'unknown'}
          options={[...toothShapes]}
          onChoose={(shape) => apply(patchMember(member.id, (one) => withValue(one, 'toothShape', knownShape(shape))))}
        />
      )}
    </>
  )
}

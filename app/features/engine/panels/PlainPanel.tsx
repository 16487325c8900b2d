import { inSentence } from '../../../ui/wording'
import { sheetLimits, type Member } from '@link-count/core/model'
import { removeMember } from '../bendDrive'
import { PassedBy } from './PassedBy'
import { PlaceFields } from './PlaceFields'
import { patchMember, withValue } from '../sheetChanges'
import { Fields, NameField } from './fields'
import { GuideArc } from './GuideArc'
import { TightenerFields } from './TightenerFields'
import { useSheetEditor } from '../SheetEditor'
import { TeethField } from '../figureFields'
import { MmField } from '../TrustedField'

/** An idler, guide or tensioner that carries no shaft of the drive. With teeth its size is theirs. */
export function PlainPanel({ member }: { readonly member: Member }) {
  const { apply } = useSheetEditor()
  // One whose radius was measured is a plain shoe or roller.
  const isShoe = member.kind === 'tensioner' && member.radiusMm !== undefined && !member.teeth
  const floats = member.kind === 'tensioner' && !member.position
  return (
    <Fields>
      <NameField
        id={member.id}
        what={member.kind}
        value={member.name}
        change={(name) => patchMember(member.id, (one) => ({ ...one, name }))}
      />
      {member.kind !== 'guide' && !isShoe && (
        <TeethField member={member} help="Only where it has any: then they settle its size." />
      )}
      {!member.teeth && (
        <>
          <MmField
            example="70 mm"
            limits={sheetLimits('members', 'radiusMm')}
            id={`radius-${member.id}`}
            label={`${member.name}, radius where the loop touches it`}
            help={floats ? 'Where it stands is worked out from the slack it has to take up.' : ''}
            value={member.radiusMm}
            change={(value) => patchMember(member.id, (one) => withValue(one, 'radiusMm', value))}
          />
          <MmField
            example="9.525 mm, 3/8 in"
            limits={sheetLimits('members', 'allowanceMm')}
            id={`allowance-${member.id}`}
            label={`From there to the pin or pitch line, ${inSentence(member.name)}`}
            help="Half a plate’s height, or the back of a belt. Nothing if the radius is to the pin line."
            value={member.allowanceMm}
            change={(value) => patchMember(member.id, (one) => withValue(one, 'allowanceMm', value))}
          />
        </>
      )}
      {member.kind === 'tensioner' && <TightenerFields member={member} />}
      <PassedBy member={member} />
      {member.kind === 'guide' && <GuideArc member={member} />}
      {!floats && (
        <PlaceFields
          id={member.id}
          name={member.name}
          position={member.position}
          set={(change) => patchMember(member.id, (one) => ({ ...one, position: change(one.position) }))}
        />
      )}
      <button type="button" className="link" onClick={() => apply(removeMember(member.id))}>
        Take the {inSentence(member.name)} off the sheet
      </button>
    </Fields>
  )
}

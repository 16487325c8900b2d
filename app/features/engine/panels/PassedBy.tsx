import { SegmentedControl } from '@mantine/core'
import type { Member } from '@link-count/core/model'
import { inSentence } from '../../../ui/wording'
import { passOtherSide } from '../bendDrive'
import { useSheetEditor } from '../SheetEditor'

/** On which side each loop passes a part. */
export function PassedBy({ member }: { readonly member: Member }) {
  const { sheet, apply } = useSheetEditor()
  return sheet.loops.flatMap((loop) => {
    const passed = loop.path.find(({ memberId }) => memberId === member.id)?.passed
    if (!passed) return []
    const label = `The ${inSentence(loop.name)} passes it`
    return (
      <div key={loop.id}>
        <p className="field-label">{label}</p>
        <SegmentedControl
          fullWidth
          aria-label={label}
          value={passed}
          onChange={(next) => next !== passed && void apply(passOtherSide(loop.id, member.id))}
          data={[
            { value: 'inside', label: 'inside' },
            { value: 'outside', label: 'outside' },
          ]}
        />
      </div>
    )
  })
}

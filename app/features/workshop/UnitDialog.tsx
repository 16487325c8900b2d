import { SegmentedControl } from '@mantine/core'
import { notePut } from '../../domain/notes'
import { useAppDispatch } from '../../store'
import { Dialog } from '../../ui/Dialog'
import { BARE_UNIT, useWorkshopUnit } from '../../ui/fields'
import { useAttempt } from '../../ui/useAttempt'

const ASK = 'ask'

/** In which unit this workshop means a length that is typed without one. */
export default function UnitDialog({ onClose }: { readonly onClose: () => void }) {
  const dispatch = useAppDispatch()
  const attempt = useAttempt()
  const unit = useWorkshopUnit() ?? ASK
  const choose = (value: string) => void attempt('This setting', () => dispatch(notePut([{ id: BARE_UNIT, value }])))
  return (
    <Dialog title="Units" onClose={onClose}>
      <div className="stack">
        <p className="field-label" id="bare-unit">
          A length typed without a unit is
        </p>
        <SegmentedControl
          aria-labelledby="bare-unit"
          fullWidth
          value={unit}
          onChange={choose}
          data={[
            { value: ASK, label: 'asked about' },
            { value: 'mm', label: 'mm' },
            { value: 'in', label: 'inches' },
            { value: 'thou', label: 'thou' },
          ]}
        />
        <p className="soft">
          A unit that is typed always counts, and what was typed is kept. Asked about, it is asked once for a list: all
          clearances of one step, all figures of one part.
        </p>
      </div>
    </Dialog>
  )
}

import { SegmentedControl } from '@mantine/core'
import type { Condition } from '@link-count/core/model'
import { useDraft } from '../../../../ui/fields'
import { useBench } from '../../JobContext'

/** How the reversing gear of a reversible engine stands: asked before the first reading of a job, and kept until somebody says otherwise. */
export function useReversingGear() {
  const { sheet, job, state } = useBench().view
  const last = state.live
    .flatMap(({ conditions }) => conditions)
    .findLast((one): one is 'gearAhead' | 'gearAstern' => one === 'gearAhead' || one === 'gearAstern')
  const gear = useDraft(`${job.id}:reversing-gear`, last ?? '')
  const isAsked = sheet.reversible === true
  const isSaid = gear.text === 'gearAhead' || gear.text === 'gearAstern'
  const conditions: Condition[] = isAsked && isSaid ? [gear.text as 'gearAhead'] : []
  return {
    conditions,
    isOpen: isAsked && !isSaid,
    isAstern: isAsked && gear.text === 'gearAstern',
    panel: isAsked && (
      <>
        <SegmentedControl
          fullWidth
          aria-label="The reversing gear stands"
          value={gear.text}
          onChange={gear.setText}
          data={[
            { value: 'gearAhead', label: 'Gear ahead' },
            { value: 'gearAstern', label: 'Gear astern' },
          ]}
        />
        {!isSaid && <p className="soft">Say how the reversing gear stands: ahead and astern read differently.</p>}
      </>
    ),
  }
}

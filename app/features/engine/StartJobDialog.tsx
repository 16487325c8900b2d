import { Button, SegmentedControl, TextInput } from '@mantine/core'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { BuildSheet, Engine } from '@link-count/core/model'
import { openJob } from '../../domain/writes'
import { useAppDispatch } from '../../store'
import { useDraft } from '../../ui/fields'
import { useWorkshop } from '../../ui/WorkshopContext'
import { Dialog } from '../../ui/Dialog'

export function StartJobDialog({
  engine,
  sheet,
  onClose,
}: {
  readonly engine: Engine
  readonly sheet: BuildSheet
  readonly onClose: () => void
}) {
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const { kind } = useWorkshop()
  const reason = useDraft(`start-job:${engine.id}:reason`)
  const [arrival, setArrival] = useState<'chainOn' | 'chainOff'>('chainOn')
  const start = async () => {
    const job = await dispatch(openJob({ engineId: engine.id, sheetId: sheet.id, arrival, reason: reason.text.trim() }))
    reason.drop()
    await navigate(`/${kind}/job/${job.id}`)
  }
  return (
    <Dialog title="Start a job" size="md" onClose={onClose}>
      <form
        className="stack"
        onSubmit={(event) => {
          event.preventDefault()
          void start()
        }}
      >
        <div>
          <p className="field-label" id="arrival-label">
            How did it come in?
          </p>
          <SegmentedControl
            aria-labelledby="arrival-label"
            fullWidth
            value={arrival}
            onChange={(value) => setArrival(value as 'chainOn')}
            data={[
              { value: 'chainOn', label: 'Chain on' },
              { value: 'chainOff', label: 'Chain off' },
            ]}
          />
          <p className="soft">
            {arrival === 'chainOn'
              ? 'Everything is read as found before anything is touched.'
              : 'Nothing can be read as found; the steps that cannot be done say what replaces them.'}
          </p>
        </div>
        <TextInput
          label="Why it is here"
          placeholder="rattles at idle"
          maxLength={400}
          value={reason.text}
          onChange={(event) => reason.setText(event.currentTarget.value)}
        />
        <Button type="submit" variant="filled">
          Start
        </Button>
      </form>
    </Dialog>
  )
}

import { Button, Checkbox, SegmentedControl, TextInput } from '@mantine/core'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import { beginSheet } from '@link-count/core/starters'
import { addSheet, saveEngine } from '../../domain/writes'
import { useAppDispatch } from '../../store'
import { useDraft } from '../../ui/fields'
import { useWorkshop } from '../../ui/WorkshopContext'
import { Dialog } from '../../ui/Dialog'

/** A new engine by its shape; its figures come on the build sheet, in the order they are measured. */
export function NewEngineDialog({ onClose }: { readonly onClose: () => void }) {
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const { kind, now } = useWorkshop()
  const name = useDraft('new-engine:name')
  const description = useDraft('new-engine:description')
  const [cylinders, setCylinders] = useState('1')
  const [guide, setGuide] = useState(false)
  const [tensioner, setTensioner] = useState(true)
  const [asked, setAsked] = useState(false)
  const missing = asked && name.text.trim() === ''
  const make = async () => {
    setAsked(true)
    if (name.text.trim() === '') return
    const id = crypto.randomUUID()
    const at = now()
    await dispatch(saveEngine({ id, name: name.text.trim(), description: description.text.trim(), at }))
    await dispatch(
      addSheet(
        beginSheet({
          id: crypto.randomUUID(),
          engineId: id,
          at,
          cylinders: Number(cylinders) as 1,
          guide,
          tensioner,
        }),
      ),
    )
    name.drop()
    description.drop()
    await navigate(`/${kind}/engine/${id}`)
  }
  return (
    <Dialog title="New engine" size="md" onClose={onClose}>
      <form
        className="stack"
        onSubmit={(event) => {
          event.preventDefault()
          void make()
        }}
      >
        <TextInput
          label="What you call it"
          placeholder="Saw bench engine"
          value={name.text}
          onChange={(event) => name.setText(event.currentTarget.value)}
          error={missing ? 'It needs a name: what is painted on it, or where it stands.' : undefined}
          maxLength={120}
          data-autofocus
        />
        <TextInput
          label="In a few words"
          placeholder="two cylinders in line, petrol, one chain"
          value={description.text}
          onChange={(event) => description.setText(event.currentTarget.value)}
          maxLength={200}
        />
        <div>
          <p className="field-label" id="cylinders-label">
            Cylinders, in line
          </p>
          <SegmentedControl
            aria-labelledby="cylinders-label"
            fullWidth
            value={cylinders}
            onChange={setCylinders}
            data={['1', '2', '3', '4']}
          />
        </div>
        <Checkbox
          label="A tensioner on the chain"
          checked={tensioner}
          onChange={(event) => setTensioner(event.currentTarget.checked)}
        />
        <Checkbox
          label="A fixed guide that bends the chain"
          checked={guide}
          onChange={(event) => setGuide(event.currentTarget.checked)}
        />
        <p className="soft">Four-stroke, one camshaft, one chain from the crank. Other drives come later.</p>
        <Button type="submit" variant="filled">
          Begin its build sheet
        </Button>
      </form>
    </Dialog>
  )
}

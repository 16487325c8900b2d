import { Button, Checkbox, NativeSelect, SegmentedControl, TextInput } from '@mantine/core'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { Layout } from '@link-count/core/cylinders'
import { beginSheet, NEEDS_TWO_BANKS, TOPOLOGIES, type Topology } from '@link-count/core/starters'
import { beginEngine } from '../../domain/writes'
import { useAppDispatch } from '../../store'
import { takenOf, useDraft } from '../../ui/fields'
import { useAttempt } from '../../ui/useAttempt'
import { useWorkshop } from '../../ui/WorkshopContext'
import { Dialog } from '../../ui/Dialog'

const driveWords: Record<Topology | 'oneChain' | 'none', string> = {
  none: 'none, or not of this kind',
  oneChain: 'one chain, one camshaft',
  twinCam: 'one chain, two camshafts',
  twoStage: 'two chains over an intermediate shaft',
  gearThenChain: 'a gear, then a chain',
  twoChainsByIdlers: 'idler gears, a chain to each bank',
  beltWithPump: 'one belt, camshaft and pump',
  twoBelts: 'a belt to each bank',
  fourCamBelt: 'one belt, four camshafts',
  gearsOnly: 'gears only',
  splinedBanks: 'a chain, then splined shafts to each bank',
}

const layouts: readonly { value: Layout; label: string; counts: readonly number[] }[] = [
  { value: 'inLine', label: 'in line', counts: [1, 2, 3, 4, 5, 6, 8] },
  { value: 'vee', label: 'in a V', counts: [2, 4, 6, 8, 10, 12, 14] },
  { value: 'flat', label: 'flat, pins shared across', counts: [2, 4, 6, 8, 10, 12] },
  { value: 'opposed', label: 'opposed, pins half a turn apart', counts: [2, 4, 6, 8] },
  { value: 'radial', label: 'in a star', counts: [3, 5, 7, 9, 10, 14] },
]

/** A new engine by its shape; its figures come on the build sheet, in the order they are measured. */
export default function NewEngineDialog({ onClose }: { readonly onClose: () => void }) {
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const attempt = useAttempt()
  const { kind, now } = useWorkshop()
  const name = useDraft('new-engine:name')
  const description = useDraft('new-engine:description')
  const [cylinders, setCylinders] = useState('1')
  const [layout, setLayout] = useState<Layout>('inLine')
  const [cycle, setCycle] = useState<'720' | '360'>('720')
  const [numberedFrom, setNumberedFrom] = useState<'timing' | 'opposite'>('timing')
  const [drive, setDrive] = useState<Topology | 'oneChain' | 'none'>('oneChain')
  const twoBanks = layout !== 'inLine' && layout !== 'radial'
  const drives = [
    'oneChain',
    ...TOPOLOGIES.filter((one) => twoBanks || !NEEDS_TWO_BANKS.includes(one)),
    'none',
  ] as const
  const chosenDrive = drives.find((one) => one === drive) ?? 'oneChain'
  const [guide, setGuide] = useState(false)
  const [tensioner, setTensioner] = useState(true)
  const [asked, setAsked] = useState(false)
  const missing = asked && name.text.trim() === ''
  const make = async () => {
    setAsked(true)
    if (name.text.trim() === '') return
    const id = nanoid()
    const at = now()
    const engine = { id, name: name.text.trim(), description: description.text.trim(), at }
    const sheet = beginSheet({
      id: nanoid(),
      engineId: id,
      at,
      cylinders: Number(cylinders),
      layout,
      cycleDeg: Number(cycle) as 720,
      numberedFrom,
      drive: chosenDrive,
      guide,
      tensioner,
    })
    const begun = await attempt(
      'The new engine',
      async () => {
        await dispatch(beginEngine(engine, sheet, takenOf([name, description])))
        return true
      },
      { key: 'new engine' },
    )
    if (begun) await navigate(`/${kind}/engine/${id}`)
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
        <div className="two-fields">
          <NativeSelect
            label="Cylinders stand"
            value={layout}
            onChange={(event) => {
              const next = event.currentTarget.value as Layout
              setLayout(next)
              const counts = layouts.find(({ value }) => value === next)?.counts ?? []
              if (!counts.includes(Number(cylinders))) setCylinders(String(counts[0]))
            }}
            data={layouts.map(({ value, label }) => ({ value, label }))}
          />
          <NativeSelect
            label="How many"
            value={cylinders}
            onChange={(event) => setCylinders(event.currentTarget.value)}
            data={(layouts.find(({ value }) => value === layout)?.counts ?? []).map(String)}
          />
        </div>
        {Number(cylinders) > 1 && layout !== 'radial' && (
          <NativeSelect
            label="Number 1 stands"
            description="Names can be changed on the build sheet."
            value={numberedFrom}
            onChange={(event) => setNumberedFrom(event.currentTarget.value as 'timing')}
            data={[
              { value: 'timing', label: 'at the timing side' },
              { value: 'opposite', label: 'at the other end' },
            ]}
          />
        )}
        <SegmentedControl
          aria-label="Strokes"
          fullWidth
          value={cycle}
          onChange={(value) => {
            setCycle(value as '720')
            setDrive(value === '720' ? 'oneChain' : 'none')
          }}
          data={[
            { value: '720', label: 'Four-stroke' },
            { value: '360', label: 'Two-stroke' },
          ]}
        />
        <NativeSelect
          label="Camshafts are driven by"
          value={chosenDrive}
          onChange={(event) => setDrive(event.currentTarget.value as 'oneChain')}
          data={drives.map((value) => ({ value, label: driveWords[value] }))}
        />
        {chosenDrive === 'oneChain' && (
          <>
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
          </>
        )}
        <p className="soft">
          {chosenDrive === 'none'
            ? 'No drive: true TDC, marks and cylinders only.'
            : 'A shape to begin from, without figures; idlers, guides and tensioners can be added on the build sheet.'}
        </p>
        <Button type="submit" variant="filled">
          Begin its build sheet
        </Button>
      </form>
    </Dialog>
  )
}

import { Button, Checkbox, NativeSelect, SegmentedControl } from '@mantine/core'
import { nanoid } from 'nanoid'
import { useState } from 'react'
import { useNavigate } from 'react-router'
import type { Layout } from '@link-count/core/cylinders'
import { ASKS_PULLED, beginSheet, calledOtherwise, type Pulled } from '@link-count/core/starters'
import { beginEngine } from '../../domain/writes'
import { useAppDispatch } from '../../store'
import { takenOf, useDraft, WordsInput } from '../../ui/fields'
import { useAttempt } from '../../ui/useAttempt'
import { useWorkshop } from '../../ui/WorkshopContext'
import { Dialog } from '../../ui/Dialog'
import { CamshaftNames, PulledChoice, ShapeChoice } from './ShapeChoice'
import { drivesFor, type DriveShape } from './shapeWords'

const layouts: readonly { value: Layout; label: string; counts: readonly number[] }[] = [
  { value: 'inLine', label: 'in line', counts: [1, 2, 3, 4, 5, 6, 8] },
  { value: 'vee', label: 'in a V', counts: [2, 4, 6, 8, 10, 12, 14] },
  { value: 'flat', label: 'flat, pins shared across', counts: [2, 4, 6, 8, 10, 12] },
  { value: 'opposed', label: 'opposed, pins half a turn apart', counts: [2, 4, 6, 8] },
  { value: 'radial', label: 'in a star', counts: [3, 5, 7, 9, 10, 14] },
]

/** The shape that a new engine begins with. */
interface Shape {
  readonly cylinders: string
  readonly layout: Layout
  readonly cycle: '720' | '360'
  readonly numberedFrom: 'timing' | 'opposite'
  readonly drive: DriveShape
  /** Undefined until somebody says so. */
  readonly pulled: Pulled | undefined
  readonly guide: boolean
  readonly tensioner: boolean
  /** What is said instead of the words that tell its camshafts apart. */
  readonly words: Readonly<Record<string, string>>
}
interface ShapeProps {
  readonly shape: Shape
  readonly change: (next: Partial<Shape>) => void
}

const START: Shape = {
  cylinders: '1',
  layout: 'inLine',
  cycle: '720',
  numberedFrom: 'timing',
  drive: 'oneChain',
  pulled: undefined,
  guide: false,
  tensioner: true,
  words: {},
}

/** Drives that go with a layout, and the one of them that is chosen. */
function drivesOf({ layout, drive }: Shape) {
  const drives = drivesFor(layout)
  return { drives, chosen: drives.find((one) => one === drive) ?? ('oneChain' as const) }
}

const asksPulled = (drive: DriveShape) => ASKS_PULLED.some((one) => one === drive)

/** The sheet that a shape begins. */
const sheetOf = (
  { cylinders, layout, cycle, numberedFrom, guide, tensioner, pulled, words }: Shape,
  drive: DriveShape,
  of: { readonly id: string; readonly engineId: string; readonly at: string },
) =>
  calledOtherwise(
    beginSheet({
      ...of,
      cylinders: Number(cylinders),
      layout,
      cycleDeg: Number(cycle) as 720,
      numberedFrom,
      drive,
      guide,
      tensioner,
      ...(pulled ? { pulled } : {}),
    }),
    words,
  )
const toDraw = { id: 'shape', engineId: 'shape', at: '2026-01-01T00:00:00.000Z' }

/** A new engine by its shape; its figures come on the build sheet, in the order they are measured. */
export default function NewEngineDialog({ onClose }: { readonly onClose: () => void }) {
  const dispatch = useAppDispatch()
  const navigate = useNavigate()
  const attempt = useAttempt()
  const { kind, now } = useWorkshop()
  const name = useDraft('new-engine:name')
  const description = useDraft('new-engine:description')
  const [shape, setShape] = useState(START)
  const change = (next: Partial<Shape>) => setShape((was) => ({ ...was, ...next }))
  const [asked, setAsked] = useState(false)
  const { chosen } = drivesOf(shape)
  const missing = asked && name.text.trim() === ''
  const make = async () => {
    setAsked(true)
    if (name.text.trim() === '' || (asksPulled(chosen) && !shape.pulled)) return
    const id = nanoid()
    const at = now()
    const engine = { id, name: name.text.trim(), description: description.text.trim(), at }
    const sheet = sheetOf(shape, chosen, { id: nanoid(), engineId: id, at })
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
    <Dialog title="New engine" size="lg" onClose={onClose}>
      <form
        className="stack"
        onSubmit={(event) => {
          event.preventDefault()
          void make()
        }}
      >
        <WordsInput
          label="What you call it"
          placeholder="Saw bench engine"
          of={name}
          error={missing ? 'It needs a name: what is painted on it, or where it stands.' : undefined}
          maxLength={120}
          data-autofocus
        />
        <WordsInput
          label="In a few words"
          placeholder="two cylinders in line, petrol, one chain"
          of={description}
          maxLength={200}
        />
        <CylinderFields shape={shape} change={change} />
        <DriveFields shape={shape} change={change} asked={asked} />
        <Button type="submit" variant="filled">
          Begin its build sheet
        </Button>
      </form>
    </Dialog>
  )
}

function CylinderFields({ shape: { layout, cylinders, numberedFrom }, change }: ShapeProps) {
  const countsOf = (of: Layout) => layouts.find(({ value }) => value === of)?.counts ?? []
  return (
    <>
      <div className="two-fields">
        <NativeSelect
          label="Cylinders stand"
          value={layout}
          onChange={(event) => {
            const next = event.currentTarget.value as Layout
            const fits = countsOf(next).includes(Number(cylinders))
            change({ layout: next, ...(fits ? {} : { cylinders: String(countsOf(next)[0]) }) })
          }}
          data={layouts.map(({ value, label }) => ({ value, label }))}
        />
        <NativeSelect
          label="How many"
          value={cylinders}
          onChange={(event) => change({ cylinders: event.currentTarget.value })}
          data={countsOf(layout).map(String)}
        />
      </div>
      {Number(cylinders) > 1 && layout !== 'radial' && (
        <NativeSelect
          label="Number 1 stands"
          description="Names can be changed on the build sheet."
          value={numberedFrom}
          onChange={(event) => change({ numberedFrom: event.currentTarget.value as 'timing' })}
          data={[
            { value: 'timing', label: 'at the timing side' },
            { value: 'opposite', label: 'at the other end' },
          ]}
        />
      )}
    </>
  )
}

function DriveFields({ shape, change, asked }: ShapeProps & { readonly asked: boolean }) {
  const { drives, chosen } = drivesOf(shape)
  return (
    <>
      <SegmentedControl
        aria-label="Strokes"
        fullWidth
        value={shape.cycle}
        onChange={(value) => {
          change({ cycle: value as '720' })
        }}
        data={[
          { value: '720', label: 'Four-stroke' },
          { value: '360', label: 'Two-stroke' },
        ]}
      />
      <ShapeChoice
        shapes={drives}
        chosen={chosen}
        sheetOf={(drive) => sheetOf(shape, drive, toDraw)}
        onChoose={(drive) => change({ drive })}
      />
      {asksPulled(chosen) && (
        <PulledChoice
          sheet={sheetOf(shape, chosen, toDraw)}
          pulled={shape.pulled}
          missing={asked && !shape.pulled}
          onChoose={(pulled) => change({ pulled })}
        />
      )}
      <CamshaftNames
        sheet={sheetOf({ ...shape, words: {} }, chosen, toDraw)}
        words={shape.words}
        onCall={(word, instead) => change({ words: { ...shape.words, [word]: instead } })}
      />
      {chosen === 'oneChain' && (
        <>
          <Checkbox
            label="A tensioner on the chain"
            checked={shape.tensioner}
            onChange={(event) => change({ tensioner: event.currentTarget.checked })}
          />
          <Checkbox
            label="A fixed guide that bends the chain"
            checked={shape.guide}
            onChange={(event) => change({ guide: event.currentTarget.checked })}
          />
        </>
      )}
      <p className="soft">
        {chosen === 'none'
          ? 'No drive: true TDC, marks and cylinders only.'
          : 'A shape to begin from, without figures; whatever it lacks is put on its drawing. One like an engine you have begins on that engine’s page.'}
      </p>
    </>
  )
}
